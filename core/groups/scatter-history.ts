import chisquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';
import { meanOf, medianOf, squaresAboutMean } from '../numeric/moments.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { isCounted, type ShootingSession } from '../log/shooting.ts';
import { AIM_WANDER_ODDS, AIM_WANDERS } from './ends-posterior.ts';
import { instantMs } from '../quantity/instant.ts';
import { type KnownVariance, scatterNow, type SessionSquares } from './scatter-now.ts';
import { NO_SCATTER_PRIOR, normaliseLogOdds, type ScatterPrior } from './offset-posterior.ts';

/** How many shots' worth the archer's earlier scatter counts for. */
const HISTORY_DEGREES = 6;
/** Fewer earlier degrees of freedom than this are no history. */
const FEWEST_HISTORY_DEGREES = 4;

/** A shot farther than this from the middle of its end, in robust spreads, is no ordinary one. */
const ORDINARY_SPREADS = 3.5;
/** Median distance from the middle, of a normal distribution, in standard deviations. */
const MEDIAN_DISTANCE = 0.6745;

/**
 * What earlier sessions say of this archer's fletched scatter, scaled in proportion to distance: as it
 * probably is now, so that what was shot weeks ago says less. Each end counts about its own mean, so a
 * shifted aim between ends adds nothing; and a shot far from its end's middle by the spread of all of
 * them is left out, so that one flyer does not widen what the next session calls good enough.
 *
 * @param earlier sessions before the one being judged
 * @param distanceM of the session being judged
 * @param at when it was opened
 */
export function scatterPrior(
  earlier: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
  at: string,
): ScatterPrior {
  const known = knownScatter(earlier, distanceM, axis, at);
  if (known === null) return NO_SCATTER_PRIOR;
  return {
    degrees: Math.min(HISTORY_DEGREES, known.degrees),
    sdMm: Math.sqrt(known.variance),
  };
}

/** The scatter is larger than what is said with this chance: few groups are not to widen what is good. */
const SURELY_LARGER = 0.75;

/**
 * This archer's own scatter as far as it may widen a tolerance, mm: what his groups show, a little less
 * while little is known of how he shoots now; null before there are any.
 */
export function scatterForTolerance(
  earlier: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
  at: string,
): number | null {
  const known = knownScatter(earlier, distanceM, axis, at);
  if (known === null) return null;
  const { degrees, variance } = known;
  return Math.sqrt((degrees * variance) / chisquareQuantile(SURELY_LARGER, degrees));
}

function knownScatter(
  earlier: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
  at: string,
): KnownVariance | null {
  const sessions = squaresBySession(earlier, distanceM, axis);
  const degrees = sessions.reduce((sum, one) => sum + one.degrees, 0);
  return degrees < FEWEST_HISTORY_DEGREES ? null : scatterNow(sessions, instantMs(at));
}

/** Squares of fletched shots about the middles of their ends, mm² at a distance, without flyers. */
export function ordinarySquares(
  earlier: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
): { readonly squares: number; readonly degrees: number } {
  let squares = 0;
  let degrees = 0;
  for (const one of squaresBySession(earlier, distanceM, axis)) {
    squares += one.squares;
    degrees += one.degrees;
  }
  return { squares, degrees };
}

/** The same session by session, those that say anything. What is a flyer, all of them decide together. */
function squaresBySession(
  sessions: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
): readonly SessionSquares[] {
  const ends = sessions.map((session) => fletchedEnds([session], distanceM, axis));
  const ordinary = ordinaryShots(ends.flat());
  let next = 0;
  return sessions.flatMap(({ openedAt }, index) => {
    let squares = 0;
    let degrees = 0;
    for (const _end of ends[index]!) {
      const values = ordinary[next++]!;
      if (values.length === 0) continue;
      squares += squaresAboutMean(values);
      degrees += values.length - 1;
    }
    return degrees === 0 ? [] : [{ atMs: instantMs(openedAt), squares, degrees }];
  });
}

export type ShotAxis = 'outwardMm' | 'upMm';

