import { ensurePackages, run } from './ensure.mjs';

/** What `npm test` does in small, at length: thousands of odd requests against every route. */
ensurePackages();
const option = (name, otherwise) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : process.argv[at + 1];
};
const seed = option('seed', String(Date.now() % 2 ** 31));
run('npx', ['--no-install', 'vitest', 'run', 'server/odd-requests.test.ts'], {
  env: {
    ...process.env,
    KEEN_LIMB_ODD_REQUESTS: option('runs', '5000'),
    KEEN_LIMB_SEED: seed,
  },
});
