import tCdf from '@stdlib/stats-base-dists-t-cdf';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import type { Shot } from '../log/shooting.ts';

/** How one numbered arrow lands beside the others of its kind. */
export interface ArrowRecord {
  readonly arrowNumber: number;
  readonly arrow: Shot['arrow'];
  readonly shots: number;
  /** From the middle of the others in the same ends, mm. */
  readonly outwardMm: number;
  readonly upMm: number;
  /** Lands elsewhere than the others, more than chance explains: look at it, set it aside. */
  readonly suspect: boolean;
}

/** Fewer shots of an arrow than this prove nothing of it. */
const FEWEST_SHOTS = 3;
const FEWEST_OTHERS = 2;
/** Chance under which an arrow is suspect; there are many arrows, so it is small. */
const SUSPECT_BELOW = 0.005;

/** Finds the one bad arrow: every numbered one against the others shot in the same ends. */
export function byArrow(shots: readonly Shot[]): readonly ArrowRecord[] {
  const counted = shots.filter(({ calledBad }) => !calledBad);
  const apart = new Map<string, { shot: Shot; outwardMm: number; upMm: number }[]>();
  for (const shot of counted) {
    if (shot.arrowNumber === null) continue;
    const others = counted.filter(
      (other) =>
        other.endNumber === shot.endNumber &&
        other.arrow === shot.arrow &&
        other.arrowNumber !== shot.arrowNumber,
    );
    if (others.length < FEWEST_OTHERS) continue;
    const key = `${shot.arrow} ${shot.arrowNumber}`;
    const list = apart.get(key) ?? [];
    apart.set(key, list);
    list.push({
      shot,
      outwardMm: shot.outwardMm - meanOf(others.map(({ outwardMm }) => outwardMm)),
      upMm: shot.upMm - meanOf(others.map(({ upMm }) => upMm)),
    });
  }
  return [...apart.values()]
    .map((list): ArrowRecord => {
      const { shot } = list[0]!;
      const outward = list.map(({ outwardMm }) => outwardMm);
      const up = list.map(({ upMm }) => upMm);
      return {
        arrowNumber: shot.arrowNumber ?? 0,
        arrow: shot.arrow,
        shots: list.length,
        outwardMm: meanOf(outward),
        upMm: meanOf(up),
        suspect:
          list.length >= FEWEST_SHOTS &&
          (chanceOfMean(outward) < SUSPECT_BELOW || chanceOfMean(up) < SUSPECT_BELOW),
      };
    })
    .toSorted((one, other) => one.arrowNumber - other.arrowNumber);
}

/** Two-sided chance of a mean this far from 0 if it were 0: Student t. */
function chanceOfMean(values: readonly number[]): number {
  const spread = Math.max(1, sampleSd(values)) / Math.sqrt(values.length);
  return 2 * tCdf(-Math.abs(meanOf(values)) / spread, values.length - 1);
}
