import chisquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';
import { squaresAboutMean } from '../numeric/moments.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { NO_SCATTER_PRIOR, type ScatterPrior } from './offset-posterior.ts';

/** How many shots' worth the archer's earlier scatter counts for. */
const HISTORY_DEGREES = 6;
/** Fewer earlier degrees of freedom than this are no history. */
const FEWEST_HISTORY_DEGREES = 4;

/**
 * What earlier sessions say of this archer's fletched scatter, scaled in proportion to distance.
 * Each end counts about its own mean, so a shifted aim between ends adds nothing.
 *
 * @param earlier sessions before the one being judged
 * @param distanceM of the session being judged
 */
export function scatterPrior(
  earlier: readonly ShootingSession[],
  distanceM: number,
  axis: 'outwardMm' | 'upMm',
): ScatterPrior {
  let squares = 0;
  let degrees = 0;
  for (const session of earlier) {
    const ends = new Map<number, number[]>();
    for (const shot of session.shots) {
      if (shot.arrow !== 'fletched' || shot.calledBad) continue;
      const values = ends.get(shot.endNumber) ?? [];
      ends.set(shot.endNumber, values);
      values.push((shot[axis] * distanceM) / shot.distanceM);
    }
    for (const values of ends.values()) {
      squares += squaresAboutMean(values);
      degrees += values.length - 1;
    }
  }
  if (degrees < FEWEST_HISTORY_DEGREES) return NO_SCATTER_PRIOR;
  return { degrees: HISTORY_DEGREES, sdMm: Math.sqrt(squares / degrees) };
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
