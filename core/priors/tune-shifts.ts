import type { Control } from '../craft/controls.ts';
import type { FitOutItem } from '../craft/fit-out.ts';
import { BOW_ENERGY } from './bow-energy.ts';

/** What a change does to where it hits, a unit of it: a share of the speed, and a slope upward; with their spreads. */
export interface TuneShift {
  readonly speed: number;
  readonly speedSd: number;
  readonly zero: number;
  readonly zeroSd: number;
}

const NOTHING: TuneShift = { speed: 0, speedSd: 0, zero: 0, zeroSd: 0 };

/**
 * A unit of each control. A twist shortens the power stroke by 0.8 mm: an inch of brace costs some 3 % of speed.
 * A turn of one bolt gives 1 % of weight, half of that in speed. A gram of point is 4.5 % of an arrow of 22 g, four tenths of it
 * in speed. The nock a millimetre higher on an arrow of 700 mm: 1.4 mrad, of which the launch keeps about half.
 */
export const SHIFT_OF_CONTROL: Readonly<Record<Control, TuneShift>> = {
  twists: { speed: -0.001, speedSd: 0.0015, zero: 0, zeroSd: 0.0003 },
  topBolt: { speed: -0.005, speedSd: 0.004, zero: 0, zeroSd: 0.0015 },
  bottomBolt: { speed: -0.005, speedSd: 0.004, zero: 0, zeroSd: 0.0015 },
  nockingPoint: { speed: 0, speedSd: 0.0005, zero: -0.0007, zeroSd: 0.0007 },
  plungerReach: { speed: 0, speedSd: 0, zero: 0, zeroSd: 0.0002 },
  sidePlate: { speed: 0, speedSd: 0, zero: 0, zeroSd: 0.0003 },
  topSideScrews: NOTHING,
  bottomSideScrews: NOTHING,
  plungerPreload: { speed: 0, speedSd: 0, zero: 0, zeroSd: 0.0002 },
  restHeight: { speed: 0, speedSd: 0, zero: 0.0007, zeroSd: 0.0007 },
  pointMass: { speed: -0.018, speedSd: 0.006, zero: 0, zeroSd: 0.0002 },
  shaftCut: { speed: 0.0003, speedSd: 0.0004, zero: 0, zeroSd: 0.0002 },
};

/** Something put on anew. */
export const SHIFT_OF_ITEM: Readonly<Partial<Record<FitOutItem, TuneShift>>> = {
  string: { speed: 0, speedSd: 0.012, zero: 0, zeroSd: 0.0015 },
  limbs: { speed: 0, speedSd: 0.04, zero: 0, zeroSd: 0.004 },
  shaft: { speed: 0, speedSd: 0.05, zero: 0, zeroSd: 0.002 },
  sight: { speed: 0, speedSd: 0, zero: 0, zeroSd: 0.02 },
  rest: { speed: 0, speedSd: 0.002, zero: 0, zeroSd: 0.003 },
};

/**
 * Another arrow, both of known mass: its speed follows, v ∝ 1/√(m + K), but for what its stiffness takes
 * or gives, and it leaves as its own spine lets it.
 */
export function shiftOfArrow({
  before,
  after,
}: {
  readonly before: number;
  readonly after: number;
}): TuneShift {
  const moving = (massG: number) => massG + BOW_ENERGY.virtualMassG;
  return {
    speed: -0.5 * Math.log(moving(after) / moving(before)),
    speedSd: 0.012,
    zero: 0,
    zeroSd: 0.002,
  };
}

/** Anything else that is said to touch the marks. */
export const SHIFT_OF_OTHER: TuneShift = { speed: 0, speedSd: 0.006, zero: 0, zeroSd: 0.0015 };
