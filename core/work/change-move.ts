import { type Control, movesWords } from '../craft/controls.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { effectOf, presentReading, presentWeightN } from '../gains/present-reading.ts';
import { showLength, showNumber, showSigned, showWeight } from '../quantity/show.ts';
import type { BowState } from '../record/fold.ts';
import type { Move, MovePlace } from './move.ts';
import { showPlusMinus } from './show-plus-minus.ts';
import { presentTargetValue, type StepStatus } from './step-states.ts';

/** What a proposed change is about, in words. */
export interface ChangeMoveWords {
  readonly reading: ReadingKind | 'tiller';
  readonly problem: string;
  readonly stop: boolean;
  readonly thenCheck: string;
  readonly gainWords: string;
}

/** A proposal to move controls, with what it should do to the reading it is made for. */
export function changeMove(
  state: BowState,
  status: StepStatus,
  amounts: ReadonlyMap<Control, number>,
  place: MovePlace,
  words: ChangeMoveWords,
): Move {
  const changes = [...amounts].map(([control, amount]) => ({ control, amount }));
  return {
    key: `change:${changes.map(({ control, amount }) => `${control}${amount}`).join(',')}`,
    step: status.step.id,
    title: movesWords(changes),
    expect: expectAfter(state, amounts, words.reading),
    why: words.problem,
    reasons: [words.problem, words.gainWords, status.step.why],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    caution: changes.some(({ control }) => control === 'topBolt' || control === 'bottomBolt')
      ? 'bolts'
      : changes.some(({ control }) => control === 'twists')
        ? 'unstring'
        : null,
    thenCheck: words.thenCheck,
    place,
    action: { kind: 'change', changes },
    doneLabel: 'Done',
    likelyAfter: null,
    stop: words.stop,
  };
}

function expectAfter(
  state: BowState,
  amounts: ReadonlyMap<Control, number>,
  reading: ReadingKind | 'tiller',
): string | null {
  const weightN = presentWeightN(state);
  if (reading === 'tiller') {
    const value = presentTargetValue(state, 'tiller');
    if (value === null) return null;
    const top = effectOf('tillerTop', amounts, weightN);
    const bottom = effectOf('tillerBottom', amounts, weightN);
    return `Expect tiller ${showSigned(value + top.shift - bottom.shift, 0)} mm ± ${showNumber(Math.hypot(top.plusMinus, bottom.plusMinus), 0)}`;
  }
  const present = presentReading(state, reading);
  if (present === null) return null;
  const effect = effectOf(reading, amounts, weightN);
  const value = present.value + effect.shift;
  const plusMinus = Math.hypot(present.plusMinus, effect.plusMinus);
  const name = lowerFirst(READINGS[reading].name);
  if (READINGS[reading].quantity === 'force') {
    return `Expect ${name} ${showWeight(value)} ± ${showWeight(plusMinus)}`;
  }
  return `Expect ${name} ${showLength(value, state.bow)} ± ${showPlusMinus(plusMinus, state.bow)}`;
}
