import type { BowKind, Hand } from '#core/craft/bow-terms.ts';
import { fromStored } from '#core/quantity/units.ts';
import { type LimbCurve, limbCurve } from './limb-curve.ts';
import { closedPath, openPath, type Point, smoothThrough } from './svg-path.ts';

/** The numbers a side sight is drawn from. Anything unknown is drawn typical. */
export interface BowSideInput {
  readonly bowKind: BowKind;
  readonly amoLengthIn: number;
  readonly hand: Hand;
  readonly braceMm: number;
  readonly tillerTopMm: number;
  readonly tillerBottomMm: number;
  readonly nockingMm: number;
  readonly arrowLengthMm: number;
}

/** Where the drawing stands on its sheet: string at `stringX`, bow's middle at `middleY`. */
export interface Placement {
  readonly stringX: number;
  readonly middleY: number;
  readonly pxPerIn: number;
}

/** Everything a side sight is made of, as SVG path data in sheet pixels. */
export interface BowSideView {
  readonly limbs: readonly string[];
  readonly riser: string;
  readonly grip: string;
  readonly string: string;
  readonly serving: string;
  readonly arrow: { readonly tail: Point; readonly point: Point };
  readonly throat: Point;
  readonly topRoot: Point;
  readonly bottomRoot: Point;
  readonly nock: Point;
  readonly plunger: Point;
  readonly topTip: Point;
  readonly bottomTip: Point;
  readonly topBolt: Point;
  readonly hook: Point;
}

interface RiserStyle {
  readonly halfIn: number;
  readonly lean: number;
  /** Throat to root of the limb, along the arrow, at zero tiller difference. */
  readonly rootBehindThroatIn: number;
}

const THROAT_Y_IN = -0.9;
const ARROW_Y_IN = 1.5;
const DRAWN_HOOK_IN = 26.25;

/**
 * Draws nothing: turns a bow's numbers into the geometry of its side sight. A left-hander's bow
 * points right, a right-hander's left.
 *
 * @returns null when the numbers cannot belong to a bow of that length
 */
export function bowSide(input: BowSideInput, place: Placement): BowSideView | null {
  const style = riserStyle(input);
  const recurve = input.bowKind !== 'longbow';
  const halfStringIn = (input.amoLengthIn - (recurve ? 4 : 3)) / 2;
  const shape = (rootXIn: number) => ({
    rootXIn,
    rootYIn: style.halfIn,
    rootLeanRad: style.lean,
    halfStringIn,
    recurve,
  });
  const top = limbCurve(shape(fromStored(input.tillerTopMm, 'in')));
  const bottom = limbCurve(shape(fromStored(input.tillerBottomMm, 'in')));
  if (top === null || bottom === null) return null;

  const facing = input.hand === 'left' ? 1 : -1;
  const at = (xIn: number, yIn: number): Point => [
    place.stringX + facing * xIn * place.pxPerIn,
    place.middleY - yIn * place.pxPerIn,
  ];
  const braceIn = fromStored(input.braceMm, 'in');
  const riser = riserPoints(input, style, braceIn);
  const arrowTailY = ARROW_Y_IN + fromStored(input.nockingMm, 'in') * 0.1;
  return {
    limbs: [limbPath(top, 1, at), limbPath(bottom, -1, at)],
    riser: closedPath(smoothThrough(riser.outline.map(([x, y]) => at(x, y)))),
    grip: closedPath(smoothThrough(riser.grip.map(([x, y]) => at(x, y)))),
    string: stringPath(top, bottom, recurve, at),
    serving: openPath([at(0, 4.6), at(0, -2.6)]),
    arrow: {
      tail: at(0.1, arrowTailY),
      point: at(Math.max(braceIn + 2, fromStored(input.arrowLengthMm, 'in')), ARROW_Y_IN),
    },
    throat: at(braceIn, THROAT_Y_IN),
    topRoot: at(top.x[0] ?? 0, style.halfIn),
    bottomRoot: at(bottom.x[0] ?? 0, -style.halfIn),
    nock: at(0, arrowTailY),
    plunger: at(braceIn + 1.2, ARROW_Y_IN),
    topTip: at(top.x.at(-1) ?? 0, top.y.at(-1) ?? 0),
    bottomTip: at(bottom.x.at(-1) ?? 0, -(bottom.y.at(-1) ?? 0)),
    topBolt: at((top.x[0] ?? 0) + 0.9, style.halfIn - 1.7),
    hook: at(Math.max(-18, braceIn - DRAWN_HOOK_IN), ARROW_Y_IN),
  };
}

