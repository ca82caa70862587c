import { spawnSync } from 'node:child_process';

/** Runs the layer rule over every layer; a run that saw no modules is a failure, not a pass. */
const LAYERS = ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench'];
const { status, stdout, stderr } = spawnSync(
  'npx',
  [
    '--no-install',
    'depcruise',
    '--config',
    'dependency-cruiser.cjs',
    '--output-type',
    'err',
    ...LAYERS,
  ],
  { encoding: 'utf8' },
);
process.stdout.write(stdout);
process.stderr.write(stderr.replace(/^npm warn.*\n/gm, ''));
const cruised = /\((\d+) modules/.exec(stdout);
if (status === 0 && (cruised === null || Number(cruised[1]) === 0)) {
  console.error('The layer check saw no modules at all.');
  process.exit(1);
}
process.exit(status ?? 1);
