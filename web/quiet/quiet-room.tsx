import { useDeferredValue, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { READINGS } from '#core/craft/readings.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { openSearch, searchStanding } from '#core/brace-search/search-standing.ts';
import { creepWords } from '#core/words/brace-search-words.ts';
import type { BraceSearch } from '#core/log/brace-searches.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { ShootingBar } from '../app/shooting-bar.tsx';
import type { BowHandle } from '../bows/use-bow.ts';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { EntryLine } from '../log-line/entry-line.tsx';
import { Lately } from '../log-line/lately.tsx';
import { useEntering } from '../log-line/use-entering.ts';
import { useMoveActions } from '../log-line/use-move-actions.ts';
import { HeightEvidence } from './height-evidence.tsx';
import { HeightsTable } from './heights-table.tsx';
import { ListenPanel } from './listen-panel.tsx';
import { NoiseChart } from './noise-chart.tsx';
import { SearchNextPanel } from './search-next-panel.tsx';
import { SearchSetupForm } from './search-setup.tsx';
import { useHeardShots } from './use-heard-shots.ts';
import { useSearchSetup } from './use-search-setup.ts';

/** The search for the quiet brace height of one bow, from its set-up to the band it leaves. */
export function QuietRoom({ bow, state }: { readonly bow: BowHandle; readonly state: BowState }) {
  const entering = useEntering(bow.append, state.bow);
  const { text, store } = entering;
  const [chosen, setChosen] = useState<string | null>(() => openSearch(state)?.searchId ?? null);
  const search = state.searches.find(({ searchId }) => searchId === chosen) ?? null;
  const setup = useSearchSetup(state);
  const actions = useMoveActions(state, store, entering.openEntryLine, () => undefined);
  const tool = READINGS.braceHeight.code;
  const read = useMemo(() => readEntryLine(text, state), [text, state]);
  return (
    <>
      <h1 className="visually-hidden">Quiet brace height: {state.bow.name}</h1>
      <div className="view-scroll">
        <div className="px-4 py-3 @roomy:px-7" data-testid="quiet-room">
          <div className="flex flex-wrap items-baseline justify-between gap-x-6">
            <p className="text-note font-[640]">Quiet brace height</p>
            <span className="flex flex-wrap gap-x-5 text-note">
              {search !== null && search.closed !== null && (
                <button type="button" className="link min-h-11" onClick={() => setChosen(null)}>
                  New search
                </button>
              )}
              <EarlierSearches state={state} chosen={chosen} onChoose={setChosen} />
              <Link className="link min-h-11 content-center" to={`/range/${state.bowId}`}>
                To the butt
              </Link>
            </span>
          </div>
          {search?.practiceSeed === undefined && <ShootingBar state={state} />}
          {search === null ? (
            <SearchSetupForm
              state={state}
              setup={setup}
              onStart={() => {
                const opening = setup.opening();
                store(opening.bodies);
                setChosen(opening.searchId);
              }}
            />
          ) : (
            <SearchOf
              bow={bow}
              state={state}
              search={search}
              store={store}
              actions={actions}
              openEntryLine={entering.openEntryLine}
            />
          )}
          <Lately
            log={bow.log}
            bow={state.bow}
            undoneIds={state.undoneIds}
            onUndo={entering.undo}
          />
        </div>
      </div>
      {actions.asked !== null && (
        <ChangeDialog
          state={state}
          asked={actions.asked}
          onLog={actions.logAsked}
          onClose={actions.dropAsked}
        />
      )}
      <EntryLine
        text={text}
        read={read}
        stored={entering.stored}
        placeholder={`${tool} ${state.bow.lengthUnit === 'in' ? '8 5/8 8 11/16 8 5/8' : '219 219.2 219'}`}
        inputRef={entering.inputRef}
        onText={entering.setText}
        onStore={store}
      />
    </>
  );
}

function EarlierSearches({
  state,
  chosen,
  onChoose,
}: {
  readonly state: BowState;
  readonly chosen: string | null;
  readonly onChoose: (searchId: string) => void;
}) {
  const others = state.searches.filter(({ searchId }) => searchId !== chosen);
  return others
    .toReversed()
    .slice(0, MOST_LINKED)
    .map((one) => (
      <button
        key={one.searchId}
        type="button"
        className="link min-h-11"
        onClick={() => onChoose(one.searchId)}
      >
        {one.practiceSeed === undefined ? 'Search' : 'Practice'} of {one.openedAt.slice(0, 10)}
        {one.closed === null ? ', open' : ''}
      </button>
    ));
}
/** Older ones are in the record. */
const MOST_LINKED = 3;

function SearchOf({
  state: newest,
  search: ofNewest,
  store,
  actions,
  openEntryLine,
}: {
  readonly bow: BowHandle;
  readonly state: BowState;
  readonly search: BraceSearch;
  readonly store: ReturnType<typeof useEntering>['store'];
  readonly actions: ReturnType<typeof useMoveActions>;
  readonly openEntryLine: (text: string) => void;
}) {
  // What is reckoned of many shots and drawn of it comes in tasks of its own: the page answers in between.
  const { state, search } = useDeferredValue(
    useMemo(() => ({ state: newest, search: ofNewest }), [newest, ofNewest]),
  );
  const standing = useMemo(() => searchStanding(state, search), [state, search]);
  const heard = useHeardShots(state, search, standing, store);
  const creep = creepWords(standing);
  return (
    <>
      {search.practiceSeed !== undefined && (
        <p
          className="mt-1 mb-3 border-y border-ink py-1.5 font-[600]"
          role="note"
          data-testid="practice"
        >
          Practice without a bow: the sounds are the stand-in’s. Nothing of it counts for this bow.
        </p>
      )}
      {creep !== null && (
        <p className="my-1 border-l-2 border-ink pl-2.5 text-plain" role="note">
          {creep}
        </p>
      )}
      <div className="grid grid-cols-1 gap-x-10 gap-y-4 @roomy:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
        <div className="grid content-start gap-4">
          <SearchNextPanel
            state={state}
            search={search}
            standing={standing}
            heard={heard}
            store={store}
            actions={actions}
            openEntryLine={openEntryLine}
          />
          {search.closed === null && (
            <HeightEvidence
              state={state}
              search={search}
              standing={standing}
              heard={heard}
              store={store}
            />
          )}
        </div>
        <div className="grid content-start gap-4">
          <NoiseChart standing={standing} search={search} style={state.bow} />
          <HeightsTable standing={standing} style={state.bow} />
          <ListenPanel state={state} standing={standing} heard={heard} />
        </div>
      </div>
    </>
  );
}
