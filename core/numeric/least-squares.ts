import { Matrix } from 'ml-matrix';
import { factorSymmetric } from './cholesky.ts';
import type { StudentMixture } from './student-mixture.ts';

/** What is known of the noise before the fit: scaled-inverse-χ²(degrees, sd). */
export interface NoisePrior {
  readonly degrees: number;
  readonly sd: number;
}

export interface LeastSquaresFit {
  readonly degrees: number;
  readonly coefficients: readonly number[];
  /** A linear combination of the coefficients, as a Student t. */
  readonly combination: (row: readonly number[]) => StudentMixture;
}

/** Noise is never taken for less than this share of a unit: identical plots claim no certainty. */
const LEAST_NOISE = 0.5;

/**
 * Weighted least squares with unknown noise: y = X β + e, e ~ N(0, σ²/w), β flat, σ²
 * scaled-inverse-χ². (Standard conjugate normal algebra.)
 *
 * @param rows X, one row an observation; at least as many observations as columns
 * @returns null when the observations cannot tell the columns apart, or leave no degree of freedom
 */
export function fitLeastSquares(
  rows: readonly (readonly number[])[],
  y: readonly number[],
  weights: readonly number[],
  noise: NoisePrior,
): LeastSquaresFit | null {
  const columns = rows[0]?.length ?? 0;
  const degrees = noise.degrees + rows.length - columns;
  if (columns === 0 || rows.length < columns || degrees < 1) return null;
  const x = new Matrix(rows.map((row, i) => row.map((value) => value * Math.sqrt(weights[i]!))));
  const right = Matrix.columnVector(y.map((value, i) => value * Math.sqrt(weights[i]!)));
  const normal = x.transpose().mmul(x);
  const factoring = factorSymmetric(normal);
  if (factoring.kind !== 'factored') return null;
  const { matrix } = factoring;
  const beta = Matrix.columnVector(matrix.solve(x.transpose().mmul(right).to1DArray()));
  const rest = Matrix.sub(right, x.mmul(beta)).norm('frobenius') ** 2;
  const leastWeight = Math.min(...weights);
  const variance = Math.max(
    (noise.degrees * noise.sd ** 2 + rest) / degrees,
    LEAST_NOISE ** 2 * leastWeight,
  );
  return {
    degrees,
    coefficients: beta.to1DArray(),
    combination: (row) => {
      const at = Matrix.columnVector([...row]);
      const spread = at
        .transpose()
        .mmul(Matrix.columnVector(matrix.solve(row)))
        .get(0, 0);
      return [
        {
          weight: 1,
          degrees,
          mean: at.transpose().mmul(beta).get(0, 0),
          scale: Math.sqrt(variance * Math.max(0, spread)),
        },
      ];
    },
  };
}
