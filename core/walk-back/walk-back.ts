import chisquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';
import { AIM_WANDER_ODDS, AIM_WANDERS } from '../groups/ends-posterior.ts';
import { type AxisCall, callOf, INSIDE_AT, INSIDE_DONE_AT } from '../groups/axis-verdict.ts';
import type { ScatterPrior, ToleranceOdds } from '../groups/offset-posterior.ts';
import { type BlockLinearPosterior, fitBlockLinear } from '../numeric/block-linear.ts';
import type { NormalPrior } from '../numeric/grid-linear.ts';
import { squaresAboutMean, meanOf } from '../numeric/moments.ts';
import {
  mixtureCdf,
  mixtureMean,
  mixtureQuantile,
  type NormalMixture,
} from '../numeric/normal-mixture.ts';
import { PRELOAD_TO_BEND, REACH_TO_LEAN, WALK_LINE } from '../priors/walk-back-priors.ts';
import { endsThatTell, type WalkEnd } from './walk-lines.ts';

/** One thing the hits show, mm over the whole walk: drift or bend of the line. */
export interface WalkBackFigure {
  readonly mm: number;
  readonly plusMinusMm: number;
  readonly call: AxisCall;
}

/** How a control moves the line, per turn; mm a metre of lean, or mm of bend. */
export interface LineGain {
  readonly mean: number;
  readonly sd: number;
  /** Settings of this control that were walked, beyond the first of each time; 0: the rule of thumb. */
  readonly changes: number;
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
  readonly reachGain: LineGain;
  readonly preloadGain: LineGain;
  /** Drift over the walk that is good enough, half width: as agreed, or this archer's own scatter. */
  readonly toleranceMm: number;
  /** Straight on two successive looks, as surely as a bare shaft is called done. */
  readonly straight: boolean;
}

/** What a line is judged by. */
export interface WalkBackTerms {
  /** Drift over the whole walk that was agreed to be good enough, half width. */
  readonly toleranceMm: number;
  /** The archer's at 18 m, from earlier groups. */
  readonly scatter: ScatterPrior;
  /** How far his aim wanders from end to end, one odds for each of AIM_WANDERS. */
  readonly wanderOdds?: readonly number[];
}

/** Scatter grows in proportion to distance; the archer's is known at this one. */
const SCATTER_AT_M = 18;
const FEWEST_DISTANCES = 2;
const DISTANCES_FOR_A_CURVE = 3;
/** Lean is that of the line here: lean and bend of a walk then hardly disturb each other. */
const MIDDLE_M = 17.5;
/** An archer of whom nothing is known: one shot's worth of this scatter. */
const UNKNOWN = { degrees: 1, sdMm: 25 } as const;
/** The scatter is larger than what widens a tolerance with this chance, from so many degrees on. */
const SURELY_LARGER = 0.75;
const OWN_FROM_DEGREES = 4;

/**
 * x(d) = a + (b + g r)(d − m) + (c + h p)(d − m)²: one regression over the line being judged and every
 * line that shows what a turn does, r and p the turns of reach and preload each was shot with. Each end
 * has an aim of its own, and all scatter grows with distance, since it is an angle.
 *
 * @param ends of this bow's walks, in shooting order; the last one's line is judged
 * @returns null before two distances of that line have been shot
 */
