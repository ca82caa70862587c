import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { arrowFigures } from '#core/arrows/arrow-figures.ts';
import { placedParts } from '#core/arrows/build-parts.ts';
import { ARROW_RANGES } from '#core/craft/arrow-ranges.ts';

/** One part with its name and mass, where its leader starts and where its words stand, px. */
export interface PartLabel {
  readonly part: keyof ArrowBuild;
  readonly massG: number;
  readonly atX: number;
  readonly labelX: number;
}

/** Everything of the drawing in px: an arrow lying with its nock to the left, to scale in both directions. */
export interface ArrowView {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pxPerMm: number;
  readonly midY: number;
  /** Where the throat lies, the end of the shaft, and the tip. */
  readonly throatX: number;
  readonly endX: number;
  readonly tipX: number;
  /** The uncut shaft. */
  readonly fullX: number;
  readonly balanceX: number;
  readonly middleX: number;
  /** The shortest that is safe; null where it is not known. */
  readonly leastX: number | null;
  readonly halfAtPoint: number;
  readonly halfAtNock: number;
  readonly labels: readonly PartLabel[];
  /** A place on the shaft, mm from the throat. */
  readonly x: (mm: number) => number;
}

const MARGIN_PX = 14;
const ABOVE_PX = { labelled: 104, bare: 46 } as const;
const BELOW_PX = 66;
const LABEL_PX = 104;
/** How far a point reaches beyond its balance, as far as one can say without its drawing. */
const TIP_BEYOND_CENTRE = 2.2;
const LONGEST_POINT_MM = 45;
/** A bare line would not be seen: thinner than this is drawn so. */
const THINNEST_PX = 3;

/**
 * Lays the drawing out. One scale for every arrow of a width, so that a longer one looks longer.
 *
 * @param leastMm shortest safe length, null where unknown
 */
export function arrowView(
  build: ArrowBuild,
  {
    widthPx,
    leastMm,
    hasLabels,
  }: {
    readonly widthPx: number;
    readonly leastMm: number | null;
    /** On a phone the parts stand in a list instead. */
    readonly hasLabels: boolean;
  },
): ArrowView {
  const { shaft, point } = build;
  const longest = Math.max(ARROW_RANGES.shaftMm[1], shaft.fullLengthMm) + LONGEST_POINT_MM;
  const pxPerMm = (widthPx - 2 * MARGIN_PX) / longest;
  const x = (mm: number) => MARGIN_PX + mm * pxPerMm;
  const { balanceMm } = arrowFigures(build);
  const midY = hasLabels ? ABOVE_PX.labelled : ABOVE_PX.bare;
  const tipMm = Math.min(LONGEST_POINT_MM, Math.max(14, TIP_BEYOND_CENTRE * point.centreInFrontMm));
  return {
    widthPx,
    heightPx: midY + BELOW_PX,
    pxPerMm,
    midY,
    throatX: x(0),
    endX: x(shaft.lengthMm),
    tipX: x(shaft.lengthMm + tipMm),
    fullX: x(shaft.fullLengthMm),
    balanceX: x(balanceMm),
    middleX: x(shaft.lengthMm / 2),
    leastX: leastMm === null ? null : x(leastMm),
    halfAtPoint: Math.max(THINNEST_PX, shaft.diameterAtPointMm * pxPerMm) / 2,
    halfAtNock: Math.max(THINNEST_PX, shaft.diameterAtNockMm * pxPerMm) / 2,
    labels: placeLabels(
      placedParts(build).map(({ part, massG, centreMm }) => ({
        part,
        massG,
        atX: x(centreMm),
      })),
      widthPx,
    ),
    x,
  };
}

/** Words beside each other above their parts, none over another, as near to their parts as may be. */
function placeLabels(
  parts: readonly Omit<PartLabel, 'labelX'>[],
  widthPx: number,
): readonly PartLabel[] {
  const sorted = parts.toSorted((one, other) => one.atX - other.atX);
  const step = Math.min(LABEL_PX, widthPx / Math.max(1, sorted.length));
  let from = 0;
  const pushed = sorted.map(({ atX }) => {
    const place = Math.max(atX - step / 2, from);
    from = place + step;
    return place;
  });
  let until = widthPx;
  const places = pushed
    .toReversed()
    .map((place) => {
      until = Math.max(0, Math.min(place, until - step));
      return until;
    })
    .toReversed();
  return sorted.map((one, at) => ({ ...one, labelX: places[at] ?? 0 }));
}
