import { Matrix } from 'ml-matrix';
import { factorSymmetric } from './cholesky.ts';

/** y = row · θ + special · v + e, e ~ N(0, variance). */
export interface LinearObservation {
  readonly row: readonly number[];
  /** What multiplies the special parameter; 0 when it plays no part. */
  readonly special: number;
  readonly y: number;
  readonly variance: number;
}

/** Independent normal priors of θ; a spread of 0: known exactly. */
export interface NormalPrior {
  readonly mean: number;
  readonly sd: number;
}

/**
 * What observations say of θ and v: with residuals a = y − X·mean about the prior means and weights
 * W = 1/variance, XᵀWX row by row, XᵀWa, XᵀWs, aᵀWs and sᵀWs.
 */
export interface NormalEquations {
  readonly size: number;
  readonly xwx: Float64Array;
  readonly xwa: Float64Array;
  readonly xws: Float64Array;
  aws: number;
  sws: number;
}

/**
 * Observations beside the others, that have their first columns in common with them and, after those,
 * columns of their own that nobody asks after.
 */
export interface ApartObservations {
  readonly observations: readonly LinearObservation[];
  /** Of the columns of their own, which come last. */
  readonly priors: readonly NormalPrior[];
}

/** Known as exactly as this it is known exactly: its square leaves the range of numbers. */
const LEAST_SD = 1e-100;

/** Columns that are not known exactly beforehand. */
export function freeColumns(priors: readonly NormalPrior[]): readonly number[] {
  return priors.flatMap(({ sd }, column) => (sd <= LEAST_SD ? [] : [column]));
}

/** @throws RangeError when a row has another length than the priors */
export function normalEquations(
  observations: readonly LinearObservation[],
  priors: readonly NormalPrior[],
): NormalEquations {
  const size = priors.length;
  const sums: NormalEquations = {
    size,
    xwx: new Float64Array(size * size),
    xwa: new Float64Array(size),
    xws: new Float64Array(size),
    aws: 0,
    sws: 0,
  };
  for (const { row, special: s, y, variance } of observations) {
    if (row.length !== size)
      throw new RangeError(`fitGridLinear: a row of ${row.length}, not ${size}`);
    const w = 1 / variance;
    let residual = y;
    for (let i = 0; i < size; i += 1) residual -= row[i]! * priors[i]!.mean;
    for (let i = 0; i < size; i += 1) {
      const wi = w * row[i]!;
      if (wi === 0) continue;
      for (let j = 0; j < size; j += 1) sums.xwx[i * size + j]! += wi * row[j]!;
      sums.xwa[i]! += wi * residual;
      sums.xws[i]! += wi * s;
    }
    sums.aws += w * residual * s;
    sums.sws += w * s * s;
  }
  return sums;
}

/**
 * Adds what observations apart say of the columns in common and of v, with their own columns integrated
 * out (Schur complement): exact, and no larger however many there are.
 *
 * @param priors of the columns of `sums`
 * @throws RangeError when a spread of their own is no number, or lost beside a sharper one
 */
export function addApart(
  sums: NormalEquations,
  apart: ApartObservations,
  priors: readonly NormalPrior[],
): void {
  const width = apart.observations[0]?.row.length;
  if (width === undefined) return;
  const common = width - apart.priors.length;
  const all = normalEquations(apart.observations, [...priors.slice(0, common), ...apart.priors]);
  const own = freeColumns(apart.priors).map((column) => common + column);
  const at = (row: number, column: number) => all.xwx[row * width + column]!;
  const among = Matrix.zeros(own.length, own.length);
  for (const [i, row] of own.entries())
    for (const [j, column] of own.entries())
      among.set(i, j, at(row, column) + (i === j ? 1 / apart.priors[row - common]!.sd ** 2 : 0));
  const factoring = factorSymmetric(among);
  if (factoring.kind !== 'factored')
    throw new RangeError('fitGridLinear: a spread is no number, or lost beside a sharper one');
  const { matrix } = factoring;
  const ofA = matrix.solve(own.map((row) => all.xwa[row]!));
  const ofS = matrix.solve(own.map((row) => all.xws[row]!));
  const through = (solved: ArrayLike<number>, column: number) =>
    own.reduce((sum, row, i) => sum + at(row, column) * solved[i]!, 0);
  for (let i = 0; i < common; i += 1) {
    const ofColumn = matrix.solve(own.map((row) => at(row, i)));
    for (let j = 0; j < common; j += 1)
      sums.xwx[i * sums.size + j]! += at(i, j) - through(ofColumn, j);
    sums.xwa[i]! += all.xwa[i]! - through(ofA, i);
    sums.xws[i]! += all.xws[i]! - through(ofS, i);
  }
  const lost = (solved: ArrayLike<number>) =>
    own.reduce((sum, row, i) => sum + all.xws[row]! * solved[i]!, 0);
  sums.aws += all.aws - lost(ofA);
  sums.sws += all.sws - lost(ofS);
}
