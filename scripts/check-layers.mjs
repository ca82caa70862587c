import { spawnSync } from 'node:child_process';

/** Runs the layer rules over every layer; a run that saw no modules is a failure, not a pass. */
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
process.exit(failed ? 1 : 0);
