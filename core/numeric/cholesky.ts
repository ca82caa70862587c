import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** A symmetric positive definite matrix taken apart once, to be solved with as often as wanted. */
interface Factored {
  /** x of A x = b. @param right b, as long as A is wide */
  readonly solve: (right: ArrayLike<number>) => Float64Array;
  /** ln |A|. */
  readonly logDeterminant: number;
  /** A⁻¹, for what needs every covariance; where one product is enough, `solve` loses fewer digits. */
  readonly inverse: () => Matrix;
}
export type Factoring =
  | { readonly kind: 'factored'; readonly matrix: Factored }
  /** Singular to working accuracy, or no number at all. */
  | { readonly kind: 'notPositiveDefinite' };

/** A column may lose all but this share of its length to the columns before it, not more. */
const LEAST_PIVOT = 1e-13;

/**
 * A = L Lᵀ (Cholesky), by ml-matrix; refused where a pivot is lost to rounding.
 *
 * @param matrix square and symmetric; only its lower half is looked at
 * @param leastPivot smallest share of its diagonal a pivot may be, above 0
 */
export function factorSymmetric(matrix: Matrix, leastPivot = LEAST_PIVOT): Factoring {
  const size = matrix.rows;
  // Summed in another order, the halves differ in their last digit: the lower one counts.
  if (matrix.to1DArray().some((value) => Number.isNaN(value)))
    return { kind: 'notPositiveDefinite' };
  const factor = new CholeskyDecomposition(mirroredDown(matrix));
  if (!factor.isPositiveDefinite()) return { kind: 'notPositiveDefinite' };
  const lower = factor.lowerTriangularMatrix;
  let logDeterminant = 0;
  for (let at = 0; at < size; at += 1) {
    const share = lower.get(at, at) ** 2 / matrix.get(at, at);
    if (!(share > leastPivot)) return { kind: 'notPositiveDefinite' };
    logDeterminant += 2 * Math.log(lower.get(at, at));
  }
  return {
    kind: 'factored',
    matrix: {
      logDeterminant,
      solve: (right) =>
        Float64Array.from(factor.solve(Matrix.columnVector(Array.from(right))).to1DArray()),
      inverse: () => (size === 0 ? new Matrix(0, 0) : factor.solve(Matrix.eye(size))),
    },
  };
}

function mirroredDown(matrix: Matrix): Matrix {
  const mirrored = matrix.clone();
  for (let row = 0; row < matrix.rows; row += 1)
    for (let column = row + 1; column < matrix.columns; column += 1)
      mirrored.set(row, column, matrix.get(column, row));
  return mirrored;
}
