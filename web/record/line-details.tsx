import { Link } from 'react-router';
import { SOURCE_WORDS } from '#core/words/source-words.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { entryWords } from '#core/log/kinds/entry-kinds.ts';
import type { StoryLine } from '#core/story/story-lines.ts';
import { Fractions } from '../ui/fractions.tsx';

/** What else is known of a line: how it was read, what was noted in a session, the pictures. */
export function LineDetails({
  line: { first, entries },
  state,
}: {
  readonly line: StoryLine;
  readonly state: BowState;
}) {
  const { body } = first;
  if (body.kind === 'reading')
    return (
      <p className="text-note text-ink-2">
        Typed <Fractions text={body.typed} />. {SOURCE_WORDS[body.source]}; {body.datum}
        {body.tool === '' ? '' : `; ${body.tool}`}.
      </p>
    );
  if (body.kind === 'note' && body.pictureIds !== undefined)
    return <Pictures bowId={state.bowId} ids={body.pictureIds} says={body.text} />;
  if (body.kind === 'braceSearchOpened') {
    const said = entries.filter((entry) => entry !== first && entry.body.kind !== 'shotHeard');
    return (
      <div className="grid gap-1 text-note">
        <Noted entries={said} state={state} />
        <Link
          className="link w-fit @max-tablet:min-h-11 @max-tablet:content-center"
          to={`/range/${state.bowId}?search=brace`}
        >
          To the searches
        </Link>
      </div>
    );
  }
  if (body.kind !== 'sessionOpened') return null;
  const noted = entries.filter((entry) => entry !== first && entry.body.kind !== 'shotPlaced');
  return (
    <div className="grid gap-1 text-note">
      <Noted entries={noted} state={state} />
      <Pictures bowId={state.bowId} ids={picturesIn(entries)} says="Butt" />
      <Link
        className="link w-fit @max-tablet:min-h-11 @max-tablet:content-center"
        to={`/range/${state.bowId}?session=${body.sessionId}`}
      >
        To its butt
      </Link>
    </div>
  );
}

function Noted({
  entries,
  state,
}: {
  readonly entries: readonly LoggedEntry[];
  readonly state: BowState;
}) {
  if (entries.length === 0) return null;
  return (
    <ul className="text-ink-2">
      {entries.map((entry) => (
        <li key={entry.id}>{entryWords(entry.body, state.bow)}</li>
      ))}
    </ul>
  );
}

function picturesIn(entries: readonly LoggedEntry[]): readonly string[] {
  return entries.flatMap(({ body }) => (body.kind === 'pictureKept' ? [body.pictureId] : []));
}

function Pictures({
  bowId,
  ids,
  says,
}: {
  readonly bowId: string;
  readonly ids: readonly string[];
  readonly says: string;
}) {
  return ids.map((id, at) => (
    <img
      key={id}
      className="max-h-[60dvh] max-w-full"
      loading="lazy"
      src={`/api/bows/${bowId}/pictures/${id}`}
      alt={`${says}, picture ${at + 1}`}
    />
  ));
}
