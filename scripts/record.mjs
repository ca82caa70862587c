import { spawnSync } from 'node:child_process';
import { ensureBuilt, ensurePackages } from './ensure.mjs';

/** `npm run copy` and `npm run restore FILE`: the server's own commands, without the server. */
ensurePackages();
ensureBuilt();
const { status } = spawnSync(process.execPath, ['dist/server/main.js', ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exit(status ?? 1);
