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

/** What the browser tests drive and read with, and Debian's package of each. */
const TEST_PROGRAMS = [
  // Chromium without the window around the page: the same pages for two thirds of the work.
  { path: '/usr/bin/chromium-headless-shell', from: 'chromium-headless-shell' },
  // Reads a card's code back: made by others than those who made the code.
  { path: '/usr/bin/zbarimg', from: 'zbar-tools' },
  // Turns a printed page into a picture.
  { path: '/usr/bin/pdftoppm', from: 'poppler-utils' },
];

/** Installs what the browser tests need where that is possible, says how where not. */
export function ensureTestPrograms() {
  const missing = () =>
    TEST_PROGRAMS.filter(({ path }) => !existsSync(path)).map(({ from }) => from);
  const wanted = missing();
  if (wanted.length === 0) return;
  console.error(`Installing ${wanted.join(', ')} for the browser tests.`);
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'] };
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  spawnSync('apt-get', ['update', '-qq'], { ...quiet, env: environment });
  spawnSync('apt-get', ['install', '-y', '-qq', ...wanted], { ...quiet, env: environment });
  const still = missing();
  if (still.length === 0) return;
  console.error(
    `The browser tests need ${still.join(', ')}. As root: apt-get install ${still.join(' ')}`,
  );
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
