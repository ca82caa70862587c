import type { Hand } from '#core/craft/bow-terms.ts';
import type { MovePlace } from '#core/advice/move.ts';

/** The sheet the side sight is drawn on, px. Written for a left-hander; a right-hander's is mirrored. */
export const SHEET = {
  width: 622,
  height: 688,
  stringX: 196,
  middleY: 345,
  halfHeightPx: 322,
  /** Where the thread turns up beside the next move. */
  edgeX: 621,
  moveTopY: 24,
  moveBottomY: 560,
} as const;

/** Mirrors an x about the sheet's middle for a right-hander. */
export function sheetX(x: number, hand: Hand): number {
  return hand === 'left' ? x : SHEET.width - x;
}

/** Where the hand goes for each place, and the clear height at which the thread leaves for it. */
const PLACES: Readonly<
  Record<
    MovePlace,
    { readonly x: number; readonly y: number; readonly left: number; readonly right: number }
  >
> = {
  string: { x: 196, y: 589, left: 636, right: 674 },
  topLimb: { x: 285, y: 205, left: 206, right: 206 },
  bottomLimb: { x: 285, y: 490, left: 636, right: 674 },
  nockingPoint: { x: 196, y: 329, left: 286, right: 212 },
  plunger: { x: 297, y: 330, left: 286, right: 212 },
  brace: { x: 230, y: 354, left: 286, right: 212 },
  tillerTop: { x: 230, y: 218, left: 206, right: 206 },
  weight: { x: 158, y: 206, left: 206, right: 206 },
  arrow: { x: 440, y: 330, left: 286, right: 212 },
  bow: { x: 296, y: 286, left: 286, right: 212 },
  butt: { x: 480, y: 330, left: 286, right: 212 },
};

/** How far across a thread goes for each px up or down. A right-hander's figures stand close by: straight. */
const SLANT = { left: 0.6, right: 0 } as const;

/** The thread: from the place to work on, one bend, to the margin of the next move's words. */
export function threadPath(place: MovePlace, hand: Hand): string {
  const { x, y: placeY, left, right } = PLACES[place];
  const startX = sheetX(x, hand);
  const lane = hand === 'left' ? left : right;
  const y = place === 'bow' ? lane : placeY;
  const bend = Math.abs(lane - y) * SLANT[hand];
  const lead = startX + 18;
  return `M${startX + 8} ${y}H${lead}L${lead + bend} ${lane}H${SHEET.edgeX}M${SHEET.edgeX} ${SHEET.moveTopY}V${Math.max(lane, SHEET.moveBottomY)}`;
}
