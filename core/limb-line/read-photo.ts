import { HALF_90 } from '../numeric/half-90.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { outwardFromRight } from '../craft/handedness.ts';

/** A place in the picture, px; x to the right, y down, as the bow is seen from behind. */
export interface PhotoPoint {
  readonly x: number;
  readonly y: number;
}

/** What is marked in a photograph of a braced bow from behind. */
export interface PhotoMarks {
  /** Two or more places on the string, well apart. */
  readonly string: readonly PhotoPoint[];
  /** Left and right edge of each gauge or limb root, at the same height. */
  readonly topGauge: readonly [PhotoPoint, PhotoPoint];
  readonly bottomGauge: readonly [PhotoPoint, PhotoPoint];
  readonly rod: readonly [PhotoPoint, PhotoPoint] | null;
  /** Two ends of something of known length. */
  /** How well the marks were placed, px, standard deviation; less than a pixel where they snapped. */
  readonly markSdPx?: number | undefined;
  readonly scale: { readonly ends: readonly [PhotoPoint, PhotoPoint]; readonly mm: number };
}

/** String from the middle of each gauge, mm, outward positive. */
export interface PhotoLimbLine {
  readonly limbLineTopMm: number;
  readonly limbLineBottomMm: number;
  readonly limbLineRodMm: number | null;
  readonly pxPerMm: number;
  /** Half the 90 % interval when each mark is good to about a pixel. */
  readonly plusMinusMm: number;
}

export type PhotoRead =
  | { readonly kind: 'read'; readonly line: PhotoLimbLine }
  | { readonly kind: 'refused'; readonly says: string; readonly remedy: string };

/** Marks placed by eye or by snapping scatter about this much, px, standard deviation. */
export const MARK_SD_PX = 0.6;
/** A tap or a click is good to about half a pixel of the screen. */
export const MARK_SD_OF_SCREEN = 0.5;
const LEAST_PX_PER_MM = 1;
/** A limb line known no better than this, mm, decides nothing. */
const MOST_PLUS_MINUS_MM = 1;
/** Gauges are at least this far apart, as a share of the marked string. */
const LEAST_STRING_SHARE = 0.5;

/**
 * Reads the limb line off marks in a photograph taken from behind. The string is a straight line
 * fitted by least squares in x over y; each gauge's middle is half way between its edges; the offset
 * is measured square to the string and scaled by the known length.
 */
export function readLimbLinePhoto(marks: PhotoMarks, hand: Hand): PhotoRead {
  const [a, b] = marks.scale.ends;
  const scalePx = Math.hypot(a.x - b.x, a.y - b.y);
  if (!(marks.scale.mm > 0) || !(scalePx > 0))
    return refused('The scale has no length.', 'Mark two ends of something whose length you know.');
  const pxPerMm = scalePx / marks.scale.mm;
  if (pxPerMm < LEAST_PX_PER_MM)
    return refused(
      `One millimetre is only ${pxPerMm.toFixed(1)} px: too coarse for a limb line.`,
      'Take the picture nearer, or check the length given for the scale.',
    );
  const ys = marks.string.map(({ y }) => y);
  const spanPx = Math.max(...ys) - Math.min(...ys);
  const gaugeSpanPx = Math.abs(middle(marks.topGauge).y - middle(marks.bottomGauge).y);
  if (marks.string.length < 2 || !(spanPx >= LEAST_STRING_SHARE * gaugeSpanPx))
    return refused(
      'The marks on the string are too close together.',
      'Mark the string near both ends: its line is what everything is measured from.',
    );
  const line = fitString(marks.string);
  const offset = (gauge: readonly [PhotoPoint, PhotoPoint]) => {
    const { x, y } = middle(gauge);
    const stringRightPx = (line.xAt(y) - x) * line.square;
    return outwardFromRight(stringRightPx / pxPerMm, hand);
  };
  const eachPx = Math.max(MARK_SD_PX, marks.markSdPx ?? 0);
  const markSd = eachPx * Math.sqrt(1 / 2 + 1 / marks.string.length);
  // The scale's ends are marked as well as the rest: over a short length that counts.
  const scaleShare = (Math.SQRT2 * eachPx) / scalePx;
  const farthestPx = Math.max(
    ...[marks.topGauge, marks.bottomGauge].map((gauge) => Math.abs(offset(gauge)) * pxPerMm),
  );
  const plusMinusMm = (HALF_90 * Math.hypot(markSd, scaleShare * farthestPx)) / pxPerMm;
  if (!(plusMinusMm <= MOST_PLUS_MINUS_MM))
    return refused(
      `Marked like this it is known to ± ${plusMinusMm.toFixed(1)} mm only: a pixel of the screen is ${(eachPx / MARK_SD_OF_SCREEN).toFixed(0)} of the picture.`,
      'Make the picture larger under the marks (2×, 4×, 8×) and place them again, or nudge them with the arrow keys.',
    );
  return {
    kind: 'read',
    line: {
      limbLineTopMm: offset(marks.topGauge),
      limbLineBottomMm: offset(marks.bottomGauge),
      limbLineRodMm: marks.rod === null ? null : offset(marks.rod),
      pxPerMm,
      plusMinusMm,
    },
  };
}

function middle([left, right]: readonly [PhotoPoint, PhotoPoint]): PhotoPoint {
  return { x: (left.x + right.x) / 2, y: (left.y + right.y) / 2 };
}

/** x = x̄ + slope (y − ȳ); `square` turns a horizontal distance into one square to the string. */
function fitString(points: readonly PhotoPoint[]) {
  const meanX = points.reduce((sum, { x }) => sum + x, 0) / points.length;
  const meanY = points.reduce((sum, { y }) => sum + y, 0) / points.length;
  let xy = 0;
  let yy = 0;
  for (const { x, y } of points) {
    xy += (x - meanX) * (y - meanY);
    yy += (y - meanY) ** 2;
  }
  const slope = xy / yy;
  return { xAt: (y: number) => meanX + slope * (y - meanY), square: 1 / Math.hypot(1, slope) };
}

function refused(says: string, remedy: string): PhotoRead {
  return { kind: 'refused', says, remedy };
}
