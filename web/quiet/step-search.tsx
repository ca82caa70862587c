import { Link } from 'react-router';
import { openSearch, searchStanding } from '#core/brace-search/search-standing.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showLength } from '#core/quantity/show.ts';
import { Fractions } from '../ui/fractions.tsx';
import { HeightsTable } from './heights-table.tsx';
import { NoiseChart } from './noise-chart.tsx';

/** The search as the step of the bench shows it: the curve, what was tried, and the next height. */
export function StepSearch({ state }: { readonly state: BowState }) {
  const own = state.searches.filter(({ practiceSeed }) => practiceSeed === undefined);
  const search = openSearch({ searches: own }) ?? own.at(-1) ?? null;
  const standing = search === null ? null : searchStanding(state, search);
  return (
    <div className="mt-3" data-testid="step-search">
      {search !== null && standing !== null && (
        <>
          <p className="font-[600]">
            {search.closed === null
              ? 'A search is open.'
              : search.closed.settledMm === null
                ? 'The last search was left.'
                : 'The last search settled.'}{' '}
            {standing.next.kind === 'twist' && (
              <Fractions text={`Next: ${showLength(standing.next.heightMm, state.bow)}.`} />
            )}
          </p>
          <NoiseChart standing={standing} search={search} style={state.bow} height={200} />
          <HeightsTable standing={standing} style={state.bow} />
        </>
      )}
      <Link
        className="btn-ink mt-2 inline-block content-center"
        to={`/range/${state.bowId}?search=brace`}
      >
        {search !== null && search.closed === null
          ? 'Go on with the search'
          : 'Look for the quiet height'}
      </Link>
    </div>
  );
}
