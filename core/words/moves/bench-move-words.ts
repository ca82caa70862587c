import type { MoveBecause } from '../../advice/move-because.ts';
import {
  BRACE_REFERENCE_LABEL,
  HAND_LABEL,
  HOOK_LABEL,
  PURPOSE_LABEL,
} from '../../craft/bow-terms.ts';
import { lowerFirst, upperFirst } from '../../craft/letter-case.ts';
import { howToRead, READINGS, type ReadingKind } from '../../craft/readings.ts';
import { isLateral, showReading } from '../../craft/show-reading.ts';
import { presentReading } from '../../gains/present-reading.ts';
import type { BowState } from '../../log/bow-state.ts';
import type { StepStatus } from '../../order/step-states.ts';
import { showLength, showWeight } from '../../quantity/show.ts';
import { showPlusMinus } from '../show-plus-minus.ts';
import { stepWords } from '../step-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;

const COUNT_WORDS: Readonly<Record<number, string>> = { 2: 'two', 3: 'three' };

/** A step with its own reason; what differs is spread over it. */
export function stepMoveWords({ step }: StepStatus, title: string): MoveWords {
  return {
    ...plainWords(title),
    why: step.why,
    reasons: [`Order of work: ${lowerFirst(step.why)}`],
  };
}

/** Read the tool: what, how often, and how it is typed. */
export function measureWords(
  state: BowState,
  { status, reading }: { readonly status: StepStatus; readonly reading: ReadingKind },
): MoveWords {
  const { step } = status;
  const { clearing } = step;
  if (clearing.by !== 'readings') throw new RangeError(`measureWords: ${step.id} is not measured`);
  const facts = READINGS[reading];
  const count = clearing.each;
  return {
    title: `Measure ${lowerFirst(clearing.of.length > 1 ? facts.name : step.name)}`,
    expect: expectedWords(state, reading),
    why:
      status.state === 'stale'
        ? `${step.name} is ${stepWords(status)}. ${step.why}`
        : `It has not been measured. ${step.why}`,
    reasons: [
      `Order of work: ${lowerFirst(step.why)}`,
      `Cleared by ${clearing.of.map((of) => lowerFirst(READINGS[of].name)).join(' and ')}, ${count === 1 ? 'one reading' : `${count} readings`}${clearing.of.length > 1 ? ' each' : ''}; replicates on one line count.`,
      howToRead(reading, state.bow.school),
    ],
    wouldChange: 'Set it aside with “Not now”: later steps stay open to you.',
    thenCheck: `Type ${facts.code} and ${count > 1 ? `${COUNT_WORDS[count] ?? count} readings with spaces between` : 'the reading'}.`,
    doneLabel: 'Enter it',
  };
}

function expectedWords(state: BowState, kind: ReadingKind): string | null {
  const present = presentReading(state, kind);
  if (present === null || present.fresh) return null;
  const name = lowerFirst(READINGS[kind].name);
  if (READINGS[kind].quantity === 'force')
    return `Expect ${name} about ${showWeight(present.value)}`;
  const style =
    isLateral(kind) || kind === 'restHeight'
      ? { ...state.bow, lengthUnit: 'mm' as const }
      : state.bow;
  return `Expect ${name} ${showReading(kind, present.value, state.bow)} ± ${showPlusMinus(present.plusMinus, style)}`;
}

/** One reading outside the limits that all together speak against. */
export function readAgainWords(
  state: BowState,
  { status, reading, readMm, pooledMm, limit }: Because<'readAgain'>,
): MoveWords {
  const whose = limit.source === 'maker' ? 'the maker’s limits' : 'the limits';
  return {
    ...measureWords(state, { status: { ...status, missing: [reading] }, reading }),
    title: 'Measure brace height again',
    why: `It reads ${showLength(readMm, state.bow)}, outside ${whose}, where all readings together say ${showLength(pooledMm, state.bow)}. Nothing is turned for one reading; do not shoot until it is inside.`,
    wouldChange: 'A second reading that says the same.',
  };
}

/** A look, a list to go through, or facts to be confirmed. */
export function confirmWords(state: BowState, { status, ask }: Because<'confirm'>): MoveWords {
  const { step } = status;
  return {
    ...stepMoveWords(status, step.name),
    expect: ask === 'facts' ? factsWords(state) : askedWords(status),
    why:
      step.clearing.by === 'readings'
        ? `Measured; a look that no tool replaces is still to come. ${step.why}`
        : status.state === 'stale'
          ? `It is ${stepWords(status)}. ${step.why}`
          : step.why,
    doneLabel: { look: 'It is so', list: 'Go through the list', facts: 'Look at them' }[ask],
  };
}

function askedWords({ step: { clearing } }: StepStatus): string | null {
  switch (clearing.by) {
    case 'readings':
      return clearing.look;
    case 'confirmation':
      return clearing.ask;
    default:
      return null;
  }
}

/** What is to be confirmed is said. */
function factsWords({ bow }: BowState): string {
  const facts = [
    HAND_LABEL[bow.hand],
    `hook ${HOOK_LABEL[bow.hook]}`,
    `for ${PURPOSE_LABEL[bow.purpose]}`,
    `brace read ${BRACE_REFERENCE_LABEL[bow.braceReference]}`,
  ];
  return upperFirst(`${facts.join(', ')}.`);
}

/** Shots that let string and serving settle. */
export function shootInWords({ status, shots }: Because<'shootIn'>): MoveWords {
  const isUntouched = status.state === 'toDo' && !status.begun;
  return {
    ...stepMoveWords(status, `Shoot in: ${shots} shots`),
    why: `${status.step.why} ${isUntouched ? '' : `So far ${stepWords(status)}.`}`.trim(),
    thenCheck: 'Brace height after 20, 50 and 100 shots.',
    doneLabel: `${shots} shots shot`,
  };
}
