import { ensureBuilt, ensurePackages, run } from './ensure.mjs';

/**
 * What `npm test` does in small, at length: odd requests against every route, the plug pulled under
 * load with copies and migrations at work, and bytes turned in the record's file.
 */
ensurePackages();
ensureBuilt();
const option = (name, otherwise) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : process.argv[at + 1];
};
const TORTURES = {
  requests: 'server/odd-requests.test.ts',
  kills: 'server/kill.test.ts',
  flips: 'server/db/damage.test.ts',
};
const only = option('only', null);
if (only !== null && !(only in TORTURES)) {
  console.error(`--only takes one of ${Object.keys(TORTURES).join(', ')}.`);
  process.exit(2);
}
const files = only === null ? Object.values(TORTURES) : [TORTURES[only]];
run('npx', ['--no-install', 'vitest', 'run', '--testTimeout', '7200000', ...files], {
  env: {
    ...process.env,
    KEEN_LIMB_ODD_REQUESTS: option('runs', '5000'),
    KEEN_LIMB_KILLS: option('kills', '200'),
    KEEN_LIMB_FLIPS: option('flips', '2000'),
    KEEN_LIMB_SEED: option('seed', String(Date.now() % 2 ** 31)),
  },
});
