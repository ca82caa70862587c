import { HALF_90 } from '../numeric/half-90.ts';
import type { Control } from '../craft/controls.ts';
import type { SpecialPrior } from '../numeric/grid-linear.ts';
import type { FacetId } from '../craft/steps.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { G_PER_GR, N_PER_LBF, PLUNGER_MM_PER_TURN } from '../quantity/units.ts';

/** Bare-shaft offset at the reference distance, mm; outward and up positive. */
export const BARE_SHAFT_AXES = ['bareShaftOutward', 'bareShaftUp'] as const;
export type BareShaftAxis = (typeof BARE_SHAFT_AXES)[number];
/** The half of the bare-shaft step each axis speaks for. */
export const BARE_SHAFT_FACET = {
  bareShaftOutward: 'bareShaftLateral',
  bareShaftUp: 'bareShaftVertical',
} as const satisfies Record<BareShaftAxis, FacetId>;
export type Response = ReadingKind | BareShaftAxis;

/** Bare-shaft gains are stated at this distance and scale in proportion. */
export const REFERENCE_DISTANCE_M = 18;

/** How much a response moves for one unit of a control: rule of thumb, with its spread. */
export interface Gain {
  readonly mean: number;
  readonly sd: number;
}

/** Twists at which a twist's gain is stated: it grows in proportion to the twists already in. */
export const REFERENCE_TWISTS = 30;
/**
 * At 30 twists one twist moves the brace 0.8 mm; nine bows in ten lie between 0.35 and 1.8:
 * log-normal, so that a twist in never lowers the brace.
 */
const TWIST_MEDIAN_MM = 0.8;
const TWIST_LOG_SD = Math.log(1.8 / 0.35) / (2 * HALF_90);
export const TWIST_PRIOR: SpecialPrior & { readonly median: number; readonly logSd: number } = {
  median: TWIST_MEDIAN_MM,
  logSd: TWIST_LOG_SD,
  low: TWIST_MEDIAN_MM * Math.exp(-4.5 * TWIST_LOG_SD),
  high: TWIST_MEDIAN_MM * Math.exp(4.5 * TWIST_LOG_SD),
  logDensity: (v) => -Math.log(v) - (Math.log(v / TWIST_MEDIAN_MM) / TWIST_LOG_SD) ** 2 / 2,
};
const TWIST_TO_BRACE: Gain = {
  mean: TWIST_MEDIAN_MM * Math.exp(TWIST_LOG_SD ** 2 / 2),
  sd:
    TWIST_MEDIAN_MM * Math.exp(TWIST_LOG_SD ** 2 / 2) * Math.sqrt(Math.exp(TWIST_LOG_SD ** 2) - 1),
};
/** One bolt a turn in. The sign is likely, not certain. */
export const BOLT_TO_BRACE: Gain = { mean: -0.35, sd: 0.4 };
/**
 * One bolt a turn in on its own tiller reading, beside what the brace does: shorter, always. With the
 * brace's share it makes −3 ± 1.3 mm.
 */
export const BOLT_TO_OWN_TILLER: Gain = { mean: -2.65, sd: 1.24 };
/**
 * The same turn on the other limb's tiller reading, beside what the brace does: a stiffer limb tips the
 * bow, so that the other reads longer, by up to nine tenths of what the own one reads shorter. Likely,
 * not certain. With the brace's share it makes +1.5 ± 1.3 mm, and tiller −4.5 mm a turn.
 */
export const BOLT_TO_OTHER_TILLER: Gain = { mean: 1.85, sd: 1.24 };
/** One turn of one bolt, as a share of draw weight: up, always. */
export const BOLT_TO_WEIGHT_SHARE: Gain = { mean: 0.01, sd: 0.0042 };
/** What a string still creeps in all, mm of brace, and the shots after which 63 % of it is done. */
export const CREEP: Readonly<Record<'newString' | 'oldString', Gain>> = {
  newString: { mean: 2.5, sd: 1.5 },
  oldString: { mean: 0.3, sd: 0.5 },
};
export const CREEP_SHOTS = 40;

