import { Matrix, solve } from 'ml-matrix';

/** A limb's belly line in inches: string along y, target along +x, root near the riser. */
export interface LimbCurve {
  readonly s: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Lean of the belly line from vertical, rad. */
  readonly lean: Float64Array;
  /** Index from which the string lies on the limb (recurves) or leaves its tip (longbows). */
  readonly contact: number;
  readonly lengthIn: number;
}

export interface LimbShape {
  /** Root of the limb: distance from the string (the tiller reading) and along it. */
  readonly rootXIn: number;
  readonly rootYIn: number;
  readonly rootLeanRad: number;
  /** Half the string's length, nock point to loop. */
  readonly halfStringIn: number;
  readonly recurve: boolean;
}

const SAMPLES = 160;
const TIP_LEAN_RAD = (-40 * Math.PI) / 180;
const STRING_RADIUS_IN = 0.05;
/** Loop sits this far from the very tip. */
const TIP_BEYOND_LOOP_IN = 0.55;
const MOST_STEPS = 40;
/** Far from the answer a whole step may overshoot; near it a whole step is the quickest. */
const DAMPING_WHILE_FAR = 0.8;
const NEAR_IN = 0.5;
const CLOSE_ENOUGH_IN = 1e-6;
const NUDGE = 1e-5;
/** Working bend ends and recurve begins at these shares of the limb. */
const BEND_END = 0.76;
const RECURVE_FROM = 0.6;
const RECURVE_TO = 1.03;

/** Where along the limb it bends and where it is recurved: shapes that no unknown changes. */
interface Bends {
  readonly working: Float64Array;
  readonly forward: Float64Array;
}
const RECURVE_BENDS = bendsOf(BEND_END);
const LONGBOW_BENDS = bendsOf(1);

function bendsOf(bendEnd: number): Bends {
  const sineBump = (along: number) =>
    along > 0 && along < 1 ? Math.sin(Math.PI * along) ** 1.5 : 0;
  const share = Float64Array.from({ length: SAMPLES }, (_, i) => i / (SAMPLES - 1));
  return {
    working: share.map((along) => sineBump(along / bendEnd)),
    forward: share.map((along) => sineBump((along - RECURVE_FROM) / (RECURVE_TO - RECURVE_FROM))),
  };
}

/**
 * Solves a limb from its curvature k(s) = a·W(s) − b·R(s), W a sine bump over the working part and
 * R one over the recurve. For a recurve (a, b, length) follow from: the belly touches the string
 * tangentially, the tip turns forward 40°, string contact plus wrap equals half the string. For a
 * longbow (a, length): the tip meets the string at half its length. Newton with a numeric Jacobian.
 *
 * @returns the curve, or null when the numbers describe no bow that can be drawn
 */
export function limbCurve(shape: LimbShape): LimbCurve | null {
  let unknowns = shape.recurve
    ? [0.045, 0.19, Math.max(8, shape.halfStringIn - shape.rootYIn + 2.1)]
    : [0.03, Math.max(8, shape.halfStringIn - shape.rootYIn + 0.6)];
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const miss = residuals(shape, unknowns);
    if (!miss.every(Number.isFinite)) return null;
    const worst = Math.max(...miss.map(Math.abs));
    if (worst < CLOSE_ENOUGH_IN) return march(shape, unknowns);
    // One march for each unknown: its slopes of all misses together are a column of the Jacobian.
    const columns = unknowns.map((value, index) =>
      residuals(shape, unknowns.with(index, value + NUDGE)).map(
        (moved, row) => (moved - (miss[row] ?? 0)) / NUDGE,
      ),
    );
    let change: number[];
    try {
      change = solve(new Matrix(columns).transpose(), Matrix.columnVector(miss)).to1DArray();
    } catch {
      return null;
    }
    const share = worst < NEAR_IN ? 1 : DAMPING_WHILE_FAR;
    unknowns = unknowns.map((value, index) => value - share * (change[index] ?? 0));
    if ((unknowns.at(-1) ?? 0) < 4 || (unknowns.at(-1) ?? 0) > 60) return null;
  }
  const settled = Math.max(...residuals(shape, unknowns).map(Math.abs)) < 0.01;
  return settled ? march(shape, unknowns) : null;
}

function residuals(shape: LimbShape, unknowns: readonly number[]): number[] {
  const curve = march(shape, unknowns);
  const last = SAMPLES - 1;
  if (!shape.recurve) {
    return [(curve.x[last] ?? 0) - STRING_RADIUS_IN, (curve.y[last] ?? 0) - shape.halfStringIn];
  }
  const touch = smoothLowest(curve);
  return [
    touch.x - STRING_RADIUS_IN,
    (curve.lean[last] ?? 0) - TIP_LEAN_RAD,
    touch.y + (curve.lengthIn - TIP_BEYOND_LOOP_IN - touch.s) - shape.halfStringIn,
  ];
}

/** The point nearest the string, between samples by a parabola, so that Newton sees no steps. */
function smoothLowest(curve: LimbCurve): { x: number; y: number; s: number } {
  const i = Math.min(Math.max(curve.contact, 1), SAMPLES - 2);
  const [before = 0, here = 0, after = 0] = [curve.x[i - 1], curve.x[i], curve.x[i + 1]];
  const bend = before - 2 * here + after;
  const shift = bend > 1e-12 ? Math.max(-1, Math.min(1, (before - after) / (2 * bend))) : 0;
  const ds = curve.lengthIn / (SAMPLES - 1);
  const slopeY = ((curve.y[i + 1] ?? 0) - (curve.y[i - 1] ?? 0)) / 2;
  return {
    x: here - ((before - after) * shift) / 4,
    y: (curve.y[i] ?? 0) + slopeY * shift,
    s: (curve.s[i] ?? 0) + ds * shift,
  };
}

function march(shape: LimbShape, unknowns: readonly number[]): LimbCurve {
  const bend = unknowns[0] ?? 0;
  const recurve = shape.recurve ? (unknowns[1] ?? 0) : 0;
  const lengthIn = unknowns.at(-1) ?? 0;
  const s = new Float64Array(SAMPLES);
  const x = new Float64Array(SAMPLES);
  const y = new Float64Array(SAMPLES);
  const lean = new Float64Array(SAMPLES);
  const ds = lengthIn / (SAMPLES - 1);
  x[0] = shape.rootXIn;
  y[0] = shape.rootYIn;
  lean[0] = shape.rootLeanRad;
  let contact = 0;
  const { working, forward } = shape.recurve ? RECURVE_BENDS : LONGBOW_BENDS;
  let curvature = bend * working[0]! - recurve * forward[0]!;
  let sine = Math.sin(shape.rootLeanRad);
  let cosine = Math.cos(shape.rootLeanRad);
  // The trapezoid rule; what was reckoned for the end of one piece begins the next.
  for (let i = 1; i < SAMPLES; i += 1) {
    const curvatureBefore = curvature;
    const sineBefore = sine;
    const cosineBefore = cosine;
    curvature = bend * working[i]! - recurve * forward[i]!;
    const leanHere = lean[i - 1]! + ((curvatureBefore + curvature) / 2) * ds;
    sine = Math.sin(leanHere);
    cosine = Math.cos(leanHere);
    s[i] = i * ds;
    lean[i] = leanHere;
    x[i] = x[i - 1]! - ((sineBefore + sine) / 2) * ds;
    y[i] = y[i - 1]! + ((cosineBefore + cosine) / 2) * ds;
    if (x[i]! < x[contact]!) contact = i;
  }
  return { s, x, y, lean, contact: shape.recurve ? contact : SAMPLES - 1, lengthIn };
}
