import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { longLogOnTheBench } from './bench-long-log.mjs';
import { ensureBuilt, ensurePackages, run } from './ensure.mjs';

/** Measurements: the core as ratios within one run, and how soon a second start answers. */
ensurePackages();
ensureBuilt();
run('npx', [
  '--no-install',
  'vite',
  'build',
  '--ssr',
  'bench/core-ratios.ts',
  '--outDir',
  'dist/bench',
  '--logLevel',
  'warn',
]);
run(process.execPath, ['dist/bench/core-ratios.js']);

const folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
for (const which of ['first start, demo club written', 'second start']) {
  const begun = performance.now();
  const start = spawn('npm', ['start', '--silent'], {
    env: { ...process.env, PORT: '0', KEEN_LIMB_DB: join(folder, 'bench.db') },
    stdio: ['ignore', 'pipe', 'ignore'],
    detached: true,
  });
  const address = await new Promise((resolve) => {
    start.stdout.on('data', (chunk) => {
      const found = /(http:\/\/localhost:\d+)/.exec(String(chunk));
      if (found) resolve(found[1]);
    });
  });
  await fetch(`${address}/rack`);
  console.log(`${which} to the first page: ${Math.round(performance.now() - begun)} ms`);
  process.kill(-start.pid, 'SIGTERM');
  await new Promise((resolve) => start.once('exit', resolve));
}
await longLogOnTheBench(join(folder, 'long.db'));
rmSync(folder, { recursive: true, force: true });
