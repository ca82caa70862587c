import type { NormalPrior } from '../numeric/grid-linear.ts';

/** 1 turn of reach out: the line leans outward by about so many mm a metre; the sign is likely, not certain. */
export const REACH_TO_LEAN: NormalPrior = { mean: 2.1, sd: 2 };
/** 1 turn of preload stiffer, mm a square metre: which way the line bows is not known beforehand. */
export const PRELOAD_TO_BEND: NormalPrior = { mean: 0, sd: 0.36 };
/** How a line of hits may lean, bend and lie off the mark before it is shot. */
export const WALK_LINE = {
  leanMmPerM: { mean: 0, sd: 5 },
  bendMmPerM2: { mean: 0, sd: 0.15 },
  aimMm: { mean: 0, sd: 200 },
} as const satisfies Record<string, NormalPrior>;
