import type { StepId } from '../craft/steps.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move } from './move.ts';

/** A move of which only its step and its reason are said yet: what differs is spread over it. */
export function plainMove(step: StepId | null, because: MoveBecause): Omit<Move, 'key'> {
  return {
    step,
    because,
    caution: null,
    place: 'butt',
    action: { kind: 'nothing' },
    without: null,
    runnerUp: null,
    likelyAfter: null,
    stop: null,
    bar: null,
    openBefore: [],
  };
}

/** A move that belongs to a step of the order of work, under that step's own caution. */
export function stepMove(status: StepStatus, because: MoveBecause): Move {
  return {
    ...plainMove(status.step.id, because),
    key: `step:${status.step.id}`,
    caution: status.step.caution,
    place: 'bow',
  };
}
