import chisquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';
import { medianOf, type Moments, momentsOf, squaresAboutMean } from '../numeric/moments.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { onceFor } from '../log/once-for.ts';
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

/** The same session by session, those that say anything. */
function squaresBySession(
  sessions: readonly ShootingSession[],
  distanceM: number,
  axis: ShotAxis,
): readonly SessionSquares[] {
  return squaresPerMetre(sessions)[axis].map((one) => ({
    ...one,
    squares: one.squares * distanceM ** 2,
  }));
}

export type ShotAxis = 'outwardMm' | 'upMm';

/** Something of both axes. */
function ofBothAxes<T>(of: (axis: ShotAxis) => T): Readonly<Record<ShotAxis, T>> {
  return { outwardMm: of('outwardMm'), upMm: of('upMm') };
}

/** What is a flyer, all sessions decide together. */
const squaresPerMetre = onceFor((sessions: readonly ShootingSession[]) =>
  ofBothAxes((axis): readonly SessionSquares[] => {
    const fletched = sessions.map((session) => fletchedPerMetre(session)[axis]);
    const most = farthestOrdinary(fletched);
    return fletched.map((one) => squaresWithin(one, most)).filter(({ degrees }) => degrees > 0);
  }),
);

function squaresWithin({ ends, distances, all }: FletchedShots, most: number): SessionSquares {
  return (distances.at(-1) ?? 0) <= most
    ? all
    : squaresOf(
        all.atMs,
        ends.map((end) => ordinaryOf(end, most)),
      );
}

function squaresOf(atMs: number, ends: readonly Moments[]): SessionSquares {
  let squares = 0;
  let degrees = 0;
  for (const end of ends) {
    squares += end.squares;
    degrees += Math.max(0, end.count - 1);
  }
  return { atMs, squares, degrees };
}

/** The fletched shots of a session that count, along one axis. */
interface FletchedShots {
  readonly ends: readonly FletchedEnd[];
  /** Of all ends, nearest first. */
  readonly distances: Float64Array;
  readonly all: SessionSquares;
}

/** Those of one end. */
interface FletchedEnd {
  readonly values: readonly number[];
  readonly middle: number;
  /** From the middle, nearest first; of three shots one is the median: its distance, always 0, is left out. */
  readonly distances: readonly number[];
  readonly all: Moments;
}

/** Fletched shots end by end, mm for each metre of distance. */
const fletchedPerMetre = onceFor((session: ShootingSession) =>
  ofBothAxes((axis): FletchedShots => {
    const byEnd = new Map<number, number[]>();
    for (const shot of session.shots) {
      if (shot.arrow !== 'fletched' || !isCounted(shot)) continue;
      const value = shot[axis] / shot.distanceM;
      const values = byEnd.get(shot.endNumber);
      if (values === undefined) byEnd.set(shot.endNumber, [value]);
      else values.push(value);
    }
    const ends = [...byEnd.values()].map((values): FletchedEnd => {
      const middle = medianOf(values);
      const distances = values
        .map((value) => Math.abs(value - middle))
        .toSorted((one, other) => one - other)
        .slice(1);
      return { values, middle, distances, all: momentsOf(values) };
    });
    return {
      ends,
      distances: Float64Array.from(ends.flatMap(({ distances }) => distances)).sort(),
      all: squaresOf(
        instantMs(session.openedAt),
        ends.map(({ all }) => all),
      ),
    };
  }),
);

/** How far from the middle of its end an ordinary shot lies at most; Infinity where too few tell. */
function farthestOrdinary(sessions: readonly FletchedShots[]): number {
  const distances = new Float64Array(sessions.reduce((sum, one) => sum + one.distances.length, 0));
  let from = 0;
  for (const one of sessions) {
    distances.set(one.distances, from);
    from += one.distances.length;
  }
  if (distances.length < FEWEST_HISTORY_DEGREES) return Infinity;
  const most = (ORDINARY_SPREADS * medianOf(distances)) / MEDIAN_DISTANCE;
  return most === 0 ? Infinity : most;
}

/** Of an end what lies within `most` of its middle: nearly always all of it, which is known already. */
function ordinaryOf({ values, middle, distances, all }: FletchedEnd, most: number): Moments {
  if ((distances.at(-1) ?? 0) <= most) return all;
  return momentsOf(values.filter((value) => Math.abs(value - middle) <= most));
}

/**
 * Odds of how far this archer's aim wanders from end to end, in scatters, for each of AIM_WANDERS: the
 * means of his earlier fletched ends against the scatter inside them.
 */
export function aimWanderOdds(
  earlier: readonly ShootingSession[],
  axis: ShotAxis,
): readonly number[] {
  return wanderOdds(earlier)[axis];
}

const wanderOdds = onceFor((earlier: readonly ShootingSession[]) =>
  ofBothAxes((axis): readonly number[] => {
    const last = earlier.at(-1);
    const { degrees, sdMm } =
      last === undefined
        ? NO_SCATTER_PRIOR
        : scatterPrior(earlier, REFERENCE_DISTANCE_M, axis, last.openedAt);
    if (degrees === 0) return AIM_WANDER_ODDS;
    const sdPerMetre = sdMm / REFERENCE_DISTANCE_M;
    const sessions = earlier.map((session) => aimChances(session)[axis]);
    return normaliseLogOdds(
      AIM_WANDERS.map(
        (_, index) =>
          Math.log(AIM_WANDER_ODDS[index]!) +
          sessions.reduce((sum, chances) => sum + logChanceOf(chances[index]!, sdPerMetre), 0),
      ),
    );
  }),
);

/** For each of AIM_WANDERS what a session's ends say of it, by its own measure of a flyer. */
const aimChances = onceFor((session: ShootingSession) =>
  ofBothAxes((axis): readonly AimChance[] => {
    const fletched = fletchedPerMetre(session)[axis];
    const most = farthestOrdinary([fletched]);
    const ordinary = fletched.ends
      .map((end) => ordinaryOf(end, most))
      .filter(({ count }) => count > 0);
    return AIM_WANDERS.map((wander) => aimChance(ordinary, wander));
  }),
);

/** The chance of end means about an unknown middle, but for the scatter: in units of it all are the same. */
interface AimChance {
  readonly logOfOne: number;
  readonly squares: number;
}

function aimChance(ends: readonly Moments[], wander: number): AimChance {
  if (ends.length < 2) return { logOfOne: 0, squares: 0 };
  let [weight, sum, squares, logs] = [0, 0, 0, 0];
  for (const { count, mean } of ends) {
    const precision = 1 / (1 / count + wander ** 2);
    weight += precision;
    sum += precision * mean;
    squares += precision * mean ** 2;
    logs += Math.log(precision) / 2;
  }
  return {
    logOfOne: logs - Math.log(weight) / 2,
    squares: squares - sum ** 2 / weight,
  };
}

/** log of the chance at a scatter, up to what is the same for every wander. */
function logChanceOf({ logOfOne, squares }: AimChance, sd: number): number {
  return logOfOne - squares / sd ** 2 / 2;
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
