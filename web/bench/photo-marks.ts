import { type PhotoMarks, type PhotoPoint } from '#core/limb-line/read-photo.ts';
import type { SnapTo } from '#core/limb-line/snap-mark.ts';

/** The marks of a limb-line photograph, in the order they are asked for. */
export const MARK_STEPS: readonly {
  readonly id: string;
  readonly asks: string;
  readonly snap: SnapTo | null;
  readonly optional: boolean;
}[] = [
  { id: 'string1', asks: 'The string, near its top', snap: 'line', optional: false },
  { id: 'string2', asks: 'The string, above the riser', snap: 'line', optional: false },
  { id: 'string3', asks: 'The string, below the riser', snap: 'line', optional: false },
  { id: 'string4', asks: 'The string, near its bottom', snap: 'line', optional: false },
  { id: 'topLeft', asks: 'Top gauge, its left edge', snap: 'edge', optional: false },
  { id: 'topRight', asks: 'Top gauge, its right edge', snap: 'edge', optional: false },
  { id: 'bottomLeft', asks: 'Bottom gauge, its left edge', snap: 'edge', optional: false },
  { id: 'bottomRight', asks: 'Bottom gauge, its right edge', snap: 'edge', optional: false },
  { id: 'scaleA', asks: 'One end of something of known length', snap: null, optional: false },
  { id: 'scaleB', asks: 'Its other end', snap: null, optional: false },
  { id: 'rodLeft', asks: 'Long rod’s end, left edge', snap: 'edge', optional: true },
  { id: 'rodRight', asks: 'Long rod’s end, right edge', snap: 'edge', optional: true },
];

/** A mark with how well it was placed, px, one standard deviation. */
export interface PlacedMark extends PhotoPoint {
  readonly sdPx: number;
}

/** The marks as the reading wants them; null while some are missing. */
export function marksOf(points: readonly PlacedMark[], scaleMm: number): PhotoMarks | null {
  const at = (id: string) => points[MARK_STEPS.findIndex((step) => step.id === id)];
  const pair = (one: string, other: string): readonly [PhotoPoint, PhotoPoint] | null => {
    const first = at(one);
    const second = at(other);
    return first === undefined || second === undefined ? null : [first, second];
  };
  const topGauge = pair('topLeft', 'topRight');
  const bottomGauge = pair('bottomLeft', 'bottomRight');
  const ends = pair('scaleA', 'scaleB');
  if (topGauge === null || bottomGauge === null || ends === null) return null;
  return {
    string: points.slice(0, 4),
    topGauge,
    bottomGauge,
    rod: pair('rodLeft', 'rodRight'),
    scale: { ends, mm: scaleMm },
    markSdPx: Math.max(0, ...points.map(({ sdPx }) => sdPx)),
  };
}
