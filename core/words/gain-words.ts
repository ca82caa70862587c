import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { showNumber } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';

/** Gains are stated for this much of a control: a twist, a quarter turn, a millimetre. */
const UNIT_WORDS: Readonly<Record<'twist' | 'turn' | 'mm' | 'g', string>> = {
  twist: '1 twist',
  turn: '1 turn',
  mm: '1 mm',
  g: '1 g',
};

/**
 * `1 twist = 0.9 ± 0.2 mm of brace height, from 5 changes`; says it is a rule of thumb while no
 * change has been seen. Null when the control does not move the reading.
 */
export function gainWords(state: BowState, kind: ReadingKind, control: Control): string | null {
  const gain = gainOf(state, kind, control);
  if (gain === null) return null;
  const force = READINGS[kind].quantity === 'force';
  const show = (value: number, decimals: number) =>
    showNumber(force ? fromStored(value, 'lb') : value, decimals);
  const plusMinus = Math.abs(force ? fromStored(gain.plusMinus, 'lb') : gain.plusMinus);
  const decimals = plusMinus < 0.095 ? 2 : 1;
  const { unit } = CONTROL_FACTS[control];
  const name = lowerFirst(READINGS[kind].name);
  const lead = unit === 'twist' ? '' : `${lowerFirst(CONTROL_FACTS[control].name)}, `;
  const behind =
    gain.changes === 0
      ? 'a rule of thumb until this bow has shown its own'
      : `from ${gain.changes} ${gain.changes === 1 ? 'change' : 'changes'}`;
  return `${lead}${UNIT_WORDS[unit]} = ${show(gain.mean, decimals)} ± ${show(gain.plusMinus, decimals)} ${force ? 'lb' : 'mm'} of ${name}, ${behind}`;
}
