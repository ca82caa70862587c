import type { BowState } from '../log/bow-state.ts';
import { instantMs } from '../quantity/instant.ts';

/** What was moved on the first bow since the back-up was last brought after it. */
export interface FirstBowChanged {
  readonly since: BowState['upsets'];
  readonly lastAt: string;
}

/**
 * Changes of the first bow that are newer than the back-up's making and its own last change: a back-up
 * is only one while somebody follows.
 *
 * @returns null when the first bow stands as the back-up knows it
 */
export function firstBowChanged(first: BowState, backUp: BowState): FirstBowChanged | null {
  const made = backUp.active[0]?.at ?? backUp.lastAt;
  const followedMs = Math.max(instantMs(made), ...backUp.upsets.map(({ at }) => instantMs(at)));
  const since = first.upsets.filter(({ at }) => instantMs(at) > followedMs);
  const last = since.at(-1);
  return last === undefined ? null : { since, lastAt: last.at };
}
