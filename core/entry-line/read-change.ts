import { changeWords, CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { upperFirst } from '../craft/letter-case.ts';
import { changeDoor } from '../limits/change-door.ts';
import { changeQuestionWords } from '../words/change-question-words.ts';
import { refusalWords } from '../words/limit-words.ts';
import type { LimitRefusal } from '../limits/limit-refusal.ts';
import { impossibleFigure } from '../limits/figure-ranges.ts';
import { type Amount, type AmountsLook, readAmounts } from '../quantity/read-amounts.ts';
import { showLengthBoth } from '../quantity/show.ts';
import type { UnitSymbol } from '../quantity/units.ts';
import type { BodyOf } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { secondControlNote, staleNote } from './change-notes.ts';
import type { EntryLine } from './entry-line.ts';
import { type FigureWanted, readFigure } from '../quantity/read-figure.ts';
import { takeReason } from './take-reason.ts';

/**
 * Reads the argument of a change code: one signed amount, and behind it `done` and how it came where
 * it was done already. What is only proposed goes through the door of every change.
 */
export function readChange(
  text: string,
  argumentAt: number,
  control: Control,
  state: BowState,
): EntryLine {
  const reason = takeReason(text, argumentAt);
  const facts = CONTROL_FACTS[control];
  const read = readAmounts(reason.text, argumentAt, LOOK[facts.unit]);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const [amount, second] = read.amounts;
  if (amount === undefined) {
    const at = argumentAt + 1;
    return {
      kind: 'refused',
      refusal: {
        at,
        length: Math.max(1, text.length - at),
        says: 'How much is missing.',
        remedy: 'Type the number before the reason.',
      },
    };
  }
  if (second !== undefined) {
    return refuse(second, 'A change is one number.', 'Log a second change as its own line.');
  }
  if (!amount.signed && facts.reversible) {
    return refuse(
      amount,
      'Which way? A change needs its sign.',
      `Type ${facts.code} + for ${facts.plus}, ${facts.code} - for ${facts.minus}.`,
    );
  }
  if (amount.value === 0)
    return refuse(amount, 'That changes nothing.', 'Type how much was moved.');
  if (facts.unit === 'twist' && !Number.isInteger(amount.value) && amount.unit === null) {
    return refuse(amount, 'Twists are whole turns of the string.', 'Round to a whole number.');
  }
  const figure = readFigure(amount, wantedFor(control));
  if (figure.kind === 'wrongUnit') return { kind: 'refused', refusal: figure.refusal };
  const size = figure.stored;
  const body: BodyOf<'change'> = {
    kind: 'change',
    control,
    amount: size,
    because: reason.how === 'because' ? reason.why : '',
    ...(reason.how === 'done' && reason.why !== '' ? { despite: reason.why } : {}),
  };
  const words = upperFirst(changeWords(control, size));
  if (facts.reversible && (figure.kind === 'outside' || impossibleFigure(body) !== null))
    return refuse(amount, `${words} is far more than it can go.`, 'Type how much it was moved.');
  if (reason.how === 'done' && reason.why === '')
    return {
      kind: 'typing',
      title: `${words}, done already`,
      hint: 'Say how it came to that. It is recorded, and stops the bow while it is unsafe.',
      completions: [],
    };
  const ready: EntryLine = {
    kind: 'ready',
    title: reason.how === 'done' ? 'Done already' : 'Change',
    figure: words,
    notes: [
      ...(facts.unit === 'mm' ? [showLengthBoth(size, 32)] : []),
      ...(reason.why === '' ? [] : [`Because: ${reason.why}.`]),
      ...staleNote(state, control),
      ...secondControlNote(state, control),
    ],
    bodies: [body],
  };
  if (control === 'shaftCut' && size <= 0) return refusedBy(state, body, amount, text);
  if (reason.how === 'done') return ready;
  const door = changeDoor(state, [body]);
  switch (door.kind) {
    case 'open':
      return ready;
    case 'refused':
      return refusedBy(state, body, amount, text);
    case 'ask': {
      const { asks, yes } = changeQuestionWords(door.questions, [body]);
      return { kind: 'question', asks, choices: [{ label: yes, text, bodies: [body] }] };
    }
  }
}

const LOOK: Readonly<Record<(typeof CONTROL_FACTS)[Control]['unit'], AmountsLook>> = {
  twist: { parts: 'rule', oneKind: true },
  mm: { parts: 'rule', oneKind: true },
  g: { parts: 'rule', oneKind: true },
  turn: { parts: 'turn', oneKind: true },
};

/** Any size that can be written down: what is too much is said by its limit, not by its range. */
const ANY_SIZE = [-1e4, 1e4] as const;

function wantedFor(control: Control): FigureWanted {
  const { name, unit } = CONTROL_FACTS[control];
  const bare: Readonly<Record<typeof unit, readonly UnitSymbol[]>> = {
    twist: [],
    turn: ['turn'],
    mm: ['mm'],
    g: ['gr'],
  };
  const quantity = (
    { twist: 'count', turn: 'turns', mm: 'length', g: 'mass' } as const satisfies Record<
      typeof unit,
      FigureWanted['quantity']
    >
  )[unit];
  return { name, quantity, bare: bare[unit], range: ANY_SIZE };
}

/** Refused with its reason; what was done nevertheless can be written down from there. */
function refusedBy(
  state: BowState,
  body: BodyOf<'change'>,
  amount: Amount,
  text: string,
): EntryLine {
  const refusal = refusalOf(state, body);
  const { says, remedy } = refusalWords(refusal, [body], state);
  return {
    kind: 'refused',
    refusal: { at: amount.at, length: amount.length, says, remedy },
    ...(refusal.code === 'shaftCannotGrow'
      ? {}
      : { way: { label: 'I have already done it', text: `${text.trimEnd()} done ` } }),
  };
}

function refusalOf(state: BowState, body: BodyOf<'change'>): LimitRefusal {
  const door = changeDoor(state, [{ control: body.control, amount: body.amount }]);
  if (door.kind !== 'refused') throw new RangeError(`refusalOf: ${body.control} is not refused`);
  return door.refusal;
}

function refuse(amount: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at: amount.at, length: amount.length, says, remedy } };
}
