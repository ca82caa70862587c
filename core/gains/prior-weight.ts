import { N_PER_LBF } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';

/** Stands in until a bow has been weighed or a mark is known. */
const UNWEIGHED_N = 40 * N_PER_LBF;

/**
 * What rules of thumb are scaled by: the first weight read, else the mark, else a middling bow's. Not
 * the present one: a prior must not follow the data that are held against it.
 */
export function priorWeightN(state: BowState): number {
  return (
    state.readings.get('drawWeight')?.at(0)?.mean ?? state.bow.maker.markedWeightN ?? UNWEIGHED_N
  );
}
