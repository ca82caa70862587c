import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Runs the layer rules over every layer; a run that saw no modules is a failure, not a pass. And no folder
 * of core grows past what one can keep in mind: code without comments and empty lines.
 */
const MOST_LINES_A_FOLDER = 2000;
const CHECKS = [
  ['dependency-cruiser.cjs', ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench']],
  ['dependency-cruiser.folders.cjs', ['core', 'contract', 'server', 'web', 'demo']],
];

let failed = false;
for (const [config, layers] of CHECKS) {
  const { status, stdout, stderr } = spawnSync(
    'npx',
    ['--no-install', 'depcruise', '--config', config, '--output-type', 'err', ...layers],
    { encoding: 'utf8' },
  );
  process.stdout.write(stdout);
  process.stderr.write(stderr.replace(/^npm warn.*\n/gm, ''));
  const cruised = /\((\d+) modules/.exec(stdout);
  const sawNothing = status === 0 && (cruised === null || Number(cruised[1]) === 0);
  if (sawNothing) console.error(`The check of ${config} saw no modules at all.`);
  failed ||= status !== 0 || sawNothing;
}
for (const { folder, lines } of foldersOf('core'))
  if (lines > MOST_LINES_A_FOLDER) {
    console.log(
      `error folder-too-large: ${folder}: ${lines} lines of code, at most ${MOST_LINES_A_FOLDER}`,
    );
    failed = true;
  }
process.exit(failed ? 1 : 0);

function foldersOf(folder) {
  const entries = readdirSync(folder, { withFileTypes: true });
  const lines = entries
    .filter(({ name }) => /\.ts$/.test(name) && !/\.test\.ts$/.test(name))
    .reduce((sum, { name }) => sum + linesOfCode(readFileSync(join(folder, name), 'utf8')), 0);
  const inner = entries.filter((entry) => entry.isDirectory() && entry.name !== 'fixtures');
  return [{ folder, lines }, ...inner.flatMap(({ name }) => foldersOf(join(folder, name)))];
}

function linesOfCode(text) {
  return text.split('\n').filter((line) => !/^\s*($|\/\/|\/\*|\*)/.test(line)).length;
}
