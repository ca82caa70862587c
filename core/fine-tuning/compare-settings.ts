import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { logVariance } from '../numeric/log-variance.ts';
import type { TunedEnd } from './fine-tuning.ts';

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;

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
 * Ratio of two groups with its 90 % interval, from the squares of their ends.
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

function pooled(ends: readonly TunedEnd[]) {
  const squares = ends.reduce((sum, { squaresMm2 }) => sum + squaresMm2, 0);
  return logVariance(
    Math.max(1, squares),
    ends.reduce((sum, { degrees }) => sum + degrees, 0),
  );
}
