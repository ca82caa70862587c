import { TriangleAlert } from 'lucide-react';
import { braceSearchMove } from '#core/advice/brace-search-move.ts';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { otherOfBestMm } from '#core/brace-search/other-of-best.ts';
import { practiceHeightMm } from '#core/brace-search/practice-turn.ts';
import { settledEntries } from '#core/brace-search/settled-band.ts';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import type { BraceSearch } from '#core/log/brace-searches.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { showLength } from '#core/quantity/show.ts';
import { settledWords, stringOffWords } from '#core/words/brace-search-words.ts';
import { speakMove, type SpokenMove } from '#core/words/moves/speak-move.ts';
import type { MoveActions } from '../log-line/use-move-actions.ts';
import { Fractions } from '../ui/fractions.tsx';
import type { HeardShots } from './use-heard-shots.ts';

interface Deps {
  readonly state: BowState;
  readonly search: BraceSearch;
  readonly standing: SearchStanding;
  readonly heard: HeardShots;
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
  readonly actions: MoveActions;
  readonly openEntryLine: (text: string) => void;
}

/** The one next thing of the search: what, why, how sure, and the way to say it is done. */
export function SearchNextPanel(deps: Deps) {
  const { state, search, standing } = deps;
  const move = braceSearchMove(state, search);
  if (move === null) return <Settled state={state} search={search} standing={standing} />;
  const spoken = speakMove(state, move);
  return (
    <section
      aria-label="Next in the search"
      aria-live="polite"
      className="border-l-2 border-accent pl-4"
      data-testid="search-next"
      data-next={standing.next.kind}
    >
      <h2 className="text-note font-[640] text-accent">Next</h2>
      <p className="frac-large text-figure leading-[1.06] font-[600] [font-stretch:88%]">
        <Fractions text={spoken.title} />
      </p>
      {spoken.expect !== null && (
        <p className="mt-1 text-sub">
          <Fractions text={spoken.expect} />
        </p>
      )}
      <p className="mt-1">
        <Fractions text={spoken.why} />
      </p>
      {spoken.caution !== null && (
        <p className="mt-2 flex gap-2 text-plain">
          <TriangleAlert size={17} strokeWidth={1.8} className="mt-0.5 shrink-0" aria-hidden />
          {CAUTIONS[spoken.caution]}
        </p>
      )}
      {spoken.thenCheck !== null && (
        <p className="mt-1 text-note text-ink-2">
          Then: <Fractions text={spoken.thenCheck} />
        </p>
      )}
      <NextButtons {...deps} move={spoken} />
      <details className="mt-2">
        <summary className="min-h-11 cursor-pointer content-center underline underline-offset-4">
          How sure, and why
        </summary>
        <ul className="list-disc pl-5">
          {spoken.reasons.map((reason) => (
            <li key={reason}>
              <Fractions text={reason} />
            </li>
          ))}
        </ul>
      </details>
      {standing.visits.length > 0 && (
        <button
          type="button"
          className="link min-h-11 text-note"
          onClick={() => deps.store([{ kind: 'braceSearchClosed', searchId: search.searchId }])}
        >
          Leave the search
        </button>
      )}
    </section>
  );
}

function NextButtons({
  state,
  search,
  standing,
  heard,
  store,
  actions,
  openEntryLine,
  move,
}: Deps & { readonly move: SpokenMove }) {
  const { next, here } = standing;
  const { searchId, practiceSeed } = search;
  switch (next.kind) {
    case 'readBrace':
      return (
        <Buttons>
          <button
            type="button"
            className="btn"
            onClick={() => {
              if (move.action.kind === 'enterReading') openEntryLine(move.action.entryText);
            }}
          >
            {move.doneLabel}
          </button>
        </Buttons>
      );
    case 'twist': {
      const turn = () => {
        if (practiceSeed === undefined) {
          actions.done(move);
          return;
        }
        store([
          {
            kind: 'practiceHeight',
            searchId,
            heightMm: practiceHeightMm(search, standing, next.twists),
            twists: next.twists,
          },
        ]);
      };
      return (
        <Buttons>
          <button type="button" className="btn" onClick={turn}>
            Done
          </button>
        </Buttons>
      );
    }
    case 'seeSilencers':
      return (
        <Buttons>
          {practiceSeed !== undefined && (
            <button type="button" className="btn" onClick={() => heard.takeStandIn(1, true)}>
              One shot with them on
            </button>
          )}
          <button
            type="button"
            className="btn"
            onClick={() => store([{ kind: 'heightJudged', searchId, silencersSeen: true }])}
          >
            Shot with them on: as calm
          </button>
        </Buttons>
      );
    case 'settle': {
      const other = otherOfBestMm(standing);
      return (
        <Buttons>
          <button
            type="button"
            className="btn"
            onClick={() => {
              const why = settledWords(search, standing, state.bow);
              store(settledEntries(state, search, standing, why));
            }}
          >
            Settle here
          </button>
          {other !== null && search.bestTwo === null && here?.heightMm != null && (
            <button
              type="button"
              className="link-btn"
              onClick={() =>
                store([
                  {
                    kind: 'bestTwoBegun',
                    searchId,
                    bestMm: here.heightMm ?? next.heightMm,
                    otherMm: other,
                  },
                ])
              }
            >
              <Fractions
                text={`First side by side with ${showLength(other, state.bow)}: two string-offs more`}
              />
            </button>
          )}
        </Buttons>
      );
    }
    case 'shoot':
    case 'armAlways':
    case 'over':
      return null;
  }
}

function Buttons({ children }: { readonly children: React.ReactNode }) {
  return <div className="mt-3 flex flex-wrap items-stretch gap-2">{children}</div>;
}

function Settled({ state, search, standing }: Pick<Deps, 'state' | 'search' | 'standing'>) {
  const { closed } = search;
  if (closed === null) return null;
  const isSettled = closed.settledMm !== null;
  return (
    <section aria-label="The search" data-testid="search-settled">
      <p className="text-title leading-[1.14] font-[520] [font-stretch:88%]">
        {isSettled ? (
          <Fractions text={`Settled at ${showLength(closed.settledMm, state.bow)}`} />
        ) : (
          'This search was left.'
        )}
      </p>
      <p className="mt-1">
        <Fractions text={settledWords(search, standing, state.bow)} />
      </p>
      <p className="mt-1 text-note text-ink-2">
        {stringOffWords(standing)}.
        {isSettled && search.practiceSeed === undefined
          ? ' Its band “quiet” stands on the bench.'
          : ''}
        {search.practiceSeed === undefined ? '' : ' It was practice: the bow has nothing of it.'}
      </p>
    </section>
  );
}
