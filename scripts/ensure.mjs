import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What is said while something is made ready goes beside the output: that belongs to who asked. */
const BESIDE = { stdio: ['ignore', 2, 2] };

/** Runs a command in the foreground; ends this process with its code when it fails. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { stdio: 'inherit', ...options });
  if (status !== 0) process.exit(status ?? 1);
}

/** Installs the packages when they are missing or the lock file is newer than the installation. */
export function ensurePackages() {
  const marker = 'node_modules/.package-lock.json';
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync('package-lock.json').mtimeMs)
    return;
  console.error(
    'Installing packages. The database driver is compiled here; this takes 2 to 4 minutes once.',
  );
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], BESIDE);
  writeFileSync(marker, readFileSync(marker));
}

const SOURCES = [
  'core',
  'contract',
  'server',
  'web',
  'demo',
  'package-lock.json',
  'vite.config.ts',
];
const BUILD_STAMP = 'dist/built';

/** Builds pages and server when any source is newer than the last build. */
export function ensureBuilt() {
  if (existsSync(BUILD_STAMP) && newestMs(SOURCES) <= statSync(BUILD_STAMP).mtimeMs) return;
  console.error('Building…');
  const build = ['--no-install', 'vite', 'build', '--logLevel', 'warn'];
  run('npx', build, BESIDE);
  run('npx', [...build, '--ssr', 'server/main.ts'], BESIDE);
  mkdirSync('dist', { recursive: true });
  writeFileSync(BUILD_STAMP, new Date().toISOString());
}

function newestMs(paths) {
  let newest = 0;
  for (const path of paths) {
    const facts = statSync(path);
    newest = Math.max(
      newest,
      facts.isDirectory()
        ? newestMs(readdirSync(path).map((name) => join(path, name)))
        : facts.mtimeMs,
    );
  }
  return newest;
}

const CHROMIUM = '/usr/bin/chromium';

/** Browser tests drive Debian's Chromium; installs it where that is possible, says how where not. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  console.error('Installing chromium for the browser tests.');
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'] };
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  spawnSync('apt-get', ['update', '-qq'], { ...quiet, env: environment });
  spawnSync('apt-get', ['install', '-y', '-qq', 'chromium'], { ...quiet, env: environment });
  if (existsSync(CHROMIUM)) return;
  console.error(`The browser tests need ${CHROMIUM}. As root: apt-get install chromium`);
  process.exit(1);
}

/** Builds a measurement of bench/ and runs it with the options this was called with. */
export function runBench(name) {
  ensurePackages();
  run('npx', [
    '--no-install',
    'vite',
    'build',
    '--ssr',
    `bench/${name}.ts`,
    '--outDir',
    'dist/bench',
    '--logLevel',
    'warn',
  ]);
  run(process.execPath, [`dist/bench/${name}.js`, ...process.argv.slice(2)]);
}
