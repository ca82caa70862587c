import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { findRisingRoot } from './find-root.ts';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** One normal of a mixture. Weights of a mixture sum to 1. */
export interface WeightedNormal {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}
export type NormalMixture = readonly WeightedNormal[];

/** Thinner than this nothing is kept at all: the numbers end. */
const LEAST_KEPT = 1e-300;
/** The closed form loses its digits for tails thinner than this. */
const LEAST_BY_FORMULA = 1e-8;
/** Beyond this many standard deviations a component holds nothing. */
const REACH = 12;
/** A quantile is good to this share of the mixture's spread. */
const QUANTILE_TOLERANCE = 1e-7;
/** A component narrower than this share of its spread is as good as a point. */
const LEAST_SD = 1e-12;

export function mixtureMean(mixture: NormalMixture): number {
  return mixture.reduce((sum, part) => sum + part.weight * part.mean, 0);
}

function mixtureSd(mixture: NormalMixture): number {
  const mean = mixtureMean(mixture);
  return Math.sqrt(
    mixture.reduce((sum, part) => sum + part.weight * (part.sd ** 2 + (part.mean - mean) ** 2), 0),
  );
}

/** P(X ≤ x). */
export function mixtureCdf(mixture: NormalMixture, x: number): number {
  let sum = 0;
  for (const { weight, mean, sd } of mixture)
    sum += weight * normalCdf(x, mean, Math.max(sd, LEAST_SD));
  return sum;
}

/**
 * The quantile of a mixture kept to one side of zero (or to none). Where next to nothing of it lies
 * on that side the answer is close to zero, never beyond it.
 *
 * @param p strictly between 0 and 1
 * @param sign 1 keeps X > 0, −1 keeps X < 0, 0 keeps all
 * @throws RangeError for a p outside (0, 1)
 */
export function mixtureQuantile(mixture: NormalMixture, p: number, sign: -1 | 0 | 1 = 0): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`mixtureQuantile: p is ${p}`);
  // A lower tail keeps its digits however thin it is; 1 less a thin upper tail keeps none.
  if (sign === 1) {
    const mirrored = mixture.map(({ weight, mean, sd }) => ({ weight, mean: -mean, sd }));
    return 0 - mixtureQuantile(mirrored, 1 - p, -1);
  }
  if (sign === 0) return quantileOf(mixture, p, Number.POSITIVE_INFINITY);
  const kept = mixtureCdf(mixture, 0);
  return kept > LEAST_KEPT ? Math.min(0, quantileOf(mixture, p * kept, 0)) : 0;
}

/** Where the mixture's distribution function reaches `wanted`, not above `highest`. */
function quantileOf(mixture: NormalMixture, wanted: number, highest: number): number {
  const [only] = mixture;
  if (mixture.length === 1 && only !== undefined) {
    if (only.sd <= LEAST_SD) return only.mean;
    if (wanted > LEAST_BY_FORMULA) return normalQuantile(wanted, only.mean, only.sd);
  }
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const { mean, sd } of mixture) {
    // Down from the highest, too: all that is kept may lie in the far tail.
    low = Math.min(low, mean - REACH * sd, highest - REACH * sd);
    high = Math.max(high, mean + REACH * sd);
  }
  high = Math.min(high, highest);
  const close = QUANTILE_TOLERANCE * mixtureSd(mixture);
  if (!(high > low && close > 0)) return (low + high) / 2;
  const root = findRisingRoot((x) => mixtureCdf(mixture, x) - wanted, low, high, close / 2);
  switch (root.kind) {
    case 'converged':
      return root.at;
    case 'stalled':
      return (root.low + root.high) / 2;
    case 'noBracket':
      // So little is kept on this side that its end holds all of it.
      return mixtureCdf(mixture, high) < wanted ? high : low;
  }
}
