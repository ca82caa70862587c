import type { MoveBecause } from '../../advice/move-because.ts';
import { type Control, movesWords } from '../../craft/controls.ts';
import { lowerFirst, upperFirst } from '../../craft/letter-case.ts';
import { locatorTurns, USUAL_SERVING_THREAD_MM } from '../../craft/locators.ts';
import { READINGS } from '../../craft/readings.ts';
import { isLateral, showReading } from '../../craft/show-reading.ts';
import type { BowState } from '../../log/bow-state.ts';
import { showExact } from '../../quantity/show.ts';
import { gainWords } from '../gain-words.ts';
import { showPlusMinus } from '../show-plus-minus.ts';
import { stepWords } from '../step-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

/** What is measured after each control that answers to one reading. */
const THEN_CHECK: Partial<Record<Control, string>> = {
  nockingPoint: 'Nocking height again, locators loose until proven.',
  plungerReach: 'Centre shot at the point again.',
  sidePlate: 'Centre shot at the point again.',
  restHeight: 'Rest height again, then nocking height.',
};

/** One control moved so that one reading comes into its band. */
export function oneControlWords(
  state: BowState,
  {
    status,
    reading,
    control,
    amount,
    now,
    after,
    target,
  }: Extract<MoveBecause, { readonly topic: 'oneControl' }>,
): MoveWords {
  const { bow } = state;
  const { name } = READINGS[reading];
  const fine = isLateral(reading) || reading === 'restHeight';
  const spreadStyle = fine ? { ...bow, lengthUnit: 'mm' as const } : bow;
  const learned = gainWords(state, reading, control);
  const show = (value: number) => showReading(reading, value, bow);
  return {
    ...plainWords(movesWords([{ control, amount }])),
    expect: `Expect ${lowerFirst(name)} ${show(after.value)} ± ${showPlusMinus(after.plusMinus, spreadStyle)}`,
    why: `${name} is ${show(now.value)}, ${stepWords(status)}: ${show(target.low)} to ${show(target.high)} (${target.name}).`,
    reasons: [
      target.source === 'rule of thumb' ? `${target.why} A rule of thumb.` : target.why,
      ...(learned === null ? [] : [`${upperFirst(learned)}.`]),
      ...(control === 'nockingPoint' ? [turnsOfLocator(amount)] : []),
      status.step.why,
    ],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    thenCheck: THEN_CHECK[control] ?? null,
  };
}

/** The amount once more in the terms of the hand: turns of a tied locator. */
function turnsOfLocator(moveMm: number): string {
  const turns = locatorTurns(Math.abs(moveMm), USUAL_SERVING_THREAD_MM);
  return `A tied locator climbs one serving thread a turn: about ${showExact(turns, 0)} ${turns === 1 ? 'turn' : 'turns'} with a ${USUAL_SERVING_THREAD_MM} mm thread, a rule of thumb.`;
}
