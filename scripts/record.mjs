import { spawnSync } from 'node:child_process';
import { ensureBuilt, ensurePackages } from './ensure.mjs';

/** `npm run copy`, `restore`, `export`, `import` and `advise`: the program's commands, without the server. */
ensurePackages();
ensureBuilt();
const { status } = spawnSync(process.execPath, ['dist/server/main.js', ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exit(status ?? 1);
