import { spawn } from 'node:child_process';
import { ensureBuilt, ensurePackages } from './ensure.mjs';

ensurePackages();
ensureBuilt();
const server = spawn(process.execPath, ['dist/server/main.js'], { stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
