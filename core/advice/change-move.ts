import { type Control, CONTROL_FACTS, movesWords } from '../craft/controls.ts';
import { stepWords } from '../words/step-words.ts';
import { lowerFirst, upperFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { effectOn, presentReading } from '../gains/present-reading.ts';
import { isLateral, showReading } from '../craft/show-reading.ts';
import type { BowState } from '../log/bow-state.ts';
import { countedBand } from '../setup/counted-band.ts';
import { gainWords } from '../words/gain-words.ts';
import { clamp, type Move, type MovePlace, nearestInside, roundToStep } from './move.ts';
import { showPlusMinus } from '../words/show-plus-minus.ts';
import { beyondBand, type StepStatus } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';

/** A reading with the one control that moves it. */
export interface OneControl {
  readonly reading: ReadingKind;
  readonly control: Control;
  readonly place: MovePlace;
  readonly thenCheck: string;
  /** The amount once more in the terms of the hand: turns of a tied locator. */
  readonly inOtherWords?: (amount: number) => string | null;
}

/**
 * One control moved so that one reading comes into its band, by the gain this bow has shown.
 * Null when it is in band, or the step would be less than the control's smallest.
 */
export function oneControlMove(state: BowState, status: StepStatus, what: OneControl): Move | null {
  const { reading, control } = what;
  const present = presentReading(state, reading);
  const target = targetFor(state, reading);
  const gain = gainOf(state, reading, control);
  if (present === null || target === null || gain === null || gain.mean === 0) return null;
  if (beyondBand(present.value, countedBand(state, reading, target)) === 0) return null;
  const { step, largest, needsUnstrung } = CONTROL_FACTS[control];
  const wanted = nearestInside(present.value, target, READINGS[reading].tolerance) - present.value;
  const amount = clamp(roundToStep(wanted / gain.mean, step), -largest, largest);
  if (amount === 0) return null;
  const changes = [{ control, amount }];
  const effect = effectOn(state, reading, new Map([[control, amount]]));
  const after = present.value + effect.shift;
  const plusMinus = Math.hypot(present.plusMinus, effect.plusMinus);
  const { name } = READINGS[reading];
  const { bow } = state;
  const fine = isLateral(reading) || reading === 'restHeight';
  const spreadStyle = fine ? { ...bow, lengthUnit: 'mm' as const } : bow;
  const learned = gainWords(state, reading, control);
  const other = what.inOtherWords?.(amount) ?? null;
  return {
    key: `change:${control}`,
    step: status.step.id,
    title: movesWords(changes),
    expect: `Expect ${lowerFirst(name)} ${showReading(reading, after, bow)} ± ${showPlusMinus(plusMinus, spreadStyle)}`,
    why: `${name} is ${showReading(reading, present.value, bow)}, ${stepWords(status)}: ${showReading(reading, target.low, bow)} to ${showReading(reading, target.high, bow)} (${target.name}).`,
    reasons: [
      target.source === 'rule of thumb' ? `${target.why} A rule of thumb.` : target.why,
      ...(learned === null ? [] : [`${upperFirst(learned)}.`]),
      ...(other === null ? [] : [other]),
      status.step.why,
    ],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    caution: needsUnstrung ? 'bolts' : null,
    thenCheck: what.thenCheck,
    place: what.place,
    action: { kind: 'change', changes },
    doneLabel: 'Done',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
