/** Pauses between attempts, ms: soon at first, then ever less often, never less than once a minute. */
const FIRST_MS = 2000;
const MOST_MS = 60_000;

/** @param failures how many attempts have failed in a row; at least one */
export function pauseMs(failures: number): number {
  return Math.min(MOST_MS, FIRST_MS * 2 ** (Math.max(1, failures) - 1));
}
