import tQuantile from '@stdlib/stats-base-dists-t-quantile';

/** Squares about a mean, and how many of them are free. */
export interface Squares {
  readonly squares: number;
  readonly degrees: number;
}

/** A variance as it is held before anything is seen: worth so many degrees of one's own. */
export interface VariancePrior {
  readonly variance: number;
  readonly degrees: number;
}

/** A variance learned, and how well. */
interface LearnedVariance {
  readonly variance: number;
  readonly degrees: number;
}

/** y = μ + b + w: w differs with every repeat, b is shared by the repeats taken together. */
export interface TwoVariances {
  readonly within: LearnedVariance;
  readonly between: LearnedVariance;
}

/**
 * Both variances of a one-way layout, each with what was held before as so many degrees: within from
 * the repeats about their own means, between from the squares of means of n about theirs, less what
 * the repeats alone would make of them (ν s² / n), never below nothing.
 *
 * @param between one for each size of set; `n` repeats stand behind every mean
 */
export function fitTwoVariances(
  priors: { readonly within: VariancePrior; readonly between: VariancePrior },
  within: Squares,
  between: readonly (Squares & { readonly n: number })[],
): TwoVariances {
  const inside = pooled(priors.within, within);
  const beyond = between.reduce(
    (sum, { squares, degrees, n }) => sum + squares - (degrees * inside.variance) / n,
    0,
  );
  const degrees = between.reduce((sum, means) => sum + means.degrees, 0);
  return {
    within: inside,
    between: pooled(priors.between, { squares: Math.max(0, beyond), degrees }),
  };
}

function pooled(prior: VariancePrior, { squares, degrees }: Squares): LearnedVariance {
  const all = prior.degrees + degrees;
  return { variance: (prior.degrees * prior.variance + squares) / all, degrees: all };
}

/** Variance of the mean of n repeats taken together, about the truth: between + within / n. */
export function varianceOfMean({ within, between }: TwoVariances, n: number): number {
  return between.variance + within.variance / n;
}

/**
 * Half the central interval of the mean of n repeats taken together: Student's t with the degrees
 * that a sum of two estimated variances has (Satterthwaite: v² / (b² / ν_b + w² / ν_w)).
 *
 * @param share of it held, strictly between 0 and 1
 */
export function halfWidthOfMean(variances: TwoVariances, n: number, share: number): number {
  const { within, between } = variances;
  const variance = varianceOfMean(variances, n);
  if (variance === 0) return 0;
  const degrees =
    variance ** 2 /
    (between.variance ** 2 / between.degrees + (within.variance / n) ** 2 / within.degrees);
  return Math.sqrt(variance) * tQuantile((1 + share) / 2, degrees);
}
