import { HALF_90 } from '../numeric/half-90.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { logVariance } from '../numeric/log-variance.ts';
import type { TunedEnd } from './tuned-end.ts';

/** One end is not like the next, with nothing changed: this much variance of ln σ². */
const END_VARIANCE = 0.14;
/** Shots have heavier tails than a normal: ln of a variance scatters so much more than its χ² says. */
const HEAVY_TAILS = 2.2;

/** Two settings shot side by side: how many times as large one group is as the other. */
export interface GroupComparison {
  /** Group of one over group of the other; under 1: one is tighter. */
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  /** Chance that one is the tighter. */
  readonly oneIsBetter: number;
}

/**
 * Ratio of two groups with its 90 % interval, from the squares of their ends: ends of one setting differ
 * by themselves, and shots have heavy tails, so that more shots of one end do not make it ever surer.
 *
 * @returns null unless both were shot
 */
export function compareSettings(
  one: readonly TunedEnd[],
  other: readonly TunedEnd[],
): GroupComparison | null {
  if (one.length === 0 || other.length === 0) return null;
  const [first, second] = [pooled(one), pooled(other)];
  const log = (first.mean - second.mean) / 2;
  const sd = Math.sqrt(first.variance + second.variance) / 2;
  return {
    ratio: Math.exp(log),
    low: Math.exp(log - HALF_90 * sd),
    high: Math.exp(log + HALF_90 * sd),
    oneIsBetter: normalCdf(-log / sd, 0, 1),
  };
}

/** Ends weighed by how well each is known. */
function pooled(ends: readonly TunedEnd[]) {
  let precision = 0;
  let weighted = 0;
  for (const { squaresMm2, degrees } of ends) {
    const seen = logVariance(Math.max(1, squaresMm2), degrees);
    const weight = 1 / (HEAVY_TAILS * seen.variance + END_VARIANCE);
    precision += weight;
    weighted += weight * seen.mean;
  }
  return { mean: weighted / precision, variance: 1 / precision };
}