export function fitWalkBack(ends: readonly WalkEnd[], terms: WalkBackTerms): WalkBackFit | null {
  const last = ends.at(-1);
  if (last === undefined) return null;
  const own = ends.filter(({ line }) => line === last.line);
  const distances = [...new Set(own.map(({ distanceM }) => distanceM))].sort((a, b) => a - b);
  const nearestM = distances[0]!;
  const farthestM = distances.at(-1)!;
  if (distances.length < FEWEST_DISTANCES) return null;
  const telling = endsThatTell(ends, last.epoch);
  const toleranceMm = Math.max(terms.toleranceMm, ownScatterMm(own) ?? 0);
  const model = lineModel(telling, last, terms);
  if (model === null) return null;
  const curved = distances.length >= DISTANCES_FOR_A_CURVE;
  const span = farthestM - nearestM;
  const driftOf = ({ figure, between }: LineModel) => figure(between(nearestM, farthestM));
  const bendOf = ({ figure, bend }: LineModel) => figure(bend(span / 2));
  const drift = driftOf(model);
  const bend = curved ? bendOf(model) : null;
  return {
    nearestM,
    farthestM,
    at: (distanceM) => intervalOf(model.figure(model.place(distanceM))),
    drift: figureOf(drift, toleranceMm),
    bend: bend === null ? null : figureOf(bend, toleranceMm),
    leanMmPerM: leanOf(drift, span),
    reachGain: {
      ...gainOf(model.figure(model.reach), 1),
      changes: turnsSeen(telling, 'reachTurns'),
    },
    preloadGain: {
      ...gainOf(model.figure(model.preload), (span / 2) ** 2),
      changes: turnsSeen(telling, 'preloadTurns'),
    },
    toleranceMm,
    straight:
      curved &&
      isSurelyInside(drift, toleranceMm) &&
      bend !== null &&
      oddsOf(bend, toleranceMm).inside >= INSIDE_AT &&
      wasInsideBefore(telling, last, terms, toleranceMm, driftOf),
  };
}

/** The look before: all but the last end. A lucky end is not to say it by itself. */
function wasInsideBefore(
  telling: readonly WalkEnd[],
  last: WalkEnd,
  terms: WalkBackTerms,
  toleranceMm: number,
  driftOf: (model: LineModel) => NormalMixture,
): boolean {
  const before = telling.filter((end) => end !== last);
  const model = lineModel(before, last, terms);
  return model !== null && isSurelyInside(driftOf(model), toleranceMm);
}

interface LineModel {
  readonly figure: (row: readonly number[]) => NormalMixture;
  readonly place: (distanceM: number) => readonly number[];
  readonly between: (nearM: number, farM: number) => readonly number[];
  readonly bend: (halfM: number) => readonly number[];
  readonly reach: readonly number[];
  readonly preload: readonly number[];
}

/** Columns: what a turn of reach and of preload does, then lean and bend of each epoch, then each line. */
const GAIN_COLUMNS = 2;

function lineModel(
  ends: readonly WalkEnd[],
  judged: WalkEnd,
  { scatter, wanderOdds = AIM_WANDER_ODDS }: WalkBackTerms,
): LineModel | null {
  const epochs = [...new Set([...ends.map(({ epoch }) => epoch), judged.epoch])];
  const lines = [...new Set([...ends.map(({ line }) => line), judged.line])];
  const first = new Map(epochs.map((epoch) => [epoch, ends.find((end) => end.epoch === epoch)]));
  const columns = GAIN_COLUMNS + 2 * epochs.length + lines.length;
  const lineAt = (line: string) => GAIN_COLUMNS + 2 * epochs.length + lines.indexOf(line);
  /** `lean` metres of lean and `bend` square metres of bend of the line an end belongs to. */
  const rowOf = (end: WalkEnd, lean: number, bend: number): number[] => {
    const row = new Array<number>(columns).fill(0);
    const from = first.get(end.epoch) ?? end;
    const epochAt = GAIN_COLUMNS + 2 * epochs.indexOf(end.epoch);
    row[0] = lean * (end.reachTurns - from.reachTurns);
    row[1] = bend * (end.preloadTurns - from.preloadTurns);
    row[epochAt] = lean;
    row[epochAt + 1] = bend;
    return row;
  };
  const placeOf = (end: WalkEnd, distanceM: number) => {
    const row = rowOf(end, distanceM - MIDDLE_M, (distanceM - MIDDLE_M) ** 2);
    row[lineAt(end.line)] = 1;
    return row;
  };
  const priors: NormalPrior[] = [
    REACH_TO_LEAN,
    PRELOAD_TO_BEND,
    ...epochs.flatMap(() => [WALK_LINE.leanMmPerM, WALK_LINE.bendMmPerM2]),
    ...lines.map(() => WALK_LINE.aimMm),
  ];
  const known = scatter.degrees > 0 ? scatter : UNKNOWN;
  const within = squaresInside(ends);
  const posterior: BlockLinearPosterior | null = fitBlockLinear(
    ends.map((end) => ({
      row: placeOf(end, end.distanceM),
      mean: meanOf(end.outwardMm),
      count: end.outwardMm.length,
      scale: end.distanceM / SCATTER_AT_M,
    })),
    priors,
    {
      squares: Math.max(known.degrees, known.degrees * known.sdMm ** 2 + within.squares),
      degrees: known.degrees + within.degrees,
    },
    AIM_WANDERS.map((share, index) => ({ share, odds: wanderOdds[index] ?? 0 })),
  );
  if (posterior === null) return null;
  const gain = (at: number) => Array.from({ length: columns }, (_, one) => (one === at ? 1 : 0));
  return {
    figure: posterior.combination,
    place: (distanceM) => placeOf(judged, distanceM),
    between: (nearM, farM) =>
      rowOf(judged, farM - nearM, (farM - MIDDLE_M) ** 2 - (nearM - MIDDLE_M) ** 2),
    bend: (halfM) => rowOf(judged, 0, halfM ** 2),
    reach: gain(0),
    preload: gain(1),
  };
}

