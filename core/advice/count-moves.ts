import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import { boltsOutNow } from '../limits/bolt-limits.ts';
import type { BowState } from '../log/bow-state.ts';
import { SETUP_STEPS } from '../craft/steps.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { Move } from './move.ts';
import { stepMove } from './plain-move.ts';

/** A bow just put together: twists and bolt turns are counted before anything is turned. */
export function countMove(state: BowState, status: StepStatus): Move | null {
  if (!state.bow.inParts || status.step.id !== SETUP_STEPS[0]) return null;
  return countTwistsMove(state, status) ?? countBoltsMove(state, status);
}

/** Null when they are counted. */
export function countTwistsMove(state: BowState, status: StepStatus): Move | null {
  if (state.positions.twists !== null) return null;
  return {
    ...stepMove(status, { topic: 'countTwists', status }),
    key: 'count:twists',
    place: 'string',
    action: { kind: 'enterReading', entryText: 'tc ' },
  };
}

/** Before a bolt is turned somebody has to know where it stands. */
export function countBoltsMove(state: BowState, status: StepStatus): Move | null {
  if (!hasAdjustableBolts(state.bow.school) || boltsOutNow(state) !== null) return null;
  return {
    ...stepMove(status, { topic: 'countBolts', status }),
    key: 'count:bolts',
    caution: 'bolts',
    place: 'topLimb',
    action: { kind: 'enterReading', entryText: 'bo ' },
  };
}
