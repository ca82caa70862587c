import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { HEARD, type Heard } from '../craft/search-terms.ts';
import { EAR_LAPSES, EAR_SD_DB, SAME_WITHIN_DB } from '../priors/brace-search-priors.ts';

/** ln of the chance of an answer, with its slope and curvature in the true difference. */
export interface HeardLikelihood {
  readonly log: number;
  readonly slope: number;
  readonly curvature: number;
}

/**
 * An answer of three, given how much louder the height truly is: an ordered probit (two thresholds at
 * ± what is called the same, the ear's own normal error), of which a share is answered at random.
 *
 * @param louderByDb this height less the one before
 */
export function heardLikelihood(heard: Heard, louderByDb: number): HeardLikelihood {
  const low = (-SAME_WITHIN_DB - louderByDb) / EAR_SD_DB;
  const high = (SAME_WITHIN_DB - louderByDb) / EAR_SD_DB;
  // Of the ear's own axis: quieter below the lower threshold, louder above the upper one.
  const [from, to] =
    heard === 'quieter'
      ? [Number.NEGATIVE_INFINITY, low]
      : heard === 'same'
        ? [low, high]
        : [high, Number.POSITIVE_INFINITY];
  const heeding = 1 - EAR_LAPSES;
  const chance = EAR_LAPSES / HEARD.length + heeding * (cdf(to) - cdf(from));
  const first = (heeding * (density(from) - density(to))) / EAR_SD_DB;
  const second = (heeding * (slopeOf(to) - slopeOf(from))) / EAR_SD_DB ** 2;
  return {
    log: Math.log(chance),
    slope: first / chance,
    curvature: second / chance - (first / chance) ** 2,
  };
}

const cdf = (z: number): number => (Number.isFinite(z) ? normalCdf(z, 0, 1) : z < 0 ? 0 : 1);
const density = (z: number): number =>
  Number.isFinite(z) ? Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI) : 0;
/** Of the density: −z φ(z). */
const slopeOf = (z: number): number => (Number.isFinite(z) ? -z * density(z) : 0);
