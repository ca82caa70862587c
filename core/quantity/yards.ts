/** The international yard. */
export const METRES_PER_YARD = 0.9144;
