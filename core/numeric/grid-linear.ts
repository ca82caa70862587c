import { Matrix } from 'ml-matrix';
import { factorSymmetric } from './cholesky.ts';
import {
  addApart,
  type ApartObservations,
  freeColumns,
  type LinearObservation,
  normalEquations,
  type NormalPrior,
} from './normal-equations.ts';
import type { NormalMixture, WeightedNormal } from './normal-mixture.ts';

export type { LinearObservation, NormalPrior };

/** The one parameter v whose prior is not normal: any density on an interval. */
export interface SpecialPrior {
  readonly low: number;
  readonly high: number;
  readonly logDensity: (value: number) => number;
}

/**
 * Posterior of θ and v: v on a grid with weights; given v, θ is normal with mean base − v · slope
 * and one covariance for all v.
 */
export interface GridLinearPosterior {
  readonly values: readonly number[];
  readonly weights: readonly number[];
  readonly base: readonly number[];
  readonly slope: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

const NO_GRID = { values: [0], weights: [1] } as const;
const NODES = 121;
const MOST_PASSES = 8;
/** Nodes whose log weight lies this far under the best one carry nothing. */
const NEGLIGIBLE_LOG = 14;
/** Components lighter than this are left out: together they could move no figure that is shown. */
const NEGLIGIBLE_WEIGHT = 1e-9;
/** A prior may be this share of what readings say; a smaller one is rounding. */
const LEAST_PRIOR_SHARE = 1e-14;
/** The grid is fine enough when this many nodes carry weight. */
const ENOUGH_NODES = 40;

/**
 * Bayesian linear regression, exact but for one parameter v that is integrated on a grid. Given v
 * the model is conjugate: precision A = P + XᵀWX does not depend on v, and the marginal likelihood
 * is normal in v, so one factorisation serves all nodes. The grid narrows until it resolves v.
 *
 * @param observations may be empty: the posterior is the prior
 * @param priors one for each column of the rows
 * @param special null where the model has no such parameter: v is 0
 * @param apart observations with columns of their own, which the posterior leaves out
 * @throws RangeError when a row has another length than the priors, or a spread is no number
 */
export function fitGridLinear(
  observations: readonly LinearObservation[],
  priors: readonly NormalPrior[],
  special: SpecialPrior | null,
  apart: readonly ApartObservations[] = [],
): GridLinearPosterior {
  const width = priors.length;
  const sums = normalEquations(observations, priors);
  for (const one of apart) addApart(sums, one, priors);
  // What is known exactly is no unknown: it stays at its mean. The others are solved for as corrections to it.
  const free = freeColumns(priors);
  const size = free.length;
  const precision = new Float64Array(size * size);
  for (const [i, row] of free.entries()) {
    for (const [j, column] of free.entries())
      precision[i * size + j] = sums.xwx[row * width + column]!;
    precision[i * size + i]! += 1 / priors[row]!.sd ** 2;
  }
  const xwa = free.map((column) => sums.xwa[column]!);
  const xws = free.map((column) => sums.xws[column]!);
  const factoring = factorSymmetric(Matrix.from1DArray(size, size, precision), LEAST_PRIOR_SHARE);
  if (factoring.kind !== 'factored')
    throw new RangeError('fitGridLinear: a spread is no number, or lost beside a sharper one');
  const { matrix } = factoring;
  const ca = matrix.solve(xwa);
  const cx = special === null ? xws.map(() => 0) : matrix.solve(xws);
  // Marginal over θ: log L(v) = −½ (q0 − 2 v q1 + v² q2); q0 does not matter.
  const q1 = sums.aws - dot(xws, ca);
  const q2 = Math.max(0, sums.sws - dot(xws, cx));
  const { values, weights } =
    special === null ? NO_GRID : gridOf(special, (v) => v * q1 - (v * v * q2) / 2);
  const covariance = priors.map(() => Array.from({ length: width }, () => 0));
  const among = matrix.inverse();
  const base = priors.map(({ mean }) => mean);
  const slope = priors.map(() => 0);
  for (const [i, column] of free.entries()) {
    base[column]! += ca[i]!;
    slope[column] = cx[i]!;
    for (const [j, other] of free.entries()) covariance[column]![other] = among.get(i, j);
  }
  return { values, weights, base, slope, covariance };
}

function gridOf(
  special: SpecialPrior,
  logLikelihood: (v: number) => number,
): { values: number[]; weights: number[] } {
  let { low, high } = special;
  let values: number[] = [];
  let logs: number[] = [];
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    const step = (high - low) / (NODES - 1);
    values = Array.from({ length: NODES }, (_, i) => low + i * step);
    logs = values.map((v) => special.logDensity(v) + logLikelihood(v));
    const best = Math.max(...logs);
    const carries = (log: number) => log > best - NEGLIGIBLE_LOG;
    const first = logs.findIndex(carries);
    const last = logs.findLastIndex(carries);
    if (last - first >= ENOUGH_NODES) break;
    low = Math.max(special.low, values[Math.max(0, first - 1)]!);
    high = Math.min(special.high, values[Math.min(NODES - 1, last + 1)]!);
    if (!(high > low)) break;
  }
  const best = Math.max(...logs);
  const raw = logs.map((log) => Math.exp(log - best));
  const sum = raw.reduce((total, one) => total + one, 0);
  return { values, weights: raw.map((one) => one / sum) };
}

/** The linear combination row · θ + special · v as a mixture of normals. */
export function combination(
  posterior: GridLinearPosterior,
  row: readonly number[],
  special: number,
): NormalMixture {
  const { values, weights, base, slope, covariance } = posterior;
  const constant = dot(row, base);
  const tilt = dot(row, slope);
  let variance = 0;
  for (let i = 0; i < row.length; i += 1) {
    if (row[i] === 0) continue;
    variance += row[i]! * dot(covariance[i]!, row);
  }
  const sd = Math.sqrt(Math.max(0, variance));
  const lever = special - tilt;
  if (lever === 0) return [{ weight: 1, mean: constant, sd }];
  const mixture: WeightedNormal[] = [];
  for (const [k, v] of values.entries()) {
    const weight = weights[k]!;
    if (weight > NEGLIGIBLE_WEIGHT) mixture.push({ weight, mean: constant + v * lever, sd });
  }
  return mixture;
}

/** Mean vector and covariance of (θ, v), v last: enough for expected squares. */
export function jointMoments(posterior: GridLinearPosterior): {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
} {
  const { values, weights, base, slope, covariance } = posterior;
  let mean = 0;
  for (const [k, v] of values.entries()) mean += weights[k]! * v;
  let variance = 0;
  for (const [k, v] of values.entries()) variance += weights[k]! * (v - mean) ** 2;
  const down = [...slope.map((one) => -one), 1];
  return {
    mean: [...base.map((one, i) => one - mean * slope[i]!), mean],
    covariance: down.map((di, i) =>
      down.map((dj, j) => (covariance[i]?.[j] ?? 0) + di * dj * variance),
    ),
  };
}

function dot(one: ArrayLike<number>, other: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < one.length; i += 1) sum += one[i]! * other[i]!;
  return sum;
}
