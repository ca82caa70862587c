import { resolve } from 'node:path';
import { adviseCommand } from './commands/advise.ts';
import { copyCommand } from './commands/copy.ts';
import { exportCommand } from './commands/export.ts';
import { importCommand } from './commands/import.ts';
import { restoreCommand } from './commands/restore.ts';
import { serveCommand } from './commands/serve.ts';
import { stageCommand } from './commands/stage.ts';
import { takeCommand } from './commands/take.ts';
import { StartFault, startFaultOf } from './db/start-fault.ts';

/** The only place that reads the environment and the command line, and ends the process. */
async function main(): Promise<void> {
  // What an archer wrote is nobody else's to read: every file made from here on is its owner's.
  process.umask(0o077);
  const file = resolve(process.env['KEEN_LIMB_DB'] ?? 'data/keen-limb.db');
  const [command = 'serve', ...rest] = process.argv.slice(2);
  try {
    switch (command) {
      case 'serve':
        await serveCommand({ file, env: process.env, program: process.argv[1] ?? '' });
        return;
      case 'copy':
        console.log(await copyCommand(file, rest[0] === 'daily' ? 'daily' : 'asked', Date.now()));
        return;
      case 'advise':
        await adviseCommand(process.stdin, process.stdout);
        return;
      case 'export':
        console.log(await exportCommand(file, rest));
        return;
      case 'import':
        await importCommand(file, rest, console.log);
        return;
      case 'stage':
        await stageCommand(file, rest, console.log);
        return;
      case 'take':
        await takeCommand(file, rest, { input: process.stdin, say: console.log });
        return;
      case 'restore':
        console.log(restoreCommand(rest[0], file, Date.now()));
        return;
      default:
        throw new StartFault(
          `There is no command "${command}": serve, copy, restore, export, import and advise are.`,
        );
    }
  } catch (error) {
    console.error(startFaultOf(error, file).message);
    process.exit(1);
  }
}

void main();
