import { MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { BowFacts } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { presentValue } from './present-reading.ts';

/** Draw weight gained per inch of draw near full draw, typical. */
const N_PER_INCH_OF_DRAW = 2 * N_PER_LBF;
/** Fingers hold more than a scale's hook reads: 0.5 to 1.5 lb. */
const FINGERS_ADD_N = 1 * N_PER_LBF;

/** What the weight should come to at this archer's draw, from the mark on the limb; null without one. */
export function expectedWeightN(bow: BowFacts): number | null {
  const { markedWeightN, markedDrawMm } = bow.maker;
  if (markedWeightN === undefined) return null;
  if (markedDrawMm === undefined || bow.amoDrawMm === undefined) return markedWeightN;
  return markedWeightN + (N_PER_INCH_OF_DRAW * (bow.amoDrawMm - markedDrawMm)) / MM_PER_IN;
}

/**
 * What this bow draws on the fingers now, N: the last weighing moved by what was turned since, else the
 * mark, and what fingers add to either. Null while neither is known.
 */
export function presentWeightN(state: BowState): number | null {
  const onTheHookN = presentValue(state, 'drawWeight') ?? expectedWeightN(state.bow);
  return onTheHookN === null ? null : onTheHookN + FINGERS_ADD_N;
}