function riserStyle({ bowKind, amoLengthIn }: BowSideInput): RiserStyle {
  switch (bowKind) {
    case 'targetRecurve':
      return { halfIn: 12.3, lean: (13.5 * Math.PI) / 180, rootBehindThroatIn: 1.55 };
    case 'takedownRecurve':
      return {
        halfIn: amoLengthIn <= 59 ? 8.2 : 9.4,
        lean: (12 * Math.PI) / 180,
        rootBehindThroatIn: 1.3,
      };
    case 'longbow':
      return { halfIn: 7.5, lean: (4 * Math.PI) / 180, rootBehindThroatIn: 0.8 };
  }
}

/** Riser outlines in inches for a brace of zero at the throat, stretched to the riser's length. */
function riserPoints(
  { bowKind }: BowSideInput,
  style: RiserStyle,
  braceIn: number,
): { readonly outline: readonly Point[]; readonly grip: readonly Point[] } {
  const belly: readonly Point[] =
    bowKind === 'longbow'
      ? [
          [-0.75, 12.15],
          [-0.62, 9],
          [-0.35, 5],
          [0, 2.6],
          [0.28, 1.4],
          [0, -0.9],
          [-0.05, -3.4],
          [-0.4, -5.4],
          [-0.62, -9],
          [-0.75, -12.15],
        ]
      : [
          [-2.11, 12.15],
          [-1.94, 10.9],
          [-1.56, 9.3],
          [-0.81, 7.3],
          [0.06, 5.3],
          [0.44, 3.6],
          [0.54, 2.2],
          [0.42, 0.7],
          [0, -0.9],
          [-0.36, -2.1],
          [-0.94, -3.5],
          [-1.06, -4.25],
          [-0.61, -4.85],
          [-0.4, -5.7],
          [-0.81, -7.3],
          [-1.56, -9.2],
          [-2.01, -10.8],
          [-2.24, -12.15],
        ];
  const back: readonly Point[] =
    bowKind === 'longbow'
      ? [
          [-0.1, -12.15],
          [0.1, -9],
          [0.55, -5.4],
          [1.1, -3],
          [1.2, -0.8],
          [1.15, 1.2],
          [1.0, 2.6],
          [0.5, 5],
          [0.1, 9],
          [-0.1, 12.15],
        ]
      : [
          [-1.62, -12.15],
          [-1.09, -9.75],
          [-0.31, -9.45],
          [0.19, -8.9],
          [0.99, -7],
          [1.69, -4.9],
          [1.79, -3],
          [1.54, -1],
          [1.69, 0.4],
          [1.99, 2.2],
          [1.94, 4.4],
          [1.39, 6.6],
          [0.49, 8.7],
          [-0.16, 9.45],
          [-0.96, 9.75],
          [-1.49, 12.15],
        ];
  const grip: readonly Point[] =
    bowKind === 'longbow'
      ? [
          [0.28, 1.4],
          [0, -0.9],
          [-0.05, -3.4],
          [1.1, -3],
          [1.2, -0.8],
          [1.15, 1.2],
        ]
      : [
          [0.42, 0.7],
          [0, -0.9],
          [-0.36, -2.1],
          [-0.94, -3.5],
          [-1.06, -4.25],
          [-0.61, -4.85],
          [0.44, -4.35],
          [0.69, -2.6],
          [0.74, -0.9],
          [0.94, 0.35],
        ];
  const squeeze = bowKind === 'takedownRecurve' ? 0.78 : 1;
  const fit = ([x, y]: Point): Point => {
    // The grip keeps its size; only what lies beyond it is stretched to the riser's length.
    const core = 5.3;
    const beyond = Math.abs(y) - core;
    const stretched =
      beyond > 0 ? core + (beyond * (style.halfIn - 0.15 - core)) / (12.15 - core) : Math.abs(y);
    const slim = beyond > 0 ? x * squeeze : x;
    return [slim + braceIn, Math.sign(y) * stretched];
  };
  return { outline: [...belly, ...back].map(fit), grip: grip.map(fit) };
}

