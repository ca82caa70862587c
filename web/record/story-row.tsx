import { useId, useState } from 'react';
import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import type { Reversals } from '#core/story/reversals.ts';
import type { StoryLine } from '#core/story/story-lines.ts';
import { becauseWords, lineWords } from '#core/words/story-words.ts';
import { useStanding } from '../outbox/use-standing.ts';
import { Fractions } from '../ui/fractions.tsx';
import { BackAndForth } from './back-and-forth.tsx';
import type { StoryActions } from './story-actions.ts';
import { LineDetails } from './line-details.tsx';
import { clockTime } from './story-view.ts';

/** One line: when, what, by whom, and whether it still stands; pressed, all there is to it. */
export function StoryRowLine({
  line,
  state,
  reversals,
  actions,
  link,
}: {
  readonly line: StoryLine;
  readonly state: BowState;
  readonly reversals: Reversals;
  readonly actions: StoryActions;
  /** Where the bow can be seen as it then was. */
  readonly link: (line: StoryLine) => string;
}) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const { first, stands } = line;
  const because = becauseWords(line);
  const verdict = first.body.kind === 'sessionOpened' ? actions.verdictThen(line) : null;
  return (
    <div className="border-b border-faint" data-line={first.id}>
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        className="grid min-h-11 w-full grid-cols-[3.25rem_minmax(0,1fr)_auto] items-baseline gap-x-3 py-2 text-left"
        onClick={() => setOpen(!open)}
      >
        <span className="text-ink-2">{clockTime(first.at)}</span>
        <span className="min-w-0 wrap-anywhere">
          <span className={stands === 'no' ? 'line-through' : ''}>
            <Fractions text={lineWords(line, state.bow)} />
          </span>
          {stands === 'no' && <span className="font-[640]"> · taken back</span>}
          {stands === 'partly' && <span className="font-[640]"> · taken back in part</span>}
          {first.seq === null && <Waiting id={first.id} />}
          {verdict !== null && <span className="block">{verdict}</span>}
          {because !== '' && <span className="block text-note text-ink-2">{because}</span>}
        </span>
        <span className="max-w-28 truncate text-note text-ink-2">{first.by}</span>
      </button>
      {open && (
        <div id={id} className="grid gap-3 pb-4 @form:pl-16">
          <LineDetails line={line} state={state} />
          <BackAndForth line={line} reversals={reversals} actions={actions} />
          <p className="flex flex-wrap items-baseline gap-x-5">
            <Link className="link-btn -ml-2.5" to={link(line)}>
              The bow as it then was
            </Link>
            <button type="button" className="link-btn" onClick={() => actions.name(line)}>
              Name this state
            </button>
          </p>
        </div>
      )}
    </div>
  );
}

function Waiting({ id }: { readonly id: string }) {
  return (
    <span className="font-[640]">
      {useStanding([id]) === 'inPage' ? ' · in this page only' : ' · waiting'}
    </span>
  );
}
