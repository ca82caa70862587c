import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { effectOn, presentReading } from '../gains/present-reading.ts';
import type { BowState } from '../log/bow-state.ts';
import { countedBand } from '../setup/counted-band.ts';
import { clamp, type Move, type MovePlace, nearestInside, roundToStep } from './move.ts';
import { plainMove } from './plain-move.ts';
import { beyondBand, type StepStatus } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';

/** A reading with the one control that moves it. */
export interface OneControl {
  readonly reading: ReadingKind;
  readonly control: Control;
  readonly place: MovePlace;
}

/**
 * One control moved so that one reading comes into its band, by the gain this bow has shown.
 * Null when it is in band, or the step would be less than the control's smallest.
 */
export function oneControlMove(
  state: BowState,
  status: StepStatus,
  { reading, control, place }: OneControl,
): Move | null {
  const now = presentReading(state, reading);
  const target = targetFor(state, reading);
  const gain = gainOf(state, reading, control);
  if (now === null || target === null || gain === null || gain.mean === 0) return null;
  if (beyondBand(now.value, countedBand(state, reading, target)) === 0) return null;
  const { step, largest, needsUnstrung } = CONTROL_FACTS[control];
  const goTo = target.place ?? nearestInside(now.value, target, READINGS[reading].tolerance);
  const wanted = goTo - now.value;
  const amount = clamp(roundToStep(wanted / gain.mean, step), -largest, largest);
  if (amount === 0) return null;
  const effect = effectOn(state, reading, new Map([[control, amount]]));
  const after = {
    value: now.value + effect.shift,
    plusMinus: Math.hypot(now.plusMinus, effect.plusMinus),
  };
  return {
    ...plainMove(status.step.id, {
      topic: 'oneControl',
      status,
      reading,
      control,
      amount,
      now,
      after,
      target,
    }),
    key: `change:${control}`,
    caution: needsUnstrung ? 'bolts' : null,
    place,
    action: { kind: 'change', changes: [{ control, amount }] },
  };
}
