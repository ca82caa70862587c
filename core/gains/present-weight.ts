import { N_PER_LBF } from '../quantity/units.ts';
import type { BowState } from '../record/fold.ts';

/** Stands in until a bow has been weighed or a mark is known. */
const UNWEIGHED_N = 40 * N_PER_LBF;

/** Draw weight for scaling gains: first measured, else marked, else a middling bow's. */
export function presentWeightN(state: BowState): number {
  return (
    state.readings.get('drawWeight')?.at(0)?.mean ?? state.bow.maker.markedWeightN ?? UNWEIGHED_N
  );
}
