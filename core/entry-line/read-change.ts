import { changeWords, CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { upperFirst } from '../craft/letter-case.ts';
import { type Amount, readAmounts } from '../quantity/read-amounts.ts';
import { showLengthBoth } from '../quantity/show.ts';
import { toStored, UNITS, type UnitSymbol } from '../quantity/units.ts';
import type { BowState } from '../record/fold.ts';
import { askFirst, secondControlNote, staleNote } from './change-questions.ts';
import type { EntryLine } from './entry-line.ts';

/** Reads the argument of a change code: one signed amount. */
export function readChange(
  text: string,
  argumentAt: number,
  control: Control,
  state: BowState,
): EntryLine {
  const read = readAmounts(text, argumentAt);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const [amount, second] = read.amounts;
  if (amount === undefined)
    throw new RangeError('readChange: no amount in a text that is not blank');
  if (second !== undefined) {
    return refuse(second, 'A change is one number.', 'Log a second change as its own line.');
  }
  const facts = CONTROL_FACTS[control];
  if (!amount.signed && facts.reversible) {
    return refuse(
      amount,
      'Which way? A change needs its sign.',
      `Type ${facts.code} + for ${facts.plus}, ${facts.code} - for ${facts.minus}.`,
    );
  }
  if (amount.value === 0)
    return refuse(amount, 'That changes nothing.', 'Type how much was moved.');
  const size = storedAmount(amount, control);
  if (typeof size !== 'number') return size;
  if (facts.unit === 'twist' && !Number.isInteger(size)) {
    return refuse(amount, 'Twists are whole turns of the string.', 'Round to a whole number.');
  }
  const body = { kind: 'change', control, amount: size, because: '' } as const;
  const ready: EntryLine = {
    kind: 'ready',
    title: 'Change',
    figure: upperFirst(changeWords(control, size)),
    notes: [
      ...(facts.unit === 'mm' ? [showLengthBoth(size, 32)] : []),
      ...staleNote(state, control),
      ...secondControlNote(state, control),
    ],
    bodies: [body],
  };
  const asked = askFirst(state, control, size, text, body);
  if (asked !== null) return asked;
  if (Math.abs(size) <= facts.largest + 1e-9) return ready;
  return {
    kind: 'question',
    asks: `${upperFirst(changeWords(control, size))} is a lot in one go. Is it right?`,
    choices: [{ label: 'It is right: log it', text, bodies: [body] }],
  };
}

function storedAmount(amount: Amount, control: Control): number | EntryLine {
  const { unit: wanted, name } = CONTROL_FACTS[control];
  if (amount.unit === null) {
    if (wanted === 'mm') return amount.hasFraction ? toStored(amount.value, 'in') : amount.value;
    return wanted === 'g' ? toStored(amount.value, 'gr') : amount.value;
  }
  const quantity = UNITS[amount.unit].quantity;
  const fits: Record<typeof wanted, boolean> = {
    twist: false,
    turn: quantity === 'turns',
    mm: quantity === 'length',
    g: quantity === 'mass',
  };
  if (fits[wanted]) return toStored(amount.value, amount.unit satisfies UnitSymbol);
  const units: Record<typeof wanted, string> = {
    twist: 'as a plain number',
    turn: 'in turns',
    mm: 'in mm or inches',
    g: 'in grains or grams',
  };
  return refuse(amount, `${name}: ${amount.unit} does not fit.`, `Give it ${units[wanted]}.`);
}

function refuse(amount: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at: amount.at, length: amount.length, says, remedy } };
}
