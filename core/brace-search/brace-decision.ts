import { onceFor } from '../log/once-for.ts';
import { ROUGH_OVER_RANGE } from '../priors/brace-search-priors.ts';
import { SHOTS_A_HEIGHT } from '../craft/search-terms.ts';
import type { HeightWorth, JudgedBy } from './next-height.ts';
import type { NoiseBelief } from './belief.ts';
import { drawCurves, isByEar, noiseBelief } from './noise-belief.ts';
import {
  fitNoiseCurve,
  type HeightRange,
  type HeightTried,
  type NoiseCurve,
} from './noise-curve.ts';

/** Less than this nobody hears between two shots, dB. */
const HEARD_APART_DB = 0.5;
/** By ear every answer tells little, and it is asked until less than this is left, dB. */
const ENOUGH_BY_EAR_DB = 0.2;
const SURE = 0.9;
/** Higher than both by so much between them, two quiet heights are two valleys, dB. */
const RIDGE_DB = 1;
/** Two heights alike say nothing of what lies between them. */
const FEWEST_HEIGHTS = 3;
/** A bow is not unstrung for ever. */
const MOST_HEIGHTS = 8;
/** What another string-off, and a height never shot at, have to be quieter by, dB. */
const STAY_DB = 0.1;
const UNTRIED_DB = 0.1;

/** What the next height costs and may be: whole twists, and nothing that touched the arm. */
export interface HeightSteps {
  /** What one twist gives here, mm. */
  readonly twistMm: number;
  /** Nothing is proposed at or below a height whose string touched the arm, mm; null: none did. */
  readonly touchedMm: number | null;
  /** Whether so many twists may be put in or taken out from here; absent: any may. */
  readonly mayTwist?: ((twists: number) => boolean) | undefined;
  /** Of heights that cannot be told apart the lowest is wanted, flat or not. */
  readonly lowestWanted?: boolean | undefined;
}

export interface BraceStanding {
  readonly tried: readonly HeightTried[];
  readonly range: HeightRange;
  readonly curve: NoiseCurve;
  /** The height to settle on, as a place in the curve: one that was tried, or one between. */
  readonly best: number;
  /** Expected noise of it above the least anywhere in the range, dB. */
  readonly regretDb: number;
  /** Heights tried that cannot be told from the best, the best among them. */
  readonly alike: readonly number[];
  /** Two quiet heights with a louder one surely between them, low and high, mm; null: one valley. */
  readonly twoValleysMm: readonly [number, number] | null;
  readonly next: BraceNext;
}

type BraceNext =
  | ({ readonly kind: 'try'; readonly twists: number } & HeightWorth)
  /** Nothing is left worth unstringing for; `flat`: no height tried differs from another. */
  | { readonly kind: 'settle'; readonly heightMm: number; readonly flat: boolean };

/**
 * Where a search for the quiet brace height stands: the curve, the best height so far with what may be
 * quieter elsewhere, and the next height in whole twists, or that it is enough.
 *
 * @param tried in the order they were tried; the last is where the bow stands
 */
export function braceStanding(
  tried: readonly HeightTried[],
  range: HeightRange,
  steps: HeightSteps,
): BraceStanding {
  const belief = noiseBelief(tried, range);
  const { curve, draws } = belief;
  const places = reachablePlaces(curve, tried, steps);
  const here = tried.length - 1;
  const candidates = places.length > 0 ? places : [here];
  const least = draws.map((draw) => Math.min(...candidates.map((at) => draw[at]!)));
  const regretOf = (at: number) => meanOf(draws.map((draw, i) => draw[at]! - least[i]!));
  const best = candidates.reduce(
    (quietest, at) => {
      // To stay is one string-off less, and a height that was tried is known by more than its curve.
      const regret =
        regretOf(at) + (at === here ? 0 : at < curve.tried ? STAY_DB : STAY_DB + UNTRIED_DB);
      return regret < quietest.regret ? { at, regret } : quietest;
    },
    { at: here, regret: Number.POSITIVE_INFINITY },
  ).at;
  const regretDb = meanOf(draws.map((draw, i) => draw[best]! - least[i]!));
  const alike = candidates.filter((at) => {
    if (at >= curve.tried) return false;
    const louder = draws.filter((draw) => draw[at]! > draw[best]! + HEARD_APART_DB).length;
    return louder < SURE * draws.length;
  });
  const standing = {
    tried,
    range,
    curve,
    best,
    regretDb,
    alike,
    twoValleysMm: valleysOf(curve, draws, alike, best),
  };
  const by: JudgedBy = tried.at(-1)!.levelsDb.length > 0 ? 'sound' : 'ear';
  const enough =
    by === 'sound'
      ? Math.max(HEARD_APART_DB, curve.shotNoiseDb / Math.sqrt(SHOTS_A_HEIGHT))
      : ENOUGH_BY_EAR_DB;
  const isEnough =
    (tried.length >= FEWEST_HEIGHTS && regretDb <= enough) || tried.length >= MOST_HEIGHTS;
  const next = isEnough ? null : nextHeight(belief, tried, steps, { candidates, by });
  return {
    ...standing,
    next:
      next ??
      settleOn(standing, candidates, {
        by,
        isQuietEnough: (at) => regretOf(at) <= enough,
        lowestWanted: steps.lowestWanted === true,
      }),
  };
}

