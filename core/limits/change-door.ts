import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import { boltTravel } from './bolt-limits.ts';
import { checkChanges } from './check-proposal.ts';
import type { LimitRefusal } from './limit-refusal.ts';

export interface ControlChange {
  readonly control: Control;
  readonly amount: number;
}

/** What has to be answered before a change is made, as data. */
export type ChangeQuestion =
  /** A bolt goes out and nobody knows the maker's travel: thread and seat are looked at. */
  | 'threadAndSeat'
  /** Twists go out of a string nobody has counted: do its strands still hold together? */
  | 'strandsHold'
  /** More than is usual in one go. */
  | 'aLot';

export type ChangeDoor =
  | { readonly kind: 'open' }
  | { readonly kind: 'ask'; readonly questions: readonly ChangeQuestion[] }
  | { readonly kind: 'refused'; readonly refusal: LimitRefusal };

/**
 * The door every change goes through, wherever it was pressed or typed: refused by a limit, asked
 * about, or open. The same change gets the same answer at every door.
 */
export function changeDoor(state: BowState, changes: readonly ControlChange[]): ChangeDoor {
  const refusal = checkChanges(state, changes);
  if (refusal !== null) return { kind: 'refused', refusal };
  const questions = QUESTIONS.filter((one) =>
    changes.some((change) => applies(one, state, change)),
  );
  return questions.length === 0 ? { kind: 'open' } : { kind: 'ask', questions };
}

const QUESTIONS: readonly ChangeQuestion[] = ['threadAndSeat', 'strandsHold', 'aLot'];

function applies(
  question: ChangeQuestion,
  state: BowState,
  { control, amount }: ControlChange,
): boolean {
  switch (question) {
    case 'threadAndSeat': {
      const bolt = control === 'topBolt' || control === 'bottomBolt';
      // Stryker disable next-line EqualityOperator: a change of nothing does not come here
      return bolt && amount < 0 && boltTravel(state.bow).guessed;
    }
    case 'strandsHold':
      // Stryker disable next-line EqualityOperator: a change of nothing does not come here
      return control === 'twists' && amount < 0 && state.positions.twists === null;
    case 'aLot':
      // Stryker disable next-line EqualityOperator: a billionth of a turn
      return Math.abs(amount) > CONTROL_FACTS[control].largest + 1e-9;
  }
}
