import { determinant, inverse, Matrix } from 'ml-matrix';
import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import {
  ALIKE_OVER_RANGE,
  DIFFERS_DB,
  LEVEL_SD_DB,
  SHOT_NOISE_DB,
} from '../priors/brace-search-priors.ts';
import type { Heard } from '../craft/search-terms.ts';
import { heardLikelihood } from './heard.ts';

/** What was shot or heard at one height, in the order of the search. */
export interface HeightTried {
  readonly heightMm: number;
  /** Level of each recorded shot, dB, all by one scale; empty: by ear alone. */
  readonly levelsDb: readonly number[];
  /** Against the height tried before. */
  readonly heard: Heard | null;
  /** The same by the hand that holds the bow: it jumps where it is loud. */
  readonly felt?: Heard | null | undefined;
}

/** Where noise may be looked for, mm of brace. */
export interface HeightRange {
  readonly lowMm: number;
  readonly highMm: number;
}

/** The noise of every height as it is thought to be: a mixture of normal curves. */
export interface NoiseCurve {
  /** The heights tried first, in their order, then a grid over the range. */
  readonly heightsMm: readonly number[];
  readonly tried: number;
  readonly parts: readonly CurvePart[];
  /** One shot after another at one height, standard deviation, dB. */
  readonly shotNoiseDb: number;
}

export interface CurvePart {
  readonly weight: number;
  readonly mean: Float64Array;
  readonly covariance: Matrix;
}

const GRID = 25;
const MOST_STEPS = 40;
/** A part less likely than this share of the likeliest is left out. */
const LEAST_WEIGHT = 1e-3;
/** Two heights a hair apart are still two numbers, dB². */
const JITTER = 1e-4;
/** What an answer by ear is worth at least, so that its curve stays a hill, 1/dB². */
const LEAST_CURVATURE = 1e-3;

/**
 * Noise over brace height as a Gaussian process (squared exponential kernel and an unknown level), for a
 * few lengths and sizes weighed by how well each explains what was heard. Recorded levels enter with
 * the noise of their shots, answers by ear as ordered comparisons of one curve at two heights; the
 * posterior is Laplace's, exact where nothing was answered by ear.
 *
 * @param tried in the order they were tried; at least one
 * @throws RangeError for a range that is none, or nothing tried
 */
export function fitNoiseCurve(
  tried: readonly HeightTried[],
  range: HeightRange,
  alikeOverRange = ALIKE_OVER_RANGE,
): NoiseCurve {
  const widthMm = range.highMm - range.lowMm;
  if (!(widthMm > 0)) throw new RangeError(`fitNoiseCurve: no range, ${widthMm} mm`);
  if (tried.length === 0) throw new RangeError('fitNoiseCurve: nothing was tried');
  const heightsMm = heightsOf(tried, range);
  const shotNoiseDb = shotNoiseOf(tried);
  const fits = alikeOverRange.flatMap((share) =>
    DIFFERS_DB.map((sizeDb) =>
      fitPart(tried, heightsMm, { lengthMm: share * widthMm, sizeDb, shotNoiseDb }),
    ),
  );
  const most = Math.max(...fits.map(({ logEvidence }) => logEvidence));
  const kept = fits
    .map(({ logEvidence, ...part }) => ({ ...part, weight: Math.exp(logEvidence - most) }))
    .filter(({ weight }) => weight > LEAST_WEIGHT);
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  return {
    heightsMm,
    tried: tried.length,
    parts: kept.map((part) => ({ ...part, weight: part.weight / total })),
    shotNoiseDb,
  };
}

/** The heights tried, in their order, and a grid over the range. */
export function heightsOf(
  tried: readonly HeightTried[],
  { lowMm, highMm }: HeightRange,
): readonly number[] {
  const grid = gridShares().map((share) => lowMm + (highMm - lowMm) * share);
  return [...tried.map(({ heightMm }) => heightMm), ...grid];
}

/** Of the range, from its low end. */
export function gridShares(): readonly number[] {
  return Array.from({ length: GRID }, (_, at) => at / (GRID - 1));
}

/** Pooled over the heights, with what is usual worth a few shots. */
function shotNoiseOf(tried: readonly HeightTried[]): number {
  let squares = SHOT_NOISE_DB.variance * SHOT_NOISE_DB.degrees;
  let degrees = SHOT_NOISE_DB.degrees;
  for (const { levelsDb } of tried) {
    if (levelsDb.length < 2) continue;
    squares += squaresAboutMean(levelsDb);
    degrees += levelsDb.length - 1;
  }
  return Math.sqrt(squares / degrees);
}

interface Kernel {
  readonly lengthMm: number;
  readonly sizeDb: number;
  readonly shotNoiseDb: number;
}

