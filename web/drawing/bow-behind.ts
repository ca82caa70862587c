import type { Hand } from '#core/craft/bow-terms.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';

type Point = readonly [number, number];

/** How much offsets from the string are exaggerated, and the bow's own widths. Said on the sheet. */
export const OFFSETS_TIMES = 10;
export const WIDTHS_TIMES = 2.5;

/** What a bow from behind is drawn from; mm, outward positive. Missing readings draw as 0. */
export interface BowBehindInput {
  readonly amoLengthIn: number;
  readonly hand: Hand;
  readonly longbow: boolean;
  readonly limbLineTopMm: number;
  readonly limbLineBottomMm: number;
  readonly limbLineRodMm: number;
  readonly centreShotMm: number;
  readonly rod: boolean;
}

export interface BowBehindView {
  readonly limbs: readonly string[];
  readonly riser: string;
  /** Middle of each gauge as the eye sees it, and the string beside it. */
  readonly topGauge: Point;
  readonly bottomGauge: Point;
  readonly rod: Point | null;
  readonly point: Point;
  readonly nock: Point;
  readonly gaugeHalfPx: number;
}

const MM_PER_IN = 25.4;
const LIMB_ROOT_IN = 1.75;
const LIMB_TIP_IN = 0.6;
const RISER_IN = 1.5;

/**
 * The bow from behind, string straight up the middle: limb roots, rod and point stand off it by
 * their readings, ten times enlarged. The string passing outward of a gauge shows the gauge inward.
 */
export function bowBehind(
  input: BowBehindInput,
  place: { readonly stringX: number; readonly middleY: number; readonly pxPerIn: number },
): BowBehindView {
  const { stringX, middleY, pxPerIn } = place;
  const right = (outwardMm: number) =>
    (rightFromOutward(outwardMm, input.hand) / MM_PER_IN) * pxPerIn * OFFSETS_TIMES;
  const half = (input.amoLengthIn / 2) * 0.945 * pxPerIn;
  const rootY = (input.longbow ? 7.5 : 12.3) * pxPerIn;
  const topX = stringX - right(input.limbLineTopMm);
  const bottomX = stringX - right(input.limbLineBottomMm);
  const width = (inches: number) => (inches * pxPerIn * WIDTHS_TIMES) / 2;
  const limb = (rootX: number, up: 1 | -1) =>
    outline([
      [rootX - width(LIMB_ROOT_IN), middleY - up * rootY],
      [stringX - width(LIMB_TIP_IN), middleY - up * half],
      [stringX + width(LIMB_TIP_IN), middleY - up * half],
      [rootX + width(LIMB_ROOT_IN), middleY - up * rootY],
    ]);
  // The window is cut away on the outward side, so that the arrow passes beside the middle.
  const outwardSide = Math.sign(rightFromOutward(1, input.hand));
  const cut = width(RISER_IN) * 1.15;
  const edge = (x: number, side: number, yIn: number, inset = 0): Point => [
    x + side * (width(RISER_IN) - inset),
    middleY - yIn * pxPerIn,
  ];
  const middleX = (topX + bottomX) / 2;
  const reach = rootY / pxPerIn;
  const riser = outline([
    edge(topX, -outwardSide, reach),
    edge(middleX, -outwardSide, 0),
    edge(bottomX, -outwardSide, -reach),
    edge(bottomX, outwardSide, -reach),
    edge(middleX, outwardSide, -1),
    edge(middleX, outwardSide, 0.6, cut),
    edge(middleX, outwardSide, 5.2, cut),
    edge(topX, outwardSide, 6.6),
    edge(topX, outwardSide, reach),
  ]);
  const arrowY = middleY - 1.5 * pxPerIn;
  return {
    limbs: [limb(topX, 1), limb(bottomX, -1)],
    riser,
    topGauge: [topX, middleY - rootY],
    bottomGauge: [bottomX, middleY + rootY],
    rod: input.rod ? [stringX - right(input.limbLineRodMm), middleY + 5 * pxPerIn] : null,
    point: [stringX + right(input.centreShotMm), arrowY],
    nock: [stringX, arrowY],
    gaugeHalfPx: width(LIMB_ROOT_IN),
  };
}

function outline(points: readonly Point[]): string {
  return `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
}
