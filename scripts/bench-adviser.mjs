import { ensurePackages, run } from './ensure.mjs';

/** Tunes the same 300 simulated bows by advice and by habit, and prints what each came to. */
ensurePackages();
run('npx', [
  '--no-install',
  'vite',
  'build',
  '--ssr',
  'bench/adviser.ts',
  '--outDir',
  'dist/bench',
  '--logLevel',
  'warn',
]);
run(process.execPath, ['dist/bench/adviser.js']);
