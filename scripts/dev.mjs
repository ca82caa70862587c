import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensurePackages } from './ensure.mjs';

/**
 * The program while it is worked on: pages with hot reload on one port, the server built and started
 * anew at every change behind them on another, on data of its own.
 */
const PAGES_PORT = process.env.PORT ?? '4320';
const SERVER_PORT = String(Number(PAGES_PORT) + 1);
const BUILT = 'dist/dev-server/main.js';

ensurePackages();
const env = {
  ...process.env,
  KEEN_LIMB_BUILD: 'dev',
  KEEN_LIMB_API: `http://localhost:${SERVER_PORT}`,
};
const children = [];
function start(command, args, more = {}) {
  const child = spawn(command, args, { stdio: 'inherit', env: { ...env, ...more } });
  children.push(child);
  return child;
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const child of children) child.kill(signal);
    process.exit(0);
  });

const vite = ['--no-install', 'vite'];
start('npx', [
  ...vite,
  'build',
  '--ssr',
  'server/main.ts',
  '--outDir',
  'dist/dev-server',
  '--watch',
  '--logLevel',
  'warn',
]);
while (!existsSync(BUILT)) await new Promise((soon) => setTimeout(soon, 200));
start(process.execPath, ['--watch', BUILT], {
  PORT: SERVER_PORT,
  KEEN_LIMB_DB: process.env.KEEN_LIMB_DB ?? 'data/dev/keen-limb.db',
});
start('npx', [...vite, '--port', PAGES_PORT, '--strictPort']);
