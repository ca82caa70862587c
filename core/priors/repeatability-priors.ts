import type { VariancePrior } from '../numeric/two-variances.ts';

/**
 * How well a reading repeats before a person's own are known, in squares of its typical spread:
 * seven parts in eight within one seating of the tool, the rest between seatings and days. Both are
 * worth few degrees: a tool may be twice as bad, and a square may never be seated twice alike.
 */
export const WITHIN_PRIOR: VariancePrior = { variance: 0.88, degrees: 3 };
export const SEATING_PRIOR: VariancePrior = { variance: 0.12, degrees: 1.5 };
