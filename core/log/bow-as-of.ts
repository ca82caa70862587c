import type { BowState } from './bow-state.ts';
import type { LoggedEntry } from './entry.ts';
import { foldLog } from './fold.ts';
import { takenBy } from './taken-order.ts';

/** A bow as it was: what had been logged by then, and what that made of it. */
export interface BowAsOf {
  readonly log: readonly LoggedEntry[];
  readonly state: BowState;
}

/**
 * The bow as it was at a moment: with all that had been taken by then, wherever and whenever it
 * arrived, and nothing of what came later, an undo of it included.
 *
 * @param log in taken order
 * @returns null where the bow was not made yet
 */
export function bowAsOf(
  log: readonly LoggedEntry[],
  momentMs: number,
  unreadable = 0,
): BowAsOf | null {
  const then = takenBy(log, momentMs);
  const state = foldLog(then, unreadable);
  return state === null ? null : { log: then, state };
}
