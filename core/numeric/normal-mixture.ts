import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** One normal of a mixture. Weights of a mixture sum to 1. */
export interface WeightedNormal {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}
export type NormalMixture = readonly WeightedNormal[];

const MOST_HALVINGS = 80;
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
 * The quantile of a mixture kept to one side of zero (or to none), by bisection.
 *
 * @param p strictly between 0 and 1
 * @param sign 1 keeps X > 0, −1 keeps X < 0, 0 keeps all
 * @throws RangeError for a p outside (0, 1)
 */
export function mixtureQuantile(mixture: NormalMixture, p: number, sign: -1 | 0 | 1 = 0): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`mixtureQuantile: p is ${p}`);
  const below = sign === 0 ? 0 : mixtureCdf(mixture, 0);
  const [from, kept] = sign === 1 ? [below, 1 - below] : sign === -1 ? [0, below] : [0, 1];
  const wanted = from + p * kept;
  const [only] = mixture;
  if (mixture.length === 1 && only !== undefined)
    return only.sd > LEAST_SD ? normalQuantile(wanted, only.mean, only.sd) : only.mean;
  const reach = 12;
  let low = Math.min(...mixture.map(({ mean, sd }) => mean - reach * sd));
  let high = Math.max(...mixture.map(({ mean, sd }) => mean + reach * sd));
  if (sign === 1) low = Math.max(low, 0);
  if (sign === -1) high = Math.min(high, 0);
  const close = QUANTILE_TOLERANCE * mixtureSd(mixture);
  for (let halving = 0; halving < MOST_HALVINGS && high - low > close; halving += 1) {
    const middle = (low + high) / 2;
    if (mixtureCdf(mixture, middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
