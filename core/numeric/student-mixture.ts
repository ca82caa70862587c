import cdf from '@stdlib/stats-base-dists-t-cdf';
import quantile from '@stdlib/stats-base-dists-t-quantile';
import { findRisingRoot } from './find-root.ts';

/** One Student t of a mixture. Weights of a mixture sum to 1. */
export interface StudentPart {
  readonly weight: number;
  readonly degrees: number;
  readonly mean: number;
  readonly scale: number;
}
export type StudentMixture = readonly StudentPart[];

/** A scale of zero is a point; the distribution needs a little width. */
const LEAST_SCALE = 1e-9;
/** A quantile is good to this share of the widest part, far below what is shown. */
const TOLERANCE = 2 ** -30;
/**
 * The library's quantile is off by less than this share of itself, and of 1 near the middle, where it says 0
 * for what lies within 1.3e-5.
 */
const QUANTILE_ERROR = 1e-4;

/** P(X ≤ x). */
export function studentMixtureCdf(mixture: StudentMixture, x: number): number {
  let total = 0;
  for (const { weight, degrees, mean, scale } of mixture)
    total += weight * cdf((x - mean) / Math.max(scale, LEAST_SCALE), degrees);
  return total;
}

export function studentMixtureMean(mixture: StudentMixture): number {
  return mixture.reduce((sum, { weight, mean }) => sum + weight * mean, 0);
}

/** About the mixture's mean, each part as wide as its scale: a little less than the t's own variance. */
export function studentMixtureVariance(mixture: StudentMixture): number {
  const centre = studentMixtureMean(mixture);
  return mixture.reduce(
    (sum, { weight, mean, scale }) => sum + weight * (scale ** 2 + (mean - centre) ** 2),
    0,
  );
}

/**
 * The quantile: it lies between those of the parts, and is looked for there.
 *
 * @param p strictly between 0 and 1
 * @throws RangeError for a p outside (0, 1), or for a part that is none
 */
function studentMixtureQuantile(mixture: StudentMixture, p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`studentMixtureQuantile: p is ${p}`);
  const ofDegrees = new Map<number, number>();
  let [low, high, reach] = [Infinity, -Infinity, LEAST_SCALE];
  for (const { degrees, mean, scale } of mixture) {
    let standard = ofDegrees.get(degrees);
    if (standard === undefined) ofDegrees.set(degrees, (standard = quantile(p, degrees)));
    const width = Math.max(scale, LEAST_SCALE);
    const slack = width * Math.max(1, Math.abs(standard)) * QUANTILE_ERROR;
    low = Math.min(low, mean + width * standard - slack);
    high = Math.max(high, mean + width * standard + slack);
    reach = Math.max(reach, width);
  }
  const root = findRisingRoot(
    (x) => studentMixtureCdf(mixture, x) - p,
    low,
    high,
    reach * TOLERANCE,
  );
  switch (root.kind) {
    case 'converged':
      return root.at;
    case 'stalled':
      return (root.low + root.high) / 2;
    case 'noBracket':
      throw new RangeError(`studentMixtureQuantile: no quantile ${p} between ${low} and ${high}`);
  }
}

/** Half the central interval. @param level e.g. 0.9, the program's ± everywhere */
export function studentMixtureHalfWidth(mixture: StudentMixture, level = 0.9): number {
  if (!(level > 0 && level < 1))
    throw new RangeError(`studentMixtureHalfWidth: level ${level} must be in 0…1`);
  const centre = mixture[0]?.mean ?? 0;
  if (mixture.every(({ mean }) => mean === centre))
    return studentMixtureQuantile(mixture, (1 + level) / 2) - centre;
  return (
    (studentMixtureQuantile(mixture, (1 + level) / 2) -
      studentMixtureQuantile(mixture, (1 - level) / 2)) /
    2
  );
}

/** The same in another unit: every mean and scale times `factor`, above 0. */
export function studentMixtureScaled(mixture: StudentMixture, factor: number): StudentMixture {
  return mixture.map((part) => ({
    ...part,
    mean: part.mean * factor,
    scale: part.scale * factor,
  }));
}