function fitPart(
  tried: readonly HeightTried[],
  heightsMm: readonly number[],
  kernel: Kernel,
): Omit<CurvePart, 'weight'> & { readonly logEvidence: number } {
  const count = tried.length;
  const all = kernelMatrix(heightsMm, kernel);
  const prior = all.subMatrix(0, count - 1, 0, count - 1);
  const level = levelOf(tried);
  const mode = findMode(prior, (values) => likelihood(tried, values, level, kernel.shotNoiseDb));
  const { gradient, curvature } = mode.at;
  // (K + W⁻¹)⁻¹ = W (I + K W)⁻¹: W has no inverse where a height was only heard against another.
  const inner = Matrix.eye(count).add(prior.mmul(curvature));
  const gain = curvature.mmul(inverse(inner));
  const toTried = all.subMatrix(0, heightsMm.length - 1, 0, count - 1);
  const left = all.clone().sub(toTried.mmul(gain).mmul(toTried.transpose()));
  // The same from either side but for the last digits.
  const covariance = left.add(left.transpose()).mul(0.5);
  const mean = toTried.mmul(Matrix.columnVector([...gradient])).to1DArray();
  return {
    mean: Float64Array.from(mean, (value) => value + level),
    covariance,
    logEvidence: mode.height - Math.log(determinant(inner)) / 2,
  };
}

/** The mean of everything recorded: the curve is reckoned from it. */
function levelOf(tried: readonly HeightTried[]): number {
  const levels = tried.flatMap(({ levelsDb }) => [...levelsDb]);
  return levels.length === 0 ? 0 : meanOf(levels);
}

function kernelMatrix(heightsMm: readonly number[], { lengthMm, sizeDb }: Kernel): Matrix {
  const size = heightsMm.length;
  const matrix = new Matrix(size, size);
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < size; column += 1) {
      const apart = (heightsMm[row]! - heightsMm[column]!) / lengthMm;
      const covariance = LEVEL_SD_DB ** 2 + sizeDb ** 2 * Math.exp((-apart * apart) / 2);
      matrix.set(row, column, covariance + (row === column ? JITTER : 0));
    }
  return matrix;
}

interface Likelihood {
  readonly log: number;
  readonly gradient: Float64Array;
  /** −∂² ln p, kept positive. */
  readonly curvature: Matrix;
}

function likelihood(
  tried: readonly HeightTried[],
  values: ArrayLike<number>,
  level: number,
  shotNoiseDb: number,
): Likelihood {
  const gradient = new Float64Array(tried.length);
  const curvature = new Matrix(tried.length, tried.length);
  let log = 0;
  for (const [at, { levelsDb, heard, felt }] of tried.entries()) {
    if (levelsDb.length > 0) {
      const precision = levelsDb.length / shotNoiseDb ** 2;
      const off = meanOf(levelsDb) - level - values[at]!;
      log += Math.log(precision / (2 * Math.PI)) / 2 - (precision * off * off) / 2;
      gradient[at]! += precision * off;
      curvature.set(at, at, curvature.get(at, at) + precision);
    }
    for (const said of at === 0 ? [] : [heard, felt]) {
      if (said === null || said === undefined) continue;
      const answer = heardLikelihood(said, values[at]! - values[at - 1]!);
      const bend = Math.max(LEAST_CURVATURE, -answer.curvature);
      log += answer.log;
      gradient[at]! += answer.slope;
      gradient[at - 1]! -= answer.slope;
      for (const [row, column, sign] of [
        [at, at, 1],
        [at - 1, at - 1, 1],
        [at, at - 1, -1],
        [at - 1, at, -1],
      ] as const)
        curvature.set(row, column, curvature.get(row, column) + sign * bend);
    }
  }
  return { log, gradient, curvature };
}

/** The likeliest curve at the heights tried: Newton's steps, halved while they do not climb. */
function findMode(prior: Matrix, at: (values: ArrayLike<number>) => Likelihood) {
  const count = prior.rows;
  const precision = inverse(prior);
  const heightOf = (values: Float64Array, seen: Likelihood) => {
    const column = Matrix.columnVector([...values]);
    return seen.log - column.transpose().mmul(precision).mmul(column).get(0, 0) / 2;
  };
  let values = new Float64Array(count);
  let seen = at(values);
  let height = heightOf(values, seen);
  for (let step = 0; step < MOST_STEPS; step += 1) {
    // f ← (K⁻¹ + W)⁻¹ (W f + ∇) = (I + K W)⁻¹ K (W f + ∇).
    const pull = seen.curvature
      .mmul(Matrix.columnVector([...values]))
      .add(Matrix.columnVector([...seen.gradient]));
    const inner = Matrix.eye(count).add(prior.mmul(seen.curvature));
    const wanted = inverse(inner).mmul(prior.mmul(pull)).to1DArray();
    let share = 1;
    let climbed = false;
    for (; share > 1e-3 && !climbed; share /= 2) {
      const next = Float64Array.from(values, (value, i) => value + share * (wanted[i]! - value));
      const nextSeen = at(next);
      const nextHeight = heightOf(next, nextSeen);
      climbed = nextHeight > height + 1e-10;
      if (climbed) [values, seen, height] = [next, nextSeen, nextHeight];
    }
    if (!climbed) break;
  }
  return { at: seen, height };
}
