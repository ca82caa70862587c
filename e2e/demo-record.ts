import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { SERVE_RECORD, serveBeside } from './served.ts';

/** Where the tests find it. */
export const DEMO_RECORD = 'KEEN_LIMB_DEMO_RECORD';

/**
 * One record with the demo club, as a first start writes it, made once: every test begins with a copy of it
 * instead of having the club written again. And what serves a record, built for the tests.
 */
export default async function makeReady(): Promise<void> {
  const entry = `server/commands/${basename(SERVE_RECORD, '.js')}.ts`;
  const build = ['--no-install', 'vite', 'build', '--logLevel', 'warn', '--ssr', entry];
  execFileSync('npx', [...build, '--outDir', dirname(SERVE_RECORD)], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const folder = join(mkdtempSync(join(tmpdir(), 'keen-limb-')), 'data');
  mkdirSync(folder);
  const file = join(folder, 'demo.db');
  // Ended as by Ctrl-C, its journal is in the file.
  const { end } = await serveBeside({ PORT: '0', KEEN_LIMB_DB: file });
  await end();
  process.env[DEMO_RECORD] = file;
}
