import { squaresAboutMean } from '../numeric/moments.ts';
import type { ShootingSession } from '../record/shooting.ts';
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
