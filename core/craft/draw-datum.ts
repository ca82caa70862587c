import { MM_PER_IN } from '../quantity/units.ts';

/** The AMO draw length is the one to the pivot point and 1 3/4 in, mm. */
export const PIVOT_TO_AMO_MM = 1.75 * MM_PER_IN;