/** One whole turn of a pocket's side screws moves the string about 1 mm; nobody knows which way. */
export const SIDE_SCREW_MM = 1;
const SIDE_SCREW_SD_MM = 0.7;
export const SIDE_SCREW_PRIOR: SpecialPrior = {
  low: -4.5,
  high: 4.5,
  logDensity: (v) =>
    Math.log(
      Math.exp(-(((v - SIDE_SCREW_MM) / SIDE_SCREW_SD_MM) ** 2) / 2) +
        Math.exp(-(((v + SIDE_SCREW_MM) / SIDE_SCREW_SD_MM) ** 2) / 2),
    ),
};
/** Arrow length over brace height: a plunger turn shows this many times larger at the point. */
const POINT_LEVERAGE = 3.3;

/** How much weaker the arrow acts per pound of draw weight, mm at 18 m (inward is weak). */
const POUND_TO_OUTWARD: Gain = { mean: -13, sd: 7 };
const TEN_GRAIN_TO_OUTWARD: Gain = { mean: -17, sd: 8 };
const TWELVE_MM_CUT_TO_OUTWARD: Gain = { mean: 15, sd: 9 };
const BRACE_MM_TO_OUTWARD: Gain = { mean: -2, sd: 4 };

/** One step of spine (50 thousandths) stiffer, mm at 18 m: outward, less beyond very soft shafts. */
export const SPINE_STEP_TO_OUTWARD: Gain = { mean: 37, sd: 20 };

const FIXED: Partial<Record<Response, Partial<Record<Control, Gain>>>> = {
  nockingHeight: { nockingPoint: { mean: 1, sd: 0.05 }, restHeight: { mean: -1, sd: 0.1 } },
  restHeight: { restHeight: { mean: 1, sd: 0.05 } },
  centreShotAtPoint: {
    plungerReach: { mean: PLUNGER_MM_PER_TURN * POINT_LEVERAGE, sd: 0.25 },
    sidePlate: { mean: POINT_LEVERAGE, sd: 0.4 },
  },
  centreShotAtPlunger: {
    plungerReach: { mean: PLUNGER_MM_PER_TURN, sd: 0.05 },
    sidePlate: { mean: 1, sd: 0.1 },
  },
  bareShaftUp: { nockingPoint: { mean: -20, sd: 12 }, restHeight: { mean: 20, sd: 15 } },
  bareShaftOutward: {
    plungerPreload: { mean: 8, sd: 8 },
    pointMass: scaled(TEN_GRAIN_TO_OUTWARD, 1 / (10 * G_PER_GR)),
    shaftCut: scaled(TWELVE_MM_CUT_TO_OUTWARD, 1 / 12),
    twists: scaled(BRACE_MM_TO_OUTWARD, TWIST_TO_BRACE.mean),
    plungerReach: { mean: 0, sd: 13 },
  },
};

export const TWIST_TO_WEIGHT: Gain = { mean: 0.005 * N_PER_LBF, sd: 0.03 * N_PER_LBF };
const NO_GAIN: Gain = { mean: 0, sd: 0 };

function scaled(gain: Gain, factor: number): Gain {
  return { mean: gain.mean * factor, sd: gain.sd * Math.abs(factor) };
}

/** Bare shafts answer these one way only, by physics: whatever a few ends seem to say. */
const SIGN_FIXED: readonly Control[] = [
  'nockingPoint',
  'restHeight',
  'pointMass',
  'shaftCut',
  'topBolt',
  'bottomBolt',
];

export function isSignFixed(control: Control): boolean {
  return SIGN_FIXED.includes(control);
}

/** The gains of a reading that no learned plane describes, by control. */
export function fixedGains(response: Response): ReadonlyMap<Control, Gain> {
  return new Map(Object.entries(FIXED[response] ?? {}) as [Control, Gain][]);
}

/**
 * The rule-of-thumb gain of bare shafts to a control, per unit of the control (twist, turn, mm, g),
 * mm at the reference distance. Bows differ up to fourfold; the spread says so.
 *
 * @param drawWeightN present draw weight; bolts act in proportion to it
 */
export function bareShaftGain(axis: BareShaftAxis, control: Control, drawWeightN: number): Gain {
  if (axis === 'bareShaftOutward' && (control === 'topBolt' || control === 'bottomBolt')) {
    const poundsPerTurn = (BOLT_TO_WEIGHT_SHARE.mean * drawWeightN) / N_PER_LBF;
    return scaled(POUND_TO_OUTWARD, poundsPerTurn);
  }
  return FIXED[axis]?.[control] ?? NO_GAIN;
}