/** Squares of hits about the middles of their ends, mm² at 18 m. */
function squaresInside(ends: readonly WalkEnd[]): { squares: number; degrees: number } {
  let squares = 0;
  let degrees = 0;
  for (const { outwardMm, distanceM } of ends) {
    squares += squaresAboutMean(outwardMm) * (SCATTER_AT_M / distanceM) ** 2;
    degrees += outwardMm.length - 1;
  }
  return { squares, degrees };
}

/** This walk's own scatter as far as it may widen what is good enough; null while it says too little. */
function ownScatterMm(own: readonly WalkEnd[]): number | null {
  const { squares, degrees } = squaresInside(own);
  if (degrees < OWN_FROM_DEGREES) return null;
  return Math.sqrt(squares / chisquareQuantile(SURELY_LARGER, degrees));
}

function turnsSeen(ends: readonly WalkEnd[], of: 'reachTurns' | 'preloadTurns'): number {
  const seen = new Map<string, Set<number>>();
  for (const end of ends) seen.set(end.epoch, (seen.get(end.epoch) ?? new Set()).add(end[of]));
  return [...seen.values()].reduce((sum, settings) => sum + settings.size - 1, 0);
}

function intervalOf(mixture: NormalMixture) {
  const [low, high] = [mixtureQuantile(mixture, 0.05), mixtureQuantile(mixture, 0.95)];
  return { mm: mixtureMean(mixture), plusMinusMm: (high - low) / 2 };
}

function figureOf(mixture: NormalMixture, toleranceMm: number): WalkBackFigure {
  return { ...intervalOf(mixture), call: callOf(oddsOf(mixture, toleranceMm)) };
}

function oddsOf(mixture: NormalMixture, toleranceMm: number): ToleranceOdds {
  const minus = mixtureCdf(mixture, -toleranceMm);
  const plus = 1 - mixtureCdf(mixture, toleranceMm);
  return { plus, minus, inside: Math.max(0, 1 - plus - minus) };
}

function isSurelyInside(mixture: NormalMixture, toleranceMm: number): boolean {
  return oddsOf(mixture, toleranceMm).inside >= INSIDE_DONE_AT;
}

function leanOf(drift: NormalMixture, spanM: number) {
  const { mm, plusMinusMm } = intervalOf(drift);
  return { mean: mm / spanM, plusMinus: plusMinusMm / spanM };
}

function gainOf(mixture: NormalMixture, times: number) {
  const mean = mixtureMean(mixture);
  const variance = mixture.reduce(
    (sum, part) => sum + part.weight * (part.sd ** 2 + (part.mean - mean) ** 2),
    0,
  );
  return { mean: times * mean, sd: times * Math.sqrt(variance) };
}
