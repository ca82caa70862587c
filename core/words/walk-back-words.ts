import type { DistanceRefusal } from '../walk-back/walk-back-plan.ts';

/** Why a distance of a walk-back is not shot from. */
export const REFUSED_WORDS: Readonly<Record<DistanceRefusal, string>> = {
  below: 'it could fall below the butt',
  over: 'it could pass over the butt: hang the mark lower',
  aside: 'it could pass beside the butt',
  tooNarrow: 'the butt is too small for this scatter',
};
