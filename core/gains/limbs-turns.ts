import type { BowState } from '../log/bow-state.ts';

/** The turns of strings that had the limbs now on the bow under them: a gain is learned of no others. */
export function turnsOfTheseLimbs({ limbs, stringTurns }: BowState): ReadonlySet<number> {
  return new Set(
    stringTurns.flatMap(({ limbsId }, turn) => (limbsId === limbs.fitted.limbsId ? [turn] : [])),
  );
}