const meanOf = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;

/**
 * Nine times in ten no height of the range, reached by whole twists or not, is quieter by more than this than the one
 * to settle on, dB. Worked out when it is asked for: it takes a curve of its own, which may be rougher.
 */
export const quieterByMostDb = onceFor(({ tried, range, best }: BraceStanding): number => {
  const draws = isByEar(tried)
    ? noiseBelief(tried, range).draws
    : drawCurves(fitNoiseCurve(tried, range, ROUGH_OVER_RANGE));
  const regrets = draws
    .map((draw) => draw[best]! - Math.min(...draw))
    .toSorted((one, other) => one - other);
  return regrets[Math.floor(SURE * (regrets.length - 1))]!;
});

/** Of heights that cannot be told apart the lowest, where that costs nothing that is heard; else the best. */
function settleOn(
  { curve, best, alike }: Pick<BraceStanding, 'curve' | 'best' | 'alike'>,
  candidates: readonly number[],
  {
    by,
    isQuietEnough,
    lowestWanted,
  }: {
    readonly by: JudgedBy;
    readonly isQuietEnough: (at: number) => boolean;
    readonly lowestWanted: boolean;
  },
): BraceNext {
  const triedOnes = candidates.filter((at) => at < curve.tried);
  const alikeLow = alike.reduce<number | null>(
    (low, at) => (low === null || curve.heightsMm[at]! < curve.heightsMm[low]! ? at : low),
    null,
  );
  if (lowestWanted && alikeLow !== null)
    return {
      kind: 'settle',
      heightMm: curve.heightsMm[alikeLow]!,
      flat: triedOnes.length > 1 && alike.length === triedOnes.length,
    };
  if (triedOnes.length === 0)
    return { kind: 'settle', heightMm: curve.heightsMm[best]!, flat: false };
  const lowest = triedOnes.reduce((low, at) =>
    curve.heightsMm[at]! < curve.heightsMm[low]! ? at : low,
  );
  const quietEnough = isQuietEnough(lowest);
  const flat =
    triedOnes.length > 1 && alike.length === triedOnes.length && (by === 'sound' || quietEnough);
  return { kind: 'settle', heightMm: curve.heightsMm[flat && quietEnough ? lowest : best]!, flat };
}

/** Nearer above a height that touched the arm nothing new is proposed. */
const CLEAR_TWISTS = 0.75;

/** The heights tried, and of the grid those that whole twists from here come nearest to, inside the range. */
function reachablePlaces(
  curve: NoiseCurve,
  tried: readonly HeightTried[],
  { twistMm, touchedMm, mayTwist = () => true }: HeightSteps,
): readonly number[] {
  const here = tried.at(-1)!.heightMm;
  const grid = curve.heightsMm.slice(curve.tried);
  const [low, high] = [grid[0]!, grid.at(-1)!];
  const known = new Map<number, boolean>();
  const isAllowed = (twists: number) => {
    const may = known.get(twists) ?? mayTwist(twists);
    known.set(twists, may);
    return may;
  };
  return curve.heightsMm.flatMap((heightMm, at) => {
    if (at < curve.tried) return touchedMm === null || heightMm > touchedMm ? [at] : [];
    const twists = Math.round((heightMm - here) / twistMm);
    const after = here + twists * twistMm;
    const isClear = touchedMm === null || after > touchedMm + CLEAR_TWISTS * twistMm;
    return after >= low && after <= high && isClear && isAllowed(twists) ? [at] : [];
  });
}

/** The height in whole twists from where the bow stands that is worth most; null: none is worth it. */
function nextHeight(
  { curve, worthOf }: NoiseBelief,
  tried: readonly HeightTried[],
  { twistMm }: HeightSteps,
  { candidates, by }: { readonly candidates: readonly number[]; readonly by: JudgedBy },
): BraceNext | null {
  const here = tried.at(-1)!.heightMm;
  const untried = candidates.filter((at) => at >= curve.tried);
  const worth = worthOf(untried, candidates, by)
    .map((one) => ({ ...one, twists: Math.round((one.heightMm - here) / twistMm) }))
    .filter(({ twists }) => twists !== 0);
  const most = worth.reduce<(typeof worth)[number] | null>(
    (best, one) => (best === null || one.worthDb > best.worthDb ? one : best),
    null,
  );
  return most === null ? null : { kind: 'try', ...most, heightMm: here + most.twists * twistMm };
}

/** The best and another height as quiet, with a ridge between them that is surely heard. */
function valleysOf(
  curve: NoiseCurve,
  draws: readonly Float64Array[],
  alike: readonly number[],
  best: number,
): readonly [number, number] | null {
  for (const other of alike) {
    const [low, high] = [curve.heightsMm[best]!, curve.heightsMm[other]!].toSorted((a, b) => a - b);
    const between = curve.heightsMm.flatMap((heightMm, at) =>
      heightMm > low! && heightMm < high! ? [at] : [],
    );
    const isRidge = between.some((at) => {
      const over = draws.filter(
        (draw) => draw[at]! > Math.max(draw[best]!, draw[other]!) + RIDGE_DB,
      ).length;
      return over >= SURE * draws.length;
    });
    if (isRidge) return [low!, high!];
  }
  return null;
}
