import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensurePackages } from './ensure.mjs';

/**
 * What changed, and what depends on it, in under two minutes: formatting and lint of the changed files,
 * types, layers, and the tests that reach a changed file. `npm run check`, or `-- --base REV` for all
 * since a commit. The long simulations and whatever starts the program are left to `npm test`, by name.
 */
ensurePackages();

/** Each takes longer than all the others together that a usual change reaches. */
const LEFT_TO_TEST = [
  'bench/adviser.test.ts',
  'bench/every-start.test.ts',
  'bench/one-judge.test.ts',
  'bench/setup.test.ts',
  'bench/tuning.test.ts',
  'bench/walk.test.ts',
  'core/advice/next-move.test.ts',
  'core/bare-shaft/calibration.test.ts',
  'core/gains/learned-gains.test.ts',
  'core/limits/all-doors.test.ts',
  'core/setup/plan-setup.test.ts',
  'core/simulate/follow-moves.test.ts',
  'core/simulate/simulated-walk.test.ts',
  'server/app.test.ts',
  'server/bows/routes.test.ts',
  'server/db/damage.test.ts',
  'server/kill.test.ts',
  'server/odd-requests.test.ts',
  'server/program.test.ts',
  'server/store-faults.test.ts',
];

const at = process.argv.indexOf('--base');
const base = at < 0 ? 'HEAD' : process.argv[at + 1];
const files = changedSince(base);
if (files.length === 0) {
  console.log(`Nothing changed since ${base}.`);
  process.exit(0);
}
const code = files.filter((file) => /\.(ts|tsx|mjs|js)$/.test(file));
const reach = code.filter((file) => /^(core|contract|server|web|demo|bench)\//.test(file));
const failed = [];
const startedMs = Date.now();

check('formatting', 'biome', ['format', '--no-errors-on-unmatched', ...files]);
if (code.length > 0) check('lint', 'eslint', ['--max-warnings', '0', '--no-warn-ignored', ...code]);
check('types', 'tsc', ['-b']);
check('layers', process.execPath, ['scripts/check-layers.mjs']);
if (reach.length > 0)
  check('tests', 'vitest', [
    'related',
    '--run',
    '--passWithNoTests',
    '--reporter=dot',
    ...LEFT_TO_TEST.flatMap((test) => ['--exclude', test]),
    ...reach,
  ]);

const seconds = ((Date.now() - startedMs) / 1000).toFixed(0);
console.log(
  `\n${files.length} files since ${base}, ${seconds} s. Left to npm test: the browser, and`,
);
console.log(LEFT_TO_TEST.join(', '));
console.log(failed.length === 0 ? 'Nothing failed.' : `Failed: ${failed.join('; ')}`);
process.exit(failed.length === 0 ? 0 : 1);

function changedSince(revision) {
  const lines = (args) => {
    const { status, stdout, stderr } = spawnSync('git', args, { encoding: 'utf8' });
    if (status !== 0) {
      console.error(`git knows no ${revision}: ${stderr.trim()}`);
      process.exit(1);
    }
    return stdout.split('\n').filter((file) => file !== '' && existsSync(file));
  };
  return [
    ...new Set([
      ...lines(['diff', '--name-only', revision]),
      ...lines(['ls-files', '-o', '--exclude-standard']),
    ]),
  ];
}

function check(name, command, args) {
  console.log(`\n== ${name}`);
  const [program, before] =
    command === process.execPath ? [command, []] : ['npx', ['--no-install', command]];
  const { status } = spawnSync(program, [...before, ...args], { stdio: 'inherit' });
  if (status !== 0) failed.push(name);
}
