import { type ReactNode, useDeferredValue, useMemo, useRef, useState } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import { reversalsOf } from '#core/story/reversals.ts';
import { findLines } from '#core/story/story-filter.ts';
import { type StoryLine, storyLines } from '#core/story/story-lines.ts';
import { searchedWords } from '#core/words/story-words.ts';
import { useAddress } from '../app/use-address.ts';
import { useNow } from '../app/use-now.ts';
import { asItWas } from '../bows/moment-address.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { CurvePanel } from './curve-panel.tsx';
import { NameForm } from './name-form.tsx';
import { NamedStates } from './named-states.tsx';
import { NoteForm } from './note-form.tsx';
import { StoryFilters, wishOf } from './story-filters.tsx';
import { StoryList, type StoryListHandle } from './story-list.tsx';
import type { StoryActions } from './story-actions.ts';
import { StoryRowLine } from './story-row.tsx';
import { dayAndTime, rowOnDay, storyRows } from './story-view.ts';
import { useVerdictThen } from './use-verdict-then.ts';

/** A bow’s story: its curve, its named states, and every line that fits what is looked for. */
export function Story({
  bow,
  state,
  lead,
}: {
  readonly bow: BowHandle;
  readonly state: BowState;
  readonly lead: ReactNode;
}) {
  const { params, setParam } = useAddress();
  const now = useNow();
  const { log, append } = bow;
  const lines = useMemo(() => storyLines(log), [log]);
  const reversals = useMemo(() => reversalsOf(log), [log]);
  const people = useMemo(() => [...new Set(log.map(({ by }) => by))].toSorted(), [log]);
  // Typing stays quick over a long record: the list follows when it can.
  const looked = useDeferredValue(params.toString());
  const found = useMemo(
    () =>
      findLines(lines, wishOf(new URLSearchParams(looked)), (line) =>
        searchedWords(line, state.bow),
      ),
    [lines, looked, state.bow],
  );
  const rows = useMemo(() => storyRows(found, state.strings.all), [found, state.strings.all]);
  const list = useRef<StoryListHandle>(null);
  const [named, setNamed] = useState<StoryLine | null>(null);
  const verdictThen = useVerdictThen(log, state.bow.lengthUnit === 'in' ? 'in' : 'cm');
  const showEntry = (entryId: string) => {
    const at = rows.findIndex(
      (row) => row.kind === 'line' && row.line.entries.some(({ id }) => id === entryId),
    );
    if (at >= 0) list.current?.showRow(at);
  };
  const takeBack = (ids: readonly string[], why: string) =>
    void append(
      ids.map((entryId) => ({ kind: 'undone', entryId, ...(why === '' ? {} : { why }) })),
    );
  const actions: StoryActions = {
    takeBack,
    // What counts now is taken back itself: the entry stands again.
    putBack: (ids, why) =>
      takeBack(
        ids.flatMap((id) => reversals.standing.get(id) ?? []),
        why,
      ),
    name: setNamed,
    verdictThen,
  };
  return (
    <>
      <CurvePanel state={state} lead={lead} onPoint={showEntry} />
      <NamedStates state={state} log={log} onNote={() => setParam('sheet', 'note')} />
      <StoryFilters
        wish={wishOf(params)}
        people={people}
        onParam={setParam}
        onDay={(day) => list.current?.showRow(Math.max(0, rowOnDay(rows, day)))}
        found={found.length}
        of={lines.length}
      />
      {rows.length === 0 ? (
        <p className="border-t border-ink py-6 text-ink-2">
          Nothing fits. Take a word or a filter out.
        </p>
      ) : (
        <StoryList rows={rows} handle={list}>
          {(line) => (
            <StoryRowLine
              line={line}
              state={state}
              reversals={reversals}
              actions={actions}
              link={({ untilMs }) => asItWas(`/bench/${state.bowId}`, untilMs)}
            />
          )}
        </StoryList>
      )}
      {params.get('sheet') === 'note' && (
        <NoteForm bowId={state.bowId} onStore={append} onClose={() => setParam('sheet', null)} />
      )}
      {named !== null && (
        <NameForm
          when={dayAndTime(new Date(named.untilMs).toISOString(), now)}
          taken={state.namedStates.map(({ name }) => name)}
          onName={(name) =>
            append([{ kind: 'stateNamed', name, moment: new Date(named.untilMs).toISOString() }])
          }
          onClose={() => setNamed(null)}
        />
      )}
    </>
  );
}
