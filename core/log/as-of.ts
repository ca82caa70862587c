import type { BowState } from './bow-state.ts';
import type { ShootingSession } from './shooting.ts';

/**
 * The state a session is looked at in. One that is closed is history: what was changed after its
 * last shot does not empty it any more.
 */
export function stateForSession(state: BowState, session: ShootingSession): BowState {
  const last = session.shots.at(-1)?.index;
  if (!session.closed || last === undefined) return state;
  const before = ({ index }: { readonly index: number }) => index < last;
  if (state.upsets.every(before)) return state;
  return { ...state, upsets: state.upsets.filter(before), changes: state.changes.filter(before) };
}
