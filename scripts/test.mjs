import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { ensureBuilt, ensureChromium, ensurePackages } from './ensure.mjs';

/** Runs every check, whatever fails, and ends with one line of totals. */
ensurePackages();
ensureChromium();

let passed = 0;
let failed = 0;
/** Checks and tests that failed, by name: what a long run is read for. */
const failures = [];

function check(name, command, args) {
  console.log(`\n== ${name}`);
  const [program, before] =
    command === 'node' ? [process.execPath, []] : ['npx', ['--no-install', command]];
  const { status } = spawnSync(program, [...before, ...args], { stdio: 'inherit' });
  if (status === 0) passed += 1;
  else {
    failed += 1;
    failures.push(name);
  }
  return status === 0;
}

function count(file, totals) {
  if (!existsSync(file)) return;
  const [good, bad] = totals(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad;
}

rmSync('test-results', { recursive: true, force: true });
check('formatting', 'biome', ['format', '.']);
check('types', 'tsc', ['-b']);
check('lint', 'eslint', ['.', '--max-warnings', '0']);
check('layers', 'node', ['scripts/check-layers.mjs']);
check('dead code', 'knip', []);
// Some of them start the program itself.
ensureBuilt();
check('unit and API tests', 'vitest', [
  'run',
  '--reporter=dot',
  '--reporter=json',
  '--outputFile.json=test-results/unit.json',
]);
count('test-results/unit.json', ({ numPassedTests, numFailedTests }) => [
  numPassedTests,
  numFailedTests,
]);
check('browser tests', 'playwright', ['test']);
count('test-results/browser.json', ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]);

if (failures.length > 0) console.log(`\nFailed: ${failures.join('; ')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
