import { readdirSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, run } from './ensure.mjs';

/**
 * Plants faults and counts how many the tests notice. Plain: everywhere in limits, cautions, units and
 * signs, where 95 % must be noticed. `-- --wide`: in pieces drawn by chance from the folders that
 * decide and speak, where 80 % must be; `--seed N` draws others, `--pieces N` more of them.
 */
ensurePackages();
const [mode, ...rest] = process.argv.slice(2);
if (mode === '--wide') runWide(rest);
else run('npx', ['--no-install', 'stryker', 'run', ...process.argv.slice(2)]);

function runWide(args) {
  const option = (name, otherwise) => {
    const at = args.indexOf(name);
    return at < 0 ? otherwise : Number(args[at + 1]);
  };
  const seed = option('--seed', 1);
  const pieces = drawn(option('--pieces', 24), seed);
  console.log(`seed ${seed}:\n${pieces.join('\n')}`);
  const plain = JSON.parse(readFileSync('stryker.config.json', 'utf8'));
  mkdirSync('test-results', { recursive: true });
  const config = {
    ...plain,
    mutate: pieces,
    vitest: { configFile: 'vitest.mutants-wide.config.ts' },
    jsonReporter: { fileName: 'test-results/mutants-wide.json' },
    thresholds: { high: 90, low: 80, break: 80 },
  };
  writeFileSync('test-results/stryker-wide.json', JSON.stringify(config));
  run('npx', ['--no-install', 'stryker', 'run', 'test-results/stryker-wide.json']);
}

/** Pieces of this many lines, each line of the folders as likely as any other. */
function drawn(howMany, seed) {
  const LINES = 12;
  const FOLDERS = [
    'core/order',
    'core/advice',
    'core/words',
    'core/words/moves',
    'core/words/arrows',
    'core/words/marks',
    'core/gains',
    'core/bare-shaft',
    'core/entry-line',
    'contract',
  ];
  const places = FOLDERS.flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => /\.ts$/.test(name) && !/\.test\.ts$/.test(name))
      .flatMap((name) => {
        const file = join(folder, name);
        const count = Math.floor(readFileSync(file, 'utf8').split('\n').length / LINES);
        return Array.from(
          { length: Math.max(1, count) },
          (_, at) => `${file}:${at * LINES + 1}-${(at + 1) * LINES}`,
        );
      }),
  );
  // A linear congruential generator (Numerical Recipes' constants): the same seed, the same pieces.
  let state = seed >>> 0;
  const next = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const chosen = new Set();
  while (chosen.size < Math.min(howMany, places.length))
    chosen.add(places[Math.floor(next() * places.length)]);
  return [...chosen].toSorted();
}
