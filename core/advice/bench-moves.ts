import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState } from '../log/bow-state.ts';
import { oneControlMove } from './change-move.ts';
import { limbLineMove } from './limb-line-move.ts';
import type { Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';
import type { StepStatus } from '../order/step-states.ts';

/** Where the hand goes for each reading. */
const ENTRY_PLACE: Partial<Record<ReadingKind, MovePlace>> = {
  braceHeight: 'brace',
  tillerTop: 'tillerTop',
  tillerBottom: 'tillerTop',
  drawWeight: 'weight',
  nockingHeight: 'nockingPoint',
  centreShotAtPoint: 'plunger',
  limbLineTop: 'topLimb',
  limbLineBottom: 'bottomLimb',
  limbLineRod: 'bow',
  drawLength: 'weight',
  restHeight: 'plunger',
};

/** Read the tool again: a step that is open or stale. */
export function measureMove(status: StepStatus): Move | null {
  const { clearing } = status.step;
  if (clearing.by !== 'readings') return null;
  const reading = status.missing[0] ?? clearing.of[0];
  if (reading === undefined) return null;
  return {
    ...plainMove(status.step.id, { topic: 'measure', status, reading }),
    key: `measure:${status.step.id}`,
    caution: reading === 'drawWeight' ? 'scale' : null,
    without: reading === 'drawWeight' ? 'scale' : null,
    place: ENTRY_PLACE[reading] ?? 'bow',
    action: { kind: 'enterReading', entryText: `${READINGS[reading].code} ` },
  };
}

/** Turn something: a step whose readings lie outside its band. */
export function adjustMove(state: BowState, status: StepStatus): Move | null {
  switch (status.step.id) {
    case 'nockingPoint':
      return oneControlMove(state, status, {
        reading: 'nockingHeight',
        control: 'nockingPoint',
        place: 'nockingPoint',
      });
    case 'centreShot':
      return oneControlMove(state, status, {
        reading: 'centreShotAtPoint',
        control: shootsOffTheShelf(state.bow.school) ? 'sidePlate' : 'plungerReach',
        place: 'plunger',
      });
    case 'restAndPlunger':
      return oneControlMove(state, status, {
        reading: 'restHeight',
        control: 'restHeight',
        place: 'plunger',
      });
    case 'limbLine':
      return limbLineMove(state, status);
    default:
      return null;
  }
}
