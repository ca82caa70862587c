import { lowerFirst } from '../craft/letter-case.ts';
import { movesWords } from '../craft/controls.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import type { BowFacts } from '../log/entry.ts';
import { entryWords } from '../log/kinds/entry-kinds.ts';
import type { Reversal } from '../story/reversals.ts';
import type { StoryLine } from '../story/story-lines.ts';
import type { StoryTopic } from '../story/story-topics.ts';

/** Topics as the filter offers them. */
export const TOPIC_WORDS: Readonly<Record<StoryTopic, string>> = {
  change: 'Changes',
  reading: 'Readings',
  session: 'Shooting',
  setAside: 'Moves not taken',
  confirmation: 'Confirmations',
  note: 'Notes, names, pictures',
  fitted: 'String and fit-out',
  arrow: 'Arrows',
  facts: 'Facts and bands',
};

/** What a line of the story says. */
export function lineWords({ first, entries }: StoryLine, bow: BowFacts): string {
  const { body } = first;
  if (body.kind === 'sessionOpened') {
    const { name } = SESSION_KIND_FACTS[body.sessionKind ?? 'bareShaft'];
    const shots = entries.filter((entry) => entry.body.kind === 'shotPlaced').length;
    return `${name} at ${body.distanceM} m, ${shots} ${shots === 1 ? 'shot' : 'shots'}`;
  }
  if (body.kind === 'braceSearchOpened') {
    const shots = entries.filter((entry) => entry.body.kind === 'shotHeard').length;
    const closed = entries.find((entry) => entry.body.kind === 'braceSearchClosed');
    return [
      entryWords(body, bow),
      `${shots} ${shots === 1 ? 'shot' : 'shots'} recorded`,
      ...(closed === undefined ? ['open'] : [lowerFirst(entryWords(closed.body, bow))]),
    ].join(', ');
  }
  if (body.kind !== 'change') return entryWords(body, bow);
  const changes = entries.flatMap((entry) => (entry.body.kind === 'change' ? [entry.body] : []));
  return changes.length === 1 ? entryWords(body, bow) : movesWords(changes);
}

/** Why something was done, where somebody said; empty otherwise. */
export function becauseWords({ first: { body } }: StoryLine): string {
  switch (body.kind) {
    case 'change':
      return body.because;
    case 'targetSet':
    case 'stepSkipped':
    case 'landingSet':
      return body.why;
    default:
      return '';
  }
}

/** Everything in a line that can be looked for: who, what, why, and what was noted in a session. */
export function searchedWords(line: StoryLine, bow: BowFacts): string {
  const within =
    line.entries.length > 1 && line.first.body.kind !== 'change'
      ? line.entries
          .filter(({ body }) => body.kind !== 'shotPlaced' && body.kind !== 'shotHeard')
          .map(({ body }) => entryWords(body, bow))
      : [];
  return [lineWords(line, bow), becauseWords(line), line.first.by, ...within].join(' ');
}

/** `Taken back`, `Put back`; who, when and why stand beside it. */
export function reversalWords({ to, why }: Pick<Reversal, 'to' | 'why'>): string {
  const said = to === 'takenBack' ? 'Taken back' : 'Put back';
  return why === '' ? said : `${said}: ${why}`;
}
