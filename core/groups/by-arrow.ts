import { meanOf } from '../numeric/moments.ts';
import type { Shot } from '../log/shooting.ts';

/** How one numbered arrow lands beside the others of its kind. */
export interface ArrowRecord {
  readonly arrowNumber: number;
  readonly arrow: Shot['arrow'];
  readonly shots: number;
  /** From the middle of the others in the same ends, mm. */
  readonly outwardMm: number;
  readonly upMm: number;
  /** Out of the session: its shots count for nothing. */
  readonly setAside: boolean;
}

const FEWEST_OTHERS = 2;

/** Every numbered arrow against the others shot in the same ends. Whether one is bad, `shaftByShaft` says. */
export function byArrow(shots: readonly Shot[]): readonly ArrowRecord[] {
  const counted = shots.filter(({ calledBad }) => !calledBad);
  const apart = new Map<string, { shot: Shot; outwardMm: number; upMm: number }[]>();
  for (const shot of counted) {
    if (shot.arrowNumber === null) continue;
    const others = counted.filter(
      (other) =>
        other.endNumber === shot.endNumber &&
        other.arrow === shot.arrow &&
        other.arrowNumber !== shot.arrowNumber &&
        !other.setAside,
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
        setAside: shot.setAside,
      };
    })
    .toSorted((one, other) => one.arrowNumber - other.arrowNumber);
}
