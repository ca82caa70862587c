import { ensurePackages, run } from './ensure.mjs';

/** Plants faults in limits, cautions, units and signs, and counts how many the tests notice. */
ensurePackages();
run('npx', ['--no-install', 'stryker', 'run', ...process.argv.slice(2)]);
