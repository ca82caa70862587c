import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where the tests find it. */
export const DEMO_RECORD = 'KEEN_LIMB_DEMO_RECORD';

/**
 * One record with the demo club, as a first start writes it, made once: every test begins with a copy of it
 * instead of having the club written again.
 */
export default async function makeDemoRecord(): Promise<void> {
  const folder = join(mkdtempSync(join(tmpdir(), 'keen-limb-')), 'data');
  mkdirSync(folder);
  const file = join(folder, 'demo.db');
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: '0', KEEN_LIMB_DB: file },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.includes('http://localhost:')) resolve();
    });
    child.on('exit', () => {
      reject(new Error(`the server ended: ${said}`));
    });
  });
  child.removeAllListeners('exit');
  // Ended as by Ctrl-C, its journal is in the file.
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  await ended;
  process.env[DEMO_RECORD] = file;
}
