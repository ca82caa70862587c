import type { MakeSafeBecause } from '../../advice/move-because.ts';
import type { Move } from '../../advice/move.ts';
import { movesWords } from '../../craft/controls.ts';
import type { BowState } from '../../log/bow-state.ts';
import { stopWords } from '../limit-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

const DONE_LABEL: Readonly<Record<MakeSafeBecause['by'], string>> = {
  turnBack: 'Done',
  otherArrow: 'Fit another',
  otherString: 'Fit another string',
  fitOut: 'Look at the fit-out',
  look: 'Look at it',
};

/** What is wrong, and the way back to a bow that is safe to shoot. */
export function makeSafeWords(
  state: BowState,
  { stop, by }: MakeSafeBecause,
  action: Move['action'],
): MoveWords {
  const { title, says, remedy } = stopWords(stop, state);
  const words: MoveWords = {
    ...plainWords(title),
    why: `${says} ${remedy}`,
    wouldChange: 'A correction of what was written down, if it was written down wrongly.',
    doneLabel: DONE_LABEL[by],
  };
  if (by === 'otherArrow')
    return { ...words, thenCheck: 'Someone watches the point at full draw before the next shot.' };
  if (action.kind !== 'change') return words;
  return {
    ...words,
    title: movesWords(action.changes),
    why: `${title}. ${words.why}`,
    thenCheck: action.changes.some(({ control }) => control === 'twists')
      ? 'Brace height, three readings.'
      : 'See that both limbs sit. Draw weight, brace, both tillers.',
  };
}
