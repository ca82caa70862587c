import { READINGS } from '../craft/readings.ts';
import { openSearch, searchStanding } from '../brace-search/search-standing.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import type { BowState } from '../log/bow-state.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** The search that is the bow's own: practice asks for nothing of the bow. */
export function ownOpenSearch(state: BowState): BraceSearch | null {
  const search = openSearch({
    searches: state.searches.filter(({ practiceSeed }) => practiceSeed === undefined),
  });
  return search;
}

/** What a search for the quiet brace height asks for next. */
export function braceSearchMove(state: BowState, search: BraceSearch): Move | null {
  const standing = searchStanding(state, search);
  const { next } = standing;
  const move: Move = {
    ...plainMove('braceSearch', { topic: 'braceSearch', search, standing }),
    key: `braceSearch:${next.kind}`,
    place: 'string',
    action: { kind: 'openSearch' },
  };
  switch (next.kind) {
    case 'readBrace':
      return {
        ...move,
        place: 'brace',
        action: { kind: 'enterReading', entryText: `${READINGS.braceHeight.code} ` },
      };
    case 'twist':
      return {
        ...move,
        key: `braceSearch:${next.for}:${next.twists}`,
        caution: 'unstring',
        action: { kind: 'change', changes: [{ control: 'twists', amount: next.twists }] },
      };
    case 'shoot':
      return { ...move, caution: 'dryFire', place: 'butt' };
    case 'seeSilencers':
    case 'settle':
    case 'armAlways':
      return move;
    case 'over':
      return null;
  }
}

/** The step with no search begun: it is opened, or taken at the tuner's word on the step's own sheet. */
export function openSearchMove(status: StepStatus): Move {
  return {
    ...plainMove('braceSearch', { topic: 'openBraceSearch', status }),
    key: 'step:braceSearch',
    caution: status.step.caution,
    place: 'string',
    action: { kind: 'openSearch' },
  };
}
