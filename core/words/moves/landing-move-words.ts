import { LANDING_END } from '../../advice/landing-move.ts';
import type { MoveBecause } from '../../advice/move-because.ts';
import { LANDING_ENDS } from '../../fine-tuning/landing-after-tuning.ts';
import { sideOf } from '../../craft/handedness.ts';
import type { BowState } from '../../log/bow-state.ts';
import { REFERENCE_DISTANCE_M } from '../../priors/prior-gains.ts';
import { showButtInterval } from '../../quantity/show.ts';
import { type MoveWords, plainWords } from './move-words.ts';

/** What is written into the record beside a landing. */
export const LANDING_WHY = 'where bare shafts landed with groups at their best';

const END = `${LANDING_END.fletched} fletched and ${LANDING_END.bare} bare, mixed`;
const WHY =
  'Groups are at their best now. Where bare shafts land with them is how this tune is found again: for the next string, the rebuild and the back-up bow.';

/** Bare shafts after a tuning: to be shot, or written down. */
export function landingMoveWords(
  { bow: { hand, lengthUnit } }: BowState,
  { due }: Extract<MoveBecause, { readonly topic: 'landing' }>,
): MoveWords {
  switch (due.kind) {
    case 'open':
      return {
        ...plainWords('Shoot bare shafts to record where they land'),
        expect: `${END}, ${LANDING_ENDS} ends`,
        why: WHY,
        thenCheck: 'Nothing is turned for what they show: it becomes the target.',
        doneLabel: 'To the range',
      };
    case 'shoot':
      return {
        ...plainWords(
          `Shoot ${LANDING_ENDS - due.ends === 1 ? 'one more end' : 'an end'} for the landing`,
        ),
        expect: END,
        why: WHY,
        thenCheck: 'Nothing is turned for what they show: it becomes the target.',
        doneLabel: 'Start the next end',
      };
    case 'set': {
      const unit = lengthUnit === 'in' ? 'in' : 'cm';
      const { outwardMm, upMm, plusMinusMm } = due;
      return {
        ...plainWords('Record where bare shafts land'),
        expect: `${showButtInterval(outwardMm, plusMinusMm.outward, unit)} ${sideOf(outwardMm, hand)}, ${showButtInterval(upMm, plusMinusMm.up, unit)} ${upMm >= 0 ? 'high' : 'low'} of the fletched at ${REFERENCE_DISTANCE_M} m`,
        why: WHY,
        thenCheck: 'Offsets are counted from there.',
        doneLabel: 'Make it the target',
      };
    }
  }
}
