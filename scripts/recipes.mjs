import { spawnSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { ensurePackages } from './ensure.mjs';
import { RECIPES } from './recipe-steps.mjs';

/**
 * Follows the recipes of CONTRIBUTING.md in a copy of the house, then leaves out each place in turn:
 * with all of it types, lint, dead code and the named tests pass; without any one, one of them fails.
 * `npm run recipes`, or with the name of one recipe behind it.
 */
ensurePackages();

/** Tests that hold what the compiler cannot. */
const TESTS = [
  'core/priors/whole-priors.test.ts',
  'core/order/step-states.test.ts',
  'contract/entry-kinds.test.ts',
  'web/bench/sights.test.ts',
  'web/app/view.test.ts',
];
const CHECKS = [
  ['types', 'tsc', ['-b', '--pretty', 'false']],
  ['dead code', 'knip', ['--no-progress', '--exclude', 'dependencies,devDependencies,binaries']],
  ['tests', 'vitest', ['run', ...TESTS]],
];

const wanted = process.argv.slice(2).join(' ');
const guide = readFileSync('CONTRIBUTING.md', 'utf8');
const house = copyOfTheHouse();
let faults = 0;
for (const [name, steps] of Object.entries(RECIPES)) {
  if (wanted !== '' && wanted !== name) continue;
  const before = new Map(steps.map(([file]) => [file, read(file)]));
  for (const [file] of steps) if (!isNamed(name, file)) fault(`${name}: ${file} is not named`);
  write(steps);
  const found = firstFailure();
  if (found === null) console.log(`${name}: ${steps.length} places, the house stands`);
  else fault(`${name}: with every place written, ${found.check} fail\n${found.said}`);
  if (found === null)
    for (const [left] of steps) {
      restore(before);
      write(steps.filter(([file]) => file !== left));
      const missed = firstFailure();
      if (missed === null) fault(`${name}: nothing notices that ${left} is left out`);
      else console.log(`  without ${left}: ${missed.check}`);
    }
  restore(before);
}
rmSync(house, { recursive: true, force: true });
console.log(faults === 0 ? 'Every recipe holds.' : `${faults} faults`);
process.exit(faults === 0 ? 0 : 1);

function fault(words) {
  faults += 1;
  console.log(`FAULT ${words}`);
}

/** Tests and measurements are found by the compiler; everything else the guide names. */
function isNamed(name, file) {
  if (/\.test\.|^bench\/|fixtures\/bow-log/.test(file)) return true;
  const heading = name === 'entry kind' || name === 'session kind' ? name : name;
  const from = guide
    .toLowerCase()
    .indexOf(`**${/^[aeiou]/.test(heading) ? 'an' : 'a'} ${heading}.**`);
  if (from < 0) return false;
  const recipe = guide.slice(from, guide.indexOf('\n\n', from));
  return (
    recipe.includes(file) || recipe.includes(`${dirname(file)}/\``) || recipe.includes('its page')
  );
}

function copyOfTheHouse() {
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-recipes-'));
  const { stdout } = spawnSync('git', ['ls-files', '-co', '--exclude-standard'], {
    encoding: 'utf8',
  });
  for (const file of stdout.trim().split('\n')) {
    if (!existsSync(file)) continue;
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    cpSync(file, join(folder, file));
  }
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  return folder;
}

function read(file) {
  const path = join(house, file);
  return existsSync(path) ? readFileSync(path, 'utf8') : null;
}

function write(steps) {
  for (const [file, edit] of steps) {
    const text = read(file) ?? '';
    const edited = edit(text);
    if (edited === text) throw new Error(`${file}: the edit changes nothing`);
    mkdirSync(dirname(join(house, file)), { recursive: true });
    writeFileSync(join(house, file), edited);
  }
}

function restore(before) {
  for (const [file, text] of before)
    if (text === null) rmSync(join(house, file), { force: true });
    else writeFileSync(join(house, file), text);
}

function firstFailure() {
  for (const [check, command, args] of CHECKS) {
    const { status, stdout } = spawnSync(resolve('node_modules/.bin', command), args, {
      cwd: house,
      encoding: 'utf8',
    });
    if (status !== 0) return { check, said: stdout.slice(0, 1500) };
  }
  return null;
}
