import digamma from '@stdlib/math-base-special-digamma';
import trigamma from '@stdlib/math-base-special-trigamma';

/** What a sum of squares says of the logarithm of its variance. */
export interface LogVariance {
  readonly mean: number;
  readonly variance: number;
}

/**
 * ln σ² from squares about their mean: ln(S/ν) is biased by ψ(ν/2) − ln(ν/2) and scatters with
 * ψ′(ν/2). (Moments of the logarithm of a χ².)
 *
 * @param squares sum of squares, above 0
 * @param degrees of freedom, at least 1
 */
export function logVariance(squares: number, degrees: number): LogVariance {
  const half = degrees / 2;
  return {
    mean: Math.log(squares / degrees) - (digamma(half) - Math.log(half)),
    variance: trigamma(half),
  };
}
