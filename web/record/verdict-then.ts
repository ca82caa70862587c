import { bowAsOf } from '#core/log/bow-as-of.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { StoryLine } from '#core/story/story-lines.ts';
import { sessionVerdictLine } from '#core/words/session-verdict-words.ts';

/** What a session said when it was shot: with the record as it went just after its last entry. */
export function verdictThen(
  log: readonly LoggedEntry[],
  line: StoryLine,
  unit: 'cm' | 'in',
): string {
  const { body } = line.first;
  const then = bowAsOf(log, line.untilMs);
  if (then === null || body.kind !== 'sessionOpened') return '';
  const session = then.state.sessions.find(({ sessionId }) => sessionId === body.sessionId);
  return session === undefined ? '' : sessionVerdictLine(then.state, session, unit);
}