const THICKNESS: readonly (readonly [number, number])[] = [
  [0, 0.56],
  [0.1, 0.46],
  [0.45, 0.34],
  [0.8, 0.25],
  [0.93, 0.27],
  [0.985, 0.3],
  [1, 0.14],
];

function thicknessIn(share: number): number {
  for (let i = 1; i < THICKNESS.length; i += 1) {
    const [from, thickFrom] = THICKNESS[i - 1] ?? [0, 0.3];
    const [to, thickTo] = THICKNESS[i] ?? [1, 0.3];
    if (share <= to) return thickFrom + ((share - from) / (to - from)) * (thickTo - thickFrom);
  }
  return 0.14;
}

function limbPath(curve: LimbCurve, up: 1 | -1, at: (x: number, y: number) => Point): string {
  const belly: Point[] = [];
  const back: Point[] = [];
  const lean0 = curve.lean[0] ?? 0;
  const buttX = (curve.x[0] ?? 0) + 2.5 * Math.sin(lean0);
  const buttY = (curve.y[0] ?? 0) - 2.5 * Math.cos(lean0);
  belly.push(at(buttX, up * buttY));
  back.push(at(buttX + 0.5 * Math.cos(lean0), up * (buttY + 0.5 * Math.sin(lean0))));
  for (const [i, s] of curve.s.entries()) {
    if (i % 3 !== 0 && i !== curve.s.length - 1) continue;
    const [x = 0, y = 0, lean = 0] = [curve.x[i], curve.y[i], curve.lean[i]];
    const thick = thicknessIn(s / curve.lengthIn);
    belly.push(at(x, up * y));
    back.push(at(x + thick * Math.cos(lean), up * (y + thick * Math.sin(lean))));
  }
  return closedPath(openPath([...belly, ...back.toReversed()]));
}

function stringPath(
  top: LimbCurve,
  bottom: LimbCurve,
  recurve: boolean,
  at: (x: number, y: number) => Point,
): string {
  const wrap = (curve: LimbCurve, up: 1 | -1): Point[] => {
    const contactY = curve.y[curve.contact] ?? 0;
    const points: Point[] = [at(0, up * contactY)];
    if (!recurve) return points;
    for (let i = curve.contact; i < curve.s.length; i += 3) {
      if ((curve.s[i] ?? 0) > curve.lengthIn - 0.5) break;
      const [x = 0, y = 0, lean = 0] = [curve.x[i], curve.y[i], curve.lean[i]];
      points.push(at(x - 0.05 * Math.cos(lean), up * (y - 0.05 * Math.sin(lean))));
    }
    return points;
  };
  return openPath([...wrap(top, 1).toReversed(), ...wrap(bottom, -1)]);
}

/** Typical readings for drawing a bow nobody has measured yet. */
export function typicalSide(
  bow: Pick<BowSideInput, 'bowKind' | 'amoLengthIn' | 'hand'>,
  braceMm: number,
): BowSideInput {
  const style = riserStyle({
    ...bow,
    braceMm,
    tillerTopMm: 0,
    tillerBottomMm: 0,
    nockingMm: 0,
    arrowLengthMm: 0,
  });
  const tillerMm = braceMm - style.rootBehindThroatIn * 25.4;
  return {
    ...bow,
    braceMm,
    tillerTopMm: tillerMm,
    tillerBottomMm: tillerMm,
    nockingMm: 6,
    arrowLengthMm: 730,
  };
}
