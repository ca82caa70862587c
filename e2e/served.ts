import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

/** A record that is served, until one or the other. */
export interface Served {
  readonly port: number;
  /** As Ctrl-C does: its journal is brought into the file. */
  readonly end: () => Promise<void>;
  /** Pulls the plug: nothing is brought anywhere. */
  readonly kill: () => Promise<void>;
}

type Environment = Readonly<Record<string, string>>;

const PROGRAM = 'dist/server/main.js';
/** What serves a record, built for the tests; the program itself holds it too. */
export const SERVE_RECORD = 'dist/e2e/serve-record.js';

/**
 * Serves in this process: a program that has answered a hundred tests is quick, one just begun spends
 * more on beginning than on the test.
 */
export async function serveHere(environment: Environment): Promise<Served> {
  const { serveRecord } = (await import(
    pathToFileURL(resolve(SERVE_RECORD)).href
  )) as typeof import('../server/commands/serve-record.ts');
  const { port, end } = await serveRecord({
    file: environment['KEEN_LIMB_DB'] ?? '',
    env: { ...process.env, ...environment },
    program: resolve(PROGRAM),
    pagesDir: resolve('dist/web'),
  });
  return {
    port,
    end,
    kill: () => Promise.reject(new Error('only a process of its own can be killed')),
  };
}

/** Serves as `npm start` does, in a process of its own. */
export async function serveBeside(environment: Environment): Promise<Served> {
  const child = spawn(process.execPath, [PROGRAM], {
    env: { ...process.env, ...environment },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const port = await new Promise<number>((known, failed) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/localhost:(\d+)/.exec(said);
      if (found?.[1] !== undefined) known(Number(found[1]));
    });
    child.on('exit', () => {
      failed(new Error(`the server ended: ${said}`));
    });
  });
  const endWith = async (signal: NodeJS.Signals) => {
    if (child.exitCode !== null) return;
    const ended = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await ended;
  };
  return { port, end: () => endWith('SIGTERM'), kill: () => endWith('SIGKILL') };
}
