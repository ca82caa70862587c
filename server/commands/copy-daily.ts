import { spawn } from 'node:child_process';
import { lastDailyMs } from '../db/copies.ts';
import { StartFault } from '../db/start-fault.ts';

const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;
/** Looked at this soon after the start, and then as often as this. */
const FIRST_LOOK_MS = 60_000;

/**
 * Hours between two copies, as the environment says.
 *
 * @throws StartFault when it says no number of hours
 */
export function copyHoursOf(said: string | undefined): number {
  if (said === undefined || said.trim() === '') return DAY_HOURS;
  const hours = Number(said);
  if (hours >= 0 && Number.isFinite(hours)) return hours;
  throw new StartFault(
    `KEEN_LIMB_COPY_HOURS is "${said}", which is no number of hours. Nothing was touched. Say 24 for a copy a day, 0 for none, or leave it out.`,
  );
}

interface DailyCopies {
  readonly file: string;
  readonly program: string;
  readonly env: Readonly<Record<string, string | undefined>>;
  /** Hours between two copies; 0: none are made. */
  readonly everyHours: number;
  readonly nowMs: () => number;
}

/**
 * Makes a copy a day while the server runs, when something has changed. In a process of its own, so
 * that reading a large copy through holds up no request.
 *
 * @returns what ends it
 */
export function copyDaily({ file, program, env, everyHours, nowMs }: DailyCopies): () => void {
  const everyMs = everyHours * HOUR_MS;
  if (!(everyMs > 0)) return () => undefined;
  const lookMs = Math.min(HOUR_MS, everyMs);
  const look = () => {
    const last = lastDailyMs(file);
    if (last !== null && nowMs() - last < everyMs) return;
    const copying = spawn(process.execPath, [program, 'copy', 'daily'], {
      env: { ...env, KEEN_LIMB_DB: file },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    copying.on('error', (error) => {
      console.error(`The daily copy could not be made: ${error.message}`);
    });
    copying.unref();
  };
  const first = setTimeout(look, Math.min(FIRST_LOOK_MS, lookMs));
  const again = setInterval(look, lookMs);
  first.unref();
  again.unref();
  return () => {
    clearTimeout(first);
    clearInterval(again);
  };
}
