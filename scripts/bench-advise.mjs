import { ensurePackages, run } from './ensure.mjs';

/** What asking through the script door costs over asking the core itself, as a ratio. */
ensurePackages();
run('npx', [
  '--no-install',
  'vite',
  'build',
  '--ssr',
  'bench/advise.ts',
  '--outDir',
  'dist/bench',
  '--logLevel',
  'warn',
]);
run(process.execPath, ['dist/bench/advise.js', ...process.argv.slice(2)]);
