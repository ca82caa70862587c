import type { StepId } from '../craft/steps.ts';
import type { Move } from './move.ts';

/**
 * A move with a title and nothing else said yet: what differs is spread over it. Its key is not made of
 * the title: a reworded move is the same proposal, and stays set aside.
 */
export function plainMove(step: StepId | null, title: string): Omit<Move, 'key'> {
  return {
    step,
    title,
    expect: null,
    why: '',
    reasons: [],
    wouldChange: null,
    caution: null,
    thenCheck: null,
    place: 'butt',
    action: { kind: 'nothing' },
    doneLabel: 'Done',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