/** Fletched shots that count, a list an end, scaled to one distance. */
function fletchedEnds(
  sessions: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
): readonly (readonly number[])[] {
  return sessions.flatMap((session) => {
    const ends = new Map<number, number[]>();
    for (const shot of session.shots) {
      if (shot.arrow !== 'fletched' || !isCounted(shot)) continue;
      const values = ends.get(shot.endNumber) ?? [];
      ends.set(shot.endNumber, values);
      values.push((shot[axis] * distanceM) / shot.distanceM);
    }
    return [...ends.values()];
  });
}

function ordinaryShots(ends: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const middles = ends.map((values) => medianOf(values));
  // Of three shots one is the median: its distance, always 0, is left out of the spread.
  const distances = ends
    .flatMap((values, end) =>
      values
        .map((value) => Math.abs(value - middles[end]!))
        .toSorted((one, other) => one - other)
        .slice(1),
    )
    .toSorted((one, other) => one - other);
  if (distances.length < FEWEST_HISTORY_DEGREES) return ends;
  const most = (ORDINARY_SPREADS * medianOf(distances)) / MEDIAN_DISTANCE;
  return most === 0
    ? ends
    : ends.map((values, end) => values.filter((value) => Math.abs(value - middles[end]!) <= most));
}

/**
 * Odds of how far this archer's aim wanders from end to end, in scatters, for each of AIM_WANDERS: the
 * means of his earlier fletched ends against the scatter inside them.
 */
export function aimWanderOdds(
  earlier: readonly ShootingSession[],
  axis: ShotAxis,
): readonly number[] {
  const last = earlier.at(-1);
  const { degrees, sdMm } =
    last === undefined
      ? NO_SCATTER_PRIOR
      : scatterPrior(earlier, REFERENCE_DISTANCE_M, axis, last.openedAt);
  if (degrees === 0) return AIM_WANDER_ODDS;
  const sessions = earlier.map((session) =>
    ordinaryShots(fletchedEnds([session], REFERENCE_DISTANCE_M, axis)).filter(
      (values) => values.length > 0,
    ),
  );
  return normaliseLogOdds(
    AIM_WANDERS.map(
      (wander, index) =>
        Math.log(AIM_WANDER_ODDS[index]!) +
        sessions.reduce((sum, ends) => sum + logChanceOfMeans(ends, sdMm, wander), 0),
    ),
  );
}

/** log of the chance of end means about an unknown middle, up to a constant. */
function logChanceOfMeans(
  ends: readonly (readonly number[])[],
  sdMm: number,
  wander: number,
): number {
  if (ends.length < 2) return 0;
  let [weight, sum, squares, logs] = [0, 0, 0, 0];
  for (const values of ends) {
    const precision = 1 / (sdMm ** 2 * (1 / values.length + wander ** 2));
    const mean = meanOf(values);
    weight += precision;
    sum += precision * mean;
    squares += precision * mean ** 2;
    logs += Math.log(precision) / 2;
  }
  return logs - Math.log(weight) / 2 - (squares - sum ** 2 / weight) / 2;
}

/** An archer of whom nothing is known yet, at 18 m: as wide as most, worth a few shots. */
const UNKNOWN_ARCHER = { degrees: 4, sdMm: 30 } as const;
/** The scatter is larger than said in one case in this many. */
const LARGER_IN = 10;

/**
 * The scatter to be reckoned with where a stray arrow would be dangerous, mm: what was known before
 * (or most archers') and what was seen now together, on the side of larger scatter, and never less
 * than either says by itself.
 *
 * @param before the archer's earlier scatter at the same distance
 * @param ends what was shot now, one list an end, scaled to that distance
 */
export function cautiousScatterMm(
  before: ScatterPrior,
  ends: readonly (readonly number[])[],
): number {
  const known = before.degrees > 0 ? before : UNKNOWN_ARCHER;
  let squares = known.degrees * known.sdMm ** 2;
  let { degrees } = known;
  let seenSquares = 0;
  let seenDegrees = 0;
  for (const values of ends) {
    seenSquares += squaresAboutMean(values);
    seenDegrees += values.length - 1;
  }
  squares += seenSquares;
  degrees += seenDegrees;
  const pooledMm = Math.sqrt(squares / chisquareQuantile(1 / LARGER_IN, degrees));
  const seenMm = seenDegrees > 0 ? Math.sqrt(seenSquares / seenDegrees) : 0;
  return Math.max(pooledMm, seenMm, known.sdMm);
}
