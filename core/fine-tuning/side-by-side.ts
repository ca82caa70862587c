import { compareSettings, type GroupComparison } from './compare-settings.ts';
import type { TunedEnd } from './tuned-end.ts';

/** Ends farther apart are not side by side: archer, light and wind are others by then. */
const BLOCK_MS = 30 * 60_000;

/** One, the other, and the one again. */
const WHOLE = 3;

/** An end of a finish, and when its last shot was. */
export interface FinishEnd {
  readonly end: TunedEnd;
  readonly atMs: number;
}

/** Two settings shot against each other: one, the other, and the one again. */
export interface SideBySide {
  /** Null until both were shot in one block. */
  readonly comparison: GroupComparison | null;
  /** What is to be shot next; null when the block is whole. */
  readonly next: number | null;
  readonly bestEnds: number;
  readonly otherEnds: number;
  /** Ends at either that belong to no such block: more than half an hour off, or in other wind. */
  readonly apart: number;
}

/**
 * Takes from a finish the ends that were shot side by side: within half an hour and in like wind. Of
 * several such blocks the last whole one counts; while there is none, the one being shot.
 *
 * @param ends in the order they were shot
 */
export function sideBySide(ends: readonly FinishEnd[], best: number, other: number): SideBySide {
  const these = ends.filter(({ end }) => end.setting === best || end.setting === other);
  const blocks = these.map((last, at) =>
    these
      .slice(0, at + 1)
      .filter(({ end, atMs }) => last.atMs - atMs <= BLOCK_MS && end.windy === last.end.windy),
  );
  const whole = blocks.findLast((one) => shotOf(one, best, other) === WHOLE);
  const block = whole ?? blocks.at(-1) ?? [];
  const at = (setting: number) =>
    block.flatMap(({ end }) => (end.setting === setting ? [end] : []));
  return {
    comparison: compareSettings(at(best), at(other)),
    next: [best, other, best][shotOf(block, best, other)] ?? null,
    bestEnds: at(best).length,
    otherEnds: at(other).length,
    apart: these.length - block.length,
  };
}

/** How much of one, the other, the one again a block holds, in that order: 0 to 3. */
function shotOf(block: readonly FinishEnd[], best: number, other: number): number {
  const wanted = [best, other, best];
  let shot = 0;
  for (const { end } of block) if (end.setting === wanted[shot]) shot += 1;
  return shot;
}
