import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';

/** Where the program is, and which record it is to work on. */
export interface ProgramBeside {
  /** The built server. */
  readonly program: string;
  readonly record: string;
}

/** One run of the program in a process of its own. */
interface RunBeside {
  readonly args: readonly string[];
  /** What it reads on its standard input. */
  readonly input?: string;
  /** Kills it. */
  readonly signal?: AbortSignal;
  readonly onLine: (line: string) => void;
}

/** Runs a command beside the server, so that heavy work holds up no request; ends when it does. */
export function runBeside(
  { program, record }: ProgramBeside,
  { args, input, signal, onLine }: RunBeside,
): Promise<void> {
  return new Promise((done, failed) => {
    const child = spawn(process.execPath, [program, ...args], {
      env: { ...process.env, KEEN_LIMB_DB: record },
      stdio: ['pipe', 'pipe', 'inherit'],
      ...(signal === undefined ? {} : { signal }),
      killSignal: 'SIGKILL',
    });
    createInterface({ input: child.stdout }).on('line', onLine);
    child.once('error', failed);
    child.once('close', () => done());
    // One that ended before it read has said why, or says nothing: that is noticed where it closes.
    child.stdin.on('error', () => undefined);
    child.stdin.end(input ?? '');
  });
}
