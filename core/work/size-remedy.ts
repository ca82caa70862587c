import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import { type BareShaftAxis, bareShaftGain } from '../gains/prior-gains.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { BowState } from '../record/fold.ts';
import { boltsOutNow } from './bolts.ts';
import { clamp, roundToStep } from './move.ts';

/** Most of each control in one go, in its unit; and how far it may go in all from where it began. */
const REACH: Partial<Record<Control, { readonly oneGo: number; readonly inAll: number }>> = {
  nockingPoint: { oneGo: 2, inAll: 15 },
  plungerPreload: { oneGo: 1, inAll: 2 },
  topBolt: { oneGo: 0.5, inAll: 2 },
  pointMass: { oneGo: 20 * G_PER_GR, inAll: 40 * G_PER_GR },
};
/** Points come in steps of about this. */
const POINT_STEP_G = 5 * G_PER_GR;
const NOCKING_LIMIT_MM = { low: 0, high: 25 } as const;

/** One way to take an offset away, sized. */
export interface Remedy {
  readonly amounts: ReadonlyMap<Control, number>;
  /** Share of the offset that all that is left of this control could take away. */
  readonly couldDo: number;
}

/** Controls by reversibility for this bow; shelf bows have only the arrow, and weak only a lighter point. */
export function controlsFor(
  state: BowState,
  axis: 'outward' | 'up',
): readonly (readonly Control[])[] {
  if (axis === 'up') return [['nockingPoint']];
  if (shootsOffTheShelf(state.bow.school)) return [['pointMass']];
  return [['plungerPreload'], ['topBolt', 'bottomBolt'], ['pointMass']];
}

/**
 * How far to move: the amount that leaves the least expected squared offset when the gain itself is
 * uncertain, u = −δ g / (g² + s²), rounded to the control's step and kept inside its limits.
 */
export function sizeRemedy(
  state: BowState,
  controls: readonly Control[],
  response: BareShaftAxis,
  offsetAtReferenceMm: number,
): Remedy | null {
  const lead = controls[0];
  const reach = lead === undefined ? undefined : REACH[lead];
  if (lead === undefined || reach === undefined) return null;
  const weightN = presentWeightN(state);
  const gains = controls.map((control) => bareShaftGain(response, control, weightN));
  const mean = gains.reduce((sum, gain) => sum + gain.mean, 0);
  const variance = gains.reduce((sum, gain) => sum + gain.sd ** 2, 0);
  if (mean === 0) return null;
  const room = roomLeft(state, lead, reach.inAll);
  const wanted = (-offsetAtReferenceMm * mean) / (mean ** 2 + variance);
  const step = lead === 'pointMass' ? POINT_STEP_G : CONTROL_FACTS[lead].step;
  const most = wanted > 0 ? Math.min(reach.oneGo, room.up) : Math.min(reach.oneGo, room.down);
  const whole = Math.floor(most / step + 1e-9) * step;
  const amount = clamp(roundToStep(wanted, step), -whole, whole);
  if (amount === 0) return null;
  const all = wanted > 0 ? room.up : room.down;
  return {
    amounts: new Map(controls.map((control) => [control, amount])),
    couldDo: Math.abs((all * mean) / offsetAtReferenceMm),
  };
}

function roomLeft(
  state: BowState,
  control: Control,
  inAll: number,
): { readonly up: number; readonly down: number } {
  const moved = state.moved.get(control) ?? 0;
  if (control === 'topBolt') {
    const { canGoIn, canGoOut } = boltsOutNow(state);
    return {
      up: Math.min(canGoIn.top, canGoIn.bottom),
      down: Math.min(canGoOut.top, canGoOut.bottom),
    };
  }
  if (control === 'nockingPoint') {
    const height = presentReading(state, 'nockingHeight')?.value;
    if (height !== undefined) {
      return {
        up: Math.max(0, NOCKING_LIMIT_MM.high - height),
        down: Math.max(0, height - NOCKING_LIMIT_MM.low),
      };
    }
  }
  return { up: Math.max(0, inAll - moved), down: Math.max(0, inAll + moved) };
}
