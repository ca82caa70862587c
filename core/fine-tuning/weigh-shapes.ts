import { Matrix } from 'ml-matrix';
import { factorSymmetric } from '../numeric/cholesky.ts';
import type { NormalPrior } from '../numeric/grid-linear.ts';

/** y = row · θ + shape at its place + e, e ~ N(0, variance). */
export interface ShapedObservation {
  readonly row: readonly number[];
  readonly place: number;
  readonly y: number;
  readonly variance: number;
}

/** A shape by its values at all places, with its chance before. */
export interface WeighedShape {
  readonly chance: number;
  readonly values: readonly number[];
}

/** What is expected somewhere: by each shape, their mean, the variance given the shape and all in all. */
export interface ShapedOutlook {
  readonly means: readonly number[];
  readonly mean: number;
  readonly within: number;
  readonly variance: number;
}

/** Which shape it is, and what is expected under all of them. */
export interface ShapePosterior {
  /** By shape; they sum to 1. */
  readonly chances: readonly number[];
  /** row · θ + the shape at a place. */
  readonly at: (row: readonly number[], place: number) => ShapedOutlook;
}

/**
 * Which of many shapes lies under some observations, all else linear and normal: each shape's chance
 * by its marginal likelihood, exact. (Bayes' rule over a finite set, θ integrated in closed form.)
 *
 * @param observations may be empty: the chances stay what they were
 * @param priors one for each column of the rows
 * @param shapes one value for each place
 * @throws RangeError where a spread is no number
 */
export function weighShapes(
  observations: readonly ShapedObservation[],
  priors: readonly NormalPrior[],
  shapes: readonly WeighedShape[],
): ShapePosterior {
  const columns = priors.length;
  const places = shapes[0]?.values.length ?? 0;
  const precision = Matrix.diag(priors.map(({ sd }) => 1 / sd ** 2));
  const rowsByPlace = Matrix.zeros(columns, places);
  const rowsByResidual = new Array<number>(columns).fill(0);
  const weightAt = new Array<number>(places).fill(0);
  const residualAt = new Array<number>(places).fill(0);
  for (const { row, place, y, variance } of observations) {
    const weight = 1 / variance;
    // Residuals are taken about the prior mean, so θ is solved as a correction to it.
    const residual = y - priors.reduce((sum, { mean }, i) => sum + row[i]! * mean, 0);
    for (const [i, x] of row.entries()) {
      if (x === 0) continue;
      for (const [j, other] of row.entries())
        precision.set(i, j, precision.get(i, j) + weight * x * other);
      rowsByResidual[i]! += weight * x * residual;
      rowsByPlace.set(i, place, rowsByPlace.get(i, place) + weight * x);
    }
    weightAt[place]! += weight;
    residualAt[place]! += weight * residual;
  }
  const factoring = factorSymmetric(precision);
  if (factoring.kind !== 'factored') throw new RangeError('weighShapes: a spread is no number');
  const covariance = factoring.matrix.inverse();
  // What a unit of the shape at a place takes from θ; and θ under no shape at all.
  const taken = covariance.mmul(rowsByPlace);
  const plain = covariance.mmul(Matrix.columnVector(rowsByResidual)).to1DArray();
  const theta = plain.map((one, i) => one + priors[i]!.mean);
  // Marginal over θ: ln L(s) = sᵀb − ½ sᵀM s, s a shape by place; what is the same for all is left out.
  const quadratic = Matrix.diag(weightAt).sub(rowsByPlace.transpose().mmul(taken)).to2DArray();
  const linear = residualAt.map((one, at) => one - dot(rowsByPlace.getColumn(at), plain));
  const chances = normalised(
    shapes.map(
      ({ chance, values }) =>
        Math.log(chance) +
        dot(values, linear) -
        quadratic.reduce((sum, row, at) => sum + values[at]! * dot(row, values), 0) / 2,
    ),
  );
  return {
    chances,
    at: (row, place) => {
      const line = Matrix.rowVector([...row]);
      const constant = dot(row, theta);
      const lost = line.mmul(taken).to1DArray();
      const means = shapes.map(({ values }) => constant - dot(lost, values) + values[place]!);
      const mean = dot(means, chances);
      const within = Math.max(0, dot(row, line.mmul(covariance).to1DArray()));
      const between = means.reduce((sum, one, k) => sum + chances[k]! * (one - mean) ** 2, 0);
      return { means, mean, within, variance: within + between };
    },
  };
}

function normalised(logs: readonly number[]): readonly number[] {
  const best = Math.max(...logs);
  const raw = logs.map((log) => Math.exp(log - best));
  const total = raw.reduce((sum, one) => sum + one, 0);
  return raw.map((one) => one / total);
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < one.length; i += 1) sum += one[i]! * other[i]!;
  return sum;
}
