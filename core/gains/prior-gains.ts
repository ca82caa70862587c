import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { G_PER_GR, N_PER_LBF, PLUNGER_MM_PER_TURN } from '../quantity/units.ts';

/** Bare-shaft offset at the reference distance, mm; outward and up positive. */
export type BareShaftAxis = 'bareShaftOutward' | 'bareShaftUp';
export type Response = ReadingKind | BareShaftAxis;

/** Bare-shaft gains are stated at this distance and scale in proportion. */
export const REFERENCE_DISTANCE_M = 18;

/** How much a response moves for one unit of a control: rule of thumb, with its spread. */
export interface Gain {
  readonly mean: number;
  readonly sd: number;
}

/** One twist moves the brace 0.8 mm; nine bows in ten lie between 0.35 and 1.8. */
const TWIST_TO_BRACE: Gain = { mean: 0.8, sd: 0.45 };
const BOLT_TO_BRACE: Gain = { mean: -0.35, sd: 0.4 };
/** One bolt moves its own tiller reading by the tiller effect plus what the brace does. */
const BOLT_TO_OWN_TILLER: Gain = { mean: -4.85, sd: 2 };
/** One turn of one bolt, as a share of draw weight. */
const BOLT_TO_WEIGHT_SHARE: Gain = { mean: 0.01, sd: 0.0042 };
/** Arrow length over brace height: a plunger turn shows this many times larger at the point. */
const POINT_LEVERAGE = 3.3;

/** How much weaker the arrow acts per pound of draw weight, mm at 18 m (inward is weak). */
const POUND_TO_OUTWARD: Gain = { mean: -13, sd: 7 };
const TEN_GRAIN_TO_OUTWARD: Gain = { mean: -17, sd: 8 };
const TWELVE_MM_CUT_TO_OUTWARD: Gain = { mean: 15, sd: 9 };
const BRACE_MM_TO_OUTWARD: Gain = { mean: -2, sd: 4 };

const FIXED: Partial<Record<Response, Partial<Record<Control, Gain>>>> = {
  braceHeight: { twists: TWIST_TO_BRACE, topBolt: BOLT_TO_BRACE, bottomBolt: BOLT_TO_BRACE },
  tillerTop: { twists: TWIST_TO_BRACE, topBolt: BOLT_TO_OWN_TILLER, bottomBolt: BOLT_TO_BRACE },
  tillerBottom: { twists: TWIST_TO_BRACE, topBolt: BOLT_TO_BRACE, bottomBolt: BOLT_TO_OWN_TILLER },
  nockingHeight: { nockingPoint: { mean: 1, sd: 0.05 }, restHeight: { mean: -1, sd: 0.1 } },
  restHeight: { restHeight: { mean: 1, sd: 0.05 } },
  centreShotAtPoint: {
    plungerReach: { mean: PLUNGER_MM_PER_TURN * POINT_LEVERAGE, sd: 0.25 },
  },
  centreShotAtPlunger: { plungerReach: { mean: PLUNGER_MM_PER_TURN, sd: 0.05 } },
  bareShaftUp: { nockingPoint: { mean: -20, sd: 12 }, restHeight: { mean: 20, sd: 15 } },
  bareShaftOutward: {
    plungerPreload: { mean: 8, sd: 8 },
    pointMass: scaled(TEN_GRAIN_TO_OUTWARD, 1 / (10 * G_PER_GR)),
    shaftCut: scaled(TWELVE_MM_CUT_TO_OUTWARD, 1 / 12),
    twists: scaled(BRACE_MM_TO_OUTWARD, TWIST_TO_BRACE.mean),
    plungerReach: { mean: 0, sd: 13 },
  },
};

const TWIST_TO_WEIGHT: Gain = { mean: 0.005 * N_PER_LBF, sd: 0.03 * N_PER_LBF };
const NO_GAIN: Gain = { mean: 0, sd: 0 };

function scaled(gain: Gain, factor: number): Gain {
  return { mean: gain.mean * factor, sd: gain.sd * Math.abs(factor) };
}

/**
 * The rule-of-thumb gain of a response to a control, per unit of the control (twist, turn, mm, g).
 * Bows differ up to fourfold; the spread says so.
 *
 * @param drawWeightN present draw weight; bolts act in proportion to it
 */
export function priorGain(response: Response, control: Control, drawWeightN: number): Gain {
  if (control === 'topBolt' || control === 'bottomBolt') {
    if (response === 'drawWeight') return scaled(BOLT_TO_WEIGHT_SHARE, drawWeightN);
    if (response === 'bareShaftOutward') {
      const poundsPerTurn = (BOLT_TO_WEIGHT_SHARE.mean * drawWeightN) / N_PER_LBF;
      return scaled(POUND_TO_OUTWARD, poundsPerTurn);
    }
  }
  if (response === 'drawWeight') return control === 'twists' ? TWIST_TO_WEIGHT : NO_GAIN;
  return FIXED[response]?.[control] ?? NO_GAIN;
}
