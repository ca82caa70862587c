import { upperFirst } from '../craft/letter-case.ts';
import { movesWords } from '../craft/controls.ts';
import type { ChangeQuestion, ControlChange } from '../limits/change-door.ts';

/** What is asked before a change is made, and what the answer that lets it through says. */
export function changeQuestionWords(
  questions: readonly ChangeQuestion[],
  changes: readonly ControlChange[],
): { readonly asks: string; readonly yes: string } {
  const lead = upperFirst(movesWords(changes));
  return {
    asks: `${lead}: ${questions.map((one) => ASKS[one]).join(' ')}`,
    yes: questions.includes('threadAndSeat')
      ? 'Yes to both: log it'
      : questions.includes('strandsHold')
        ? 'They hold: log it'
        : 'It is right: log it',
  };
}

const ASKS: Readonly<Record<ChangeQuestion, string>> = {
  threadAndSeat:
    'the maker’s travel is unknown. Is as much thread as the bolt is thick still in the riser, and does the limb sit firm by hand?',
  strandsHold: 'nobody has counted the twists. Does no finger slip between the strands after it?',
  aLot: 'that is a lot in one go. Is it right?',
};
