import { sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import { stateForSession } from '../log/as-of.ts';
import { bowAsOf } from '../log/bow-as-of.ts';
import type { BowState } from '../log/bow-state.ts';
import type { LoggedEntry } from '../log/entry.ts';
import { instantMs } from '../quantity/instant.ts';
import { takenMoments } from '../log/taken-order.ts';

/** Sessions looked through for a good state, the newest first: each is judged as it was then. */
const MOST_SESSIONS = 12;

/**
 * When this bow was last known to be right: named so by somebody, fixed and documented, a fine tuning
 * brought to its end, or bare shafts done both ways.
 *
 * @param log in taken order
 * @param state its fold
 * @returns ms since 1970; null where it never was
 */
export function lastGoodMoment(log: readonly LoggedEntry[], state: BowState): number | null {
  const moments = takenMoments(log);
  const place = new Map(log.map(({ id }, index) => [id, index]));
  const momentOf = (id: string) => moments[place.get(id) ?? -1] ?? Number.NEGATIVE_INFINITY;
  const said = state.active.flatMap(({ id, body }) =>
    (body.kind === 'stepConfirmed' && body.step === 'fix') || body.kind === 'experimentClosed'
      ? [momentOf(id)]
      : [],
  );
  const named = state.namedStates.map(({ moment }) => instantMs(moment));
  const known = Math.max(...said, ...named, Number.NEGATIVE_INFINITY);
  const shot = lastDone(log, state, known, momentOf);
  const best = Math.max(known, shot ?? Number.NEGATIVE_INFINITY);
  return Number.isFinite(best) ? best : null;
}

/** The end of the newest session after `after` whose bare shafts were done both ways then. */
function lastDone(
  log: readonly LoggedEntry[],
  state: BowState,
  after: number,
  momentOf: (id: string) => number,
): number | null {
  const { sessions, unreadable } = state;
  const bare = sessions.filter(
    ({ sessionKind, shots }) => sessionKind === 'bareShaft' && shots.length > 0,
  );
  for (const one of bare.slice(-MOST_SESSIONS).toReversed()) {
    const { sessionId, shots } = one;
    const ms = momentOf(shots.at(-1)?.entryId ?? '');
    if (ms <= after) return null;
    // To go back in the record is dear: only where it may have been done.
    if (!sessionVerdict(stateForSession(state, { ...one, closed: true }), one).done) continue;
    const then = bowAsOf(log, ms, unreadable)?.state;
    const session = then?.sessions.find((one) => one.sessionId === sessionId);
    if (then !== undefined && session !== undefined && sessionVerdict(then, session).done)
      return ms;
  }
  return null;
}
