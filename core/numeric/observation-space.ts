import { Matrix } from 'ml-matrix';
import { factorSymmetric } from './cholesky.ts';
import type { LinearObservation, NormalPrior } from './normal-equations.ts';

/** The posterior of the columns of a linear model: normal. */
export interface LinearPosterior {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

/**
 * Bayesian linear regression solved among the observations instead of among the columns, which is the
 * same and less work where there are fewer of them: with priors N(m, P) and K = X P Xᵀ + V,
 * mean = m + P Xᵀ K⁻¹ (y − X m), covariance = P − P Xᵀ K⁻¹ X P (Woodbury's identity).
 *
 * @param observations with no special parameter in them
 * @throws RangeError when a row has another length than the priors, or a spread is no number
 */
export function fitAmongObservations(
  observations: readonly LinearObservation[],
  priors: readonly NormalPrior[],
): LinearPosterior {
  const [count, width] = [observations.length, priors.length];
  const spread = priors.map(({ sd }) => sd ** 2);
  // X P, a row for each observation.
  const toColumns = observations.map(({ row }) => {
    if (row.length !== width)
      throw new RangeError(`fitAmongObservations: a row of ${row.length}, not ${width}`);
    return row.map((value, column) => value * spread[column]!);
  });
  const among = new Float64Array(count * count);
  for (let i = 0; i < count; i += 1) {
    for (let j = 0; j <= i; j += 1) among[i * count + j] = dot(toColumns[i]!, observations[j]!.row);
    among[i * count + i]! += observations[i]!.variance;
  }
  const factoring = factorSymmetric(Matrix.from1DArray(count, count, among));
  if (factoring.kind !== 'factored')
    throw new RangeError('fitAmongObservations: a spread is no number, or lost beside a wider one');
  const inverse = factoring.matrix.inverse();
  const surprise = observations.map(
    ({ row, y }) => y - row.reduce((sum, value, column) => sum + value * priors[column]!.mean, 0),
  );
  const mean = priors.map((prior) => prior.mean);
  const covariance = spread.map((variance, i) => spread.map((_, j) => (i === j ? variance : 0)));
  for (let i = 0; i < count; i += 1) {
    // K⁻¹ X P, a row at a time: as many steps as solving takes, not as many again for every pair.
    const solved = new Float64Array(width);
    let weight = 0;
    for (let j = 0; j < count; j += 1) {
      const share = inverse.get(i, j);
      weight += share * surprise[j]!;
      const row = toColumns[j]!;
      for (let b = 0; b < width; b += 1) solved[b]! += share * row[b]!;
    }
    for (const [a, value] of toColumns[i]!.entries()) {
      if (value === 0) continue;
      mean[a]! += value * weight;
      const row = covariance[a]!;
      for (let b = 0; b < width; b += 1) row[b]! -= value * solved[b]!;
    }
  }
  return { mean, covariance };
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < one.length; i += 1) sum += one[i]! * other[i]!;
  return sum;
}
