import { fitLeastSquares, type LeastSquaresFit } from '../numeric/least-squares.ts';
import {
  type StudentMixture,
  studentMixtureHalfWidth,
  studentMixtureMean,
} from '../numeric/student-mixture.ts';
import { type AxisCall, callOf } from '../groups/axis-verdict.ts';
import { toleranceOdds } from '../groups/offset-posterior.ts';
import type { ScatterPrior } from '../groups/offset-posterior.ts';

/** One fletched hit of a walk-back: how far away, and how far outward of the mark. */
export interface WalkBackHit {
  readonly distanceM: number;
  readonly outwardMm: number;
}

/** One thing the hits show, mm over the whole walk: drift or bend of the line. */
export interface WalkBackFigure {
  readonly mm: number;
  readonly plusMinusMm: number;
  readonly call: AxisCall;
}

export interface WalkBackFit {
  readonly nearestM: number;
  readonly farthestM: number;
  /** Where the line goes, outward of the mark, with half the 90 % interval. */
  readonly at: (distanceM: number) => { readonly mm: number; readonly plusMinusMm: number };
  /** Drift from nearest to farthest; plus is outward with distance. */
  readonly drift: WalkBackFigure;
  /** How far the middle stands off the straight; null with fewer than three distances. */
  readonly bend: WalkBackFigure | null;
  /** Drift a metre, mm: what a turn of reach acts on. */
  readonly leanMmPerM: { readonly mean: number; readonly plusMinus: number };
}

/** Scatter grows in proportion to distance; the archer's is known at this one. */
const SCATTER_AT_M = 18;
const FEWEST_DISTANCES = 2;
const DISTANCES_FOR_A_CURVE = 3;

/**
 * x(d) = a + b (d − d0) + c (d − d0)², weighted by 1/d² since scatter is an angle; d0 is the middle
 * of the walk, so that lean and curve hardly disturb each other.
 *
 * @param toleranceMm drift over the whole walk that is good enough, half width
 * @param scatter the archer's at 18 m, from earlier groups
 * @returns null before two distances have been shot and the scatter can be known
 */
export function fitWalkBack(
  hits: readonly WalkBackHit[],
  toleranceMm: number,
  scatter: ScatterPrior,
): WalkBackFit | null {
  const distances = [...new Set(hits.map(({ distanceM }) => distanceM))].sort((a, b) => a - b);
  const nearestM = distances[0];
  const farthestM = distances.at(-1);
  if (nearestM === undefined || farthestM === undefined) return null;
  if (distances.length < FEWEST_DISTANCES) return null;
  const middleM = (nearestM + farthestM) / 2;
  const half = (farthestM - nearestM) / 2;
  const curved = distances.length >= DISTANCES_FOR_A_CURVE;
  // In halves of the walk, so that all columns are of one size.
  const row = (distanceM: number) => {
    const t = (distanceM - middleM) / half;
    return curved ? [1, t, t ** 2] : [1, t];
  };
  const fit = fitLeastSquares(
    hits.map(({ distanceM }) => row(distanceM)),
    hits.map(({ outwardMm }) => outwardMm),
    hits.map(({ distanceM }) => (SCATTER_AT_M / distanceM) ** 2),
    { degrees: scatter.degrees, sd: scatter.sdMm },
  );
  if (fit === null) return null;
  const combine = (coefficients: readonly number[]) =>
    fit.combination(curved ? coefficients : coefficients.slice(0, 2));
  return {
    nearestM,
    farthestM,
    at: (distanceM) => valueOf(fit, row(distanceM)),
    drift: figureOf(combine([0, 2, 0]), toleranceMm),
    bend: curved ? figureOf(combine([0, 0, 1]), toleranceMm) : null,
    leanMmPerM: leanOf(combine([0, 1 / half, 0])),
  };
}

function valueOf(fit: LeastSquaresFit, row: readonly number[]) {
  const mixture = fit.combination(row);
  return { mm: studentMixtureMean(mixture), plusMinusMm: studentMixtureHalfWidth(mixture) };
}

function figureOf(mixture: StudentMixture, toleranceMm: number): WalkBackFigure {
  return {
    mm: studentMixtureMean(mixture),
    plusMinusMm: studentMixtureHalfWidth(mixture),
    call: callOf(toleranceOdds({ mixture }, toleranceMm)),
  };
}

function leanOf(mixture: StudentMixture) {
  return { mean: studentMixtureMean(mixture), plusMinus: studentMixtureHalfWidth(mixture) };
}
