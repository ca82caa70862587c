import { aimKindOf } from '../craft/aiming.ts';
import type { BowState } from '../log/bow-state.ts';
import type { StepStatus } from '../order/step-states.ts';
import { marksEvidence } from '../sight-marks/marks-evidence.ts';
import { DISTANCES_NEEDED, marksStanding } from '../sight-marks/marks-standing.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** The step with no marks, or with stale ones: they are shot, or taken at the tuner's word on its sheet. */
export function openMarksMove(state: BowState, { step }: StepStatus): Move {
  const standing = marksStanding(marksEvidence(state));
  return {
    ...plainMove('sightMarks', {
      topic: 'marks',
      standing,
      aim: aimKindOf(state.bow),
      isBegun: false,
    }),
    key: 'step:sightMarks',
    caution: step.caution,
    action: { kind: 'openSession', sessionKind: 'marks' },
  };
}

/** A session of marks that is open: the next end, until all of them hold. Its panel says at which distance. */
export function marksMove(state: BowState): Move | null {
  const standing = marksStanding(marksEvidence(state));
  const hold = standing.distances >= DISTANCES_NEEDED && standing.since.length === 0;
  if (hold) return null;
  return {
    ...plainMove('sightMarks', {
      topic: 'marks',
      standing,
      aim: aimKindOf(state.bow),
      isBegun: true,
    }),
    key: 'marks:end',
    action: { kind: 'shootEnd', fletched: 6, bare: 0 },
  };
}
