import type { Control } from '../craft/controls.ts';
import {
  type BareShaftAxis,
  bareShaftGain,
  fixedGains,
  type Gain,
  type Response,
  SPINE_STEP_TO_OUTWARD,
} from './prior-gains.ts';
import type { StartingFrom } from './starting-values.ts';

/** What is held of a bow's gains before it has shown its own. */
export interface GainPriors {
  readonly source: 'ruleOfThumb' | 'simulation';
  /** Gains of a reading by control, mm for one unit of the control. */
  readonly ofReading: (response: Response) => ReadonlyMap<Control, Gain>;
  /** Gain of bare shafts, mm at the reference distance for one unit of the control. */
  readonly ofBareShafts: (axis: BareShaftAxis, control: Control, drawWeightN: number) => Gain;
  /** Of bare shafts across, mm at the reference distance for a shaft one spine step stiffer. */
  readonly ofSpineStep: Gain;
}

/**
 * How much of what it does to bare shafts a change does to arrows with points for use and their fletching
 * on. The fletching steers against the blades: a part of it, and no more is known before it was shot.
 */
export const POINTS_ANSWER = { mean: 0.6, sd: 0.25 } as const;

const RULES_OF_THUMB: GainPriors = {
  source: 'ruleOfThumb',
  ofReading: fixedGains,
  ofBareShafts: bareShaftGain,
  ofSpineStep: SPINE_STEP_TO_OUTWARD,
};

/**
 * The one door through which models ask for gains: rules of thumb for every bow, until something that
 * computes this bow's own (from its limbs, its arrow, its archer) stands behind it.
 */
export const gainPriorsFor: (bow: StartingFrom) => GainPriors = () => RULES_OF_THUMB;
