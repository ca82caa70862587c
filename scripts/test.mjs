import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { relative } from 'node:path';
import { ensureBuilt, ensureTestPrograms, ensurePackages } from './ensure.mjs';

/** Runs every check, whatever fails, and ends with one line of totals. */
ensurePackages();
ensureTestPrograms();

let passed = 0;
let failed = 0;
/** Checks and tests that failed, by name: what a long run is read for. */
const failures = [];

function programOf(command) {
  return command === 'node' ? [process.execPath, []] : ['npx', ['--no-install', command]];
}

function note(name, status) {
  if (status === 0) passed += 1;
  else {
    failed += 1;
    failures.push(name);
  }
}

/** A program's end: 0 when it found nothing wrong. */
function ended(child) {
  return new Promise((resolve) => {
    child.on('error', () => resolve(1));
    child.on('close', resolve);
  });
}

/** A stage of tests, that is followed as it goes. */
async function stage(name, command, args) {
  console.log(`\n== ${name}`);
  const [program, before] = programOf(command);
  note(name, await ended(spawn(program, [...before, ...args], { stdio: 'inherit' })));
}

/** A check that runs beside others: what it printed is shown whole when it has ended. */
async function checkBeside(name, command, args) {
  const [program, before] = programOf(command);
  const child = spawn(program, [...before, ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
  const printed = [];
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk) => printed.push(chunk));
  const status = await ended(child);
  console.log(`\n== ${name}\n${Buffer.concat(printed).toString()}`);
  note(name, status);
}

/** Counts what a runner wrote into `file`, and keeps the name and first words of each test that failed. */
function count(file, totals, failedTests) {
  if (!existsSync(file)) return;
  const report = JSON.parse(readFileSync(file, 'utf8'));
  const [good, bad] = totals(report);
  passed += good;
  failed += bad;
  failures.push(...failedTests(report));
}

const firstLines = (message) => (message ?? '').split('\n').slice(0, 6).join('\n    ');

/** Vitest: a file that could not be read has no tests, and a message of its own. */
function failedUnitTests({ testResults }) {
  return testResults.flatMap(({ name, status, message, assertionResults }) => {
    const file = relative(process.cwd(), name);
    const tests = assertionResults.filter((test) => test.status === 'failed');
    if (tests.length === 0)
      return status === 'failed' ? [`${file}\n    ${firstLines(message)}`] : [];
    return tests.map(
      ({ fullName, failureMessages }) =>
        `${file}: ${fullName}\n    ${firstLines(failureMessages[0])}`,
    );
  });
}

function failedBrowserTests(suite) {
  const own = (suite.specs ?? [])
    .filter(({ ok }) => !ok)
    .map(({ file, line, title }) => `${file}:${line}: ${title}`);
  return [...own, ...(suite.suites ?? []).flatMap(failedBrowserTests)];
}

rmSync('test-results', { recursive: true, force: true });
// None of these writes what another reads: side by side they take as long as the longest. That one is the
// linter by far, and alone: it goes on beside the first tests.
const linted = checkBeside('lint', 'eslint', ['.', '--max-warnings', '0']);
await Promise.all([
  checkBeside('formatting', 'biome', ['format', '.']),
  checkBeside('types', 'tsc', ['-b']),
  checkBeside('layers', 'node', ['scripts/check-layers.mjs']),
  checkBeside('dead code', 'knip', []),
  checkBeside('recipes', 'node', ['scripts/check-recipes.mjs']),
]);
// Some of them start the program itself.
ensureBuilt();
await stage('unit and API tests', 'vitest', [
  'run',
  '--reporter=dot',
  '--reporter=json',
  '--outputFile.json=test-results/unit.json',
]);
count(
  'test-results/unit.json',
  ({ numPassedTests, numFailedTests }) => [numPassedTests, numFailedTests],
  failedUnitTests,
);
await linted;
await stage('browser tests', 'playwright', ['test']);
count(
  'test-results/browser.json',
  ({ stats }) => [stats.expected, stats.unexpected + stats.flaky],
  failedBrowserTests,
);

if (failures.length > 0) console.log(`\nFailed:\n- ${failures.join('\n- ')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
