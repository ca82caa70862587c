import type { VariancePrior } from '../numeric/two-variances.ts';

/** One shot after another at one height, dB: the same bow never sounds quite the same. */
export const SHOT_NOISE_DB: VariancePrior = { variance: 0.8 ** 2, degrees: 4 };

/**
 * How far apart heights still sound alike, as shares of the range searched. The next height is chosen for
 * curves as smooth as bows usually are; what is claimed reckons with rougher ones.
 */
export const ALIKE_OVER_RANGE: readonly number[] = [0.35, 0.7, 1.5];
export const ROUGH_OVER_RANGE: readonly number[] = [0.22, 0.37, 0.7, 1.2];
/** How much noise differs over the range, one standard deviation, dB. */
export const DIFFERS_DB: readonly number[] = [1, 3, 9];
/** A microphone has no scale of its own: the level of all heights together is not known, dB. */
export const LEVEL_SD_DB = 12;

/** By ear: a difference smaller than this is called the same, dB. */
export const SAME_WITHIN_DB = 0.7;
/** The ear and its memory of ten minutes, one standard deviation of a difference, dB. */
export const EAR_SD_DB = 0.8;
/** So many answers by ear have nothing to do with what sounded. */
export const EAR_LAPSES = 0.2;

/**
 * By ear, before anything was heard: most bows have one quiet place, anywhere in the maker's range, and grow louder to
 * either side of it, over half the range by 2 to 12 dB. The others go up and down.
 */
export const ONE_VALLEY = { share: 0.75, leastDb: 2, mostDb: 12 } as const;
