import type { MoveBecause } from '../../advice/move-because.ts';
import { changeWords } from '../../craft/controls.ts';
import { READINGS } from '../../craft/readings.ts';
import type { BowState } from '../../log/bow-state.ts';
import { showLength, showNumber } from '../../quantity/show.ts';
import {
  alikeWords,
  creepWords,
  howSureWords,
  oneMoreWords,
  stillWords,
  stringOffWords,
  TWIST_FOR_WORDS,
} from '../brace-search-words.ts';
import { gainWords } from '../gain-words.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import { stepMoveWords } from './bench-move-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;

/** The step before a search was begun. */
export function openSearchWords({ status }: Because<'openBraceSearch'>): MoveWords {
  return {
    ...stepMoveWords(status, 'Look for the quiet brace height'),
    expect: 'Three to six heights, three shots each, recorded or by ear',
    thenCheck:
      'Found already? Open the step “Brace search”: it takes your word, and the height you gave it.',
    doneLabel: 'Open the search',
  };
}

/** What a search asks for next. */
export function braceSearchMoveWords(
  state: BowState,
  { search, standing }: Because<'braceSearch'>,
): MoveWords {
  const { next, here, judged } = standing;
  const isPractice = search.practiceSeed !== undefined;
  const gain = isPractice ? null : gainWords(state, 'braceHeight', 'twists');
  const words: MoveWords = {
    ...plainWords(''),
    reasons: [
      howSureWords(standing),
      ...[alikeWords(standing, state.bow), oneMoreWords(standing)].filter((one) => one !== null),
      ...(gain === null ? [] : [`${upperFirst(gain)}.`]),
      ...[creepWords(standing)].filter((one) => one !== null),
      `So far ${stringOffWords(standing)}.`,
    ],
    wouldChange: 'What the next height sounds like: the curve is drawn anew after each.',
  };
  switch (next.kind) {
    case 'readBrace':
      return {
        ...words,
        title: `Read the brace: ${stillWords(next.have, next.want, 'reading')}`,
        why: 'The height that is read counts, not the number of twists.',
        thenCheck: `Type ${READINGS.braceHeight.code} and the readings with spaces between.`,
        doneLabel: 'Enter it',
      };
    case 'shoot':
      return {
        ...words,
        title: `Shoot ${stillWords(next.have, next.want, 'shot')} and listen`,
        expect: here?.heightMm == null ? null : `At ${showLength(here.heightMm, state.bow)}`,
        why: 'Same arrow, same distance, same place of the microphone as at every height. Recorded, or by ear against the height before.',
        doneLabel: 'Open the search',
      };
    case 'twist':
      return {
        ...words,
        title: changeWords('twists', next.twists),
        expect: `Expect brace about ${showLength(next.heightMm, state.bow)}`,
        why: `${TWIST_FOR_WORDS[next.for]}${next.worthDb === null ? '' : ` It is expected to bring ${showNumber(Math.max(0.1, next.worthDb), 1)} dB.`}`,
        thenCheck:
          'Brace, three readings; then three shots. All else that wants the bow unstrung now.',
      };
    case 'seeSilencers':
      return {
        ...words,
        title: 'Silencers back on, and shoot once',
        why: 'The search was shot without them: before it is settled it is heard once as it will be shot.',
        doneLabel: 'Open the search',
      };
    case 'settle':
      return {
        ...words,
        title: `Settle on ${showLength(next.heightMm, state.bow)}`,
        why: next.flat
          ? `These ${judged?.curve.tried ?? 0} cannot be told apart: take the lowest that clears your arm.`
          : howSureWords(standing),
        doneLabel: 'Open the search',
      };
    case 'armAlways':
      return {
        ...words,
        title: 'The string touches the arm at every height there is',
        why: 'No brace inside the limits clears it. An arm guard, the elbow turned out, or a coach comes before the string.',
        doneLabel: 'Open the search',
      };
    case 'over':
      return { ...words, title: 'The search is over' };
  }
}
