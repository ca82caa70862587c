import { findRisingRoot } from '../numeric/find-root.ts';
import {
  mixtureCdf,
  mixtureMean,
  mixtureQuantile,
  type NormalMixture,
} from '../numeric/normal-mixture.ts';
import { scaleSlope } from './marks-model.ts';
import { type MarksPosterior, slopeMixture } from './marks-posterior.ts';

const MM_PER_M = 1000;
/** Nearer than this nobody lays a point on a mark, and farther than this it is not looked for, m. */
const POINT_ON_M = { least: 2, most: 120 } as const;
/** No crawl is deeper than a hand under the nock, mm. */
const DEEPEST_CRAWL_MM = 90;
const POINT_ON_TO_M = 0.005;
const CRAWL_TO_MM = 0.005;

/** A figure with where it lies nine times in ten. */
export interface Interval {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
}

/** The interval of a mixture, in another unit by a factor (which may turn it round). */
function intervalOf(mixture: NormalMixture, factor: number): Interval {
  const ends = [0.05, 0.95].map((p) => factor * mixtureQuantile(mixture, p));
  return {
    middle: factor * mixtureMean(mixture),
    low: Math.min(...ends),
    high: Math.max(...ends),
  };
}

/** What the scale has to read for a distance, in its units; null: without a sight, or out of reach. */
export function sightMark(posterior: MarksPosterior, distanceM: number): Interval | null {
  const { aiming } = posterior;
  if (aiming.kind !== 'sight') return null;
  const mixture = slopeMixture(posterior, distanceM);
  return mixture.length === 0 ? null : intervalOf(mixture, 1 / scaleSlope(aiming));
}

/** How far above the mark it lands with the point laid on it, mm; null: with a sight, or out of reach. */
export function pointHits(
  posterior: MarksPosterior,
  distanceM: number,
  crawlMm = 0,
): Interval | null {
  if (posterior.aiming.kind === 'sight') return null;
  const mixture = slopeMixture(posterior, distanceM, crawlMm);
  return mixture.length === 0 ? null : intervalOf(mixture, distanceM * MM_PER_M);
}

/**
 * The distance at which the point lies on the mark it hits, m; an end at the edge of what is looked at is beyond it.
 * Null with a sight.
 */
export function pointOn(posterior: MarksPosterior, crawlMm = 0): Interval | null {
  if (posterior.aiming.kind === 'sight') return null;
  // Farther than d is its point-on wherever it still lands high at d.
  return soughtBy(
    (distanceM) => mixtureCdf(slopeMixture(posterior, distanceM, crawlMm), 0),
    POINT_ON_M.least,
    POINT_ON_M.most,
    POINT_ON_TO_M,
  );
}

/** The crawl that hits the mark the point is laid on, mm; null for another aim. Less than none is none. */
export function crawlFor(posterior: MarksPosterior, distanceM: number): Interval | null {
  if (posterior.aiming.kind !== 'crawl') return null;
  return soughtBy(
    (crawlMm) => mixtureCdf(slopeMixture(posterior, distanceM, crawlMm), 0),
    0,
    DEEPEST_CRAWL_MM,
    CRAWL_TO_MM,
  );
}

/** Where a rising chance passes a half, and its ends nine times in ten. */
function soughtBy(
  chance: (x: number) => number,
  least: number,
  most: number,
  to: number,
): Interval {
  const at = (p: number) => {
    if (chance(least) >= p) return least;
    const found = findRisingRoot((x) => chance(x) - p, least, most, to);
    return found.kind === 'converged' ? found.at : most;
  };
  return { middle: at(0.5), low: at(0.05), high: at(0.95) };
}
