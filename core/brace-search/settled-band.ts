import { READINGS } from '../craft/readings.ts';
import { braceLimit } from '../limits/brace-limit.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';
import type { SearchStanding } from './search-next.ts';

/** The name of the band a search leaves behind. */
const QUIET_BAND = 'quiet';

/**
 * What is written down when a search has settled: that it has, with what could not be told apart; and
 * of a real bow its own band for the brace, and that the step is done. Practice leaves no band.
 */
export function settledEntries(
  state: BowState,
  search: BraceSearch,
  { judged, here }: SearchStanding,
  why: string,
): readonly EntryBody[] {
  const heightMm = here?.heightMm;
  if (heightMm === undefined || heightMm === null || judged === null) return [];
  const closed: EntryBody = {
    kind: 'braceSearchClosed',
    searchId: search.searchId,
    settledMm: heightMm,
    alikeMm: judged.alike.map((at) => judged.curve.heightsMm[at]!),
  };
  if (search.practiceSeed !== undefined) return [closed];
  const limit = braceLimit(state);
  const { tolerance } = READINGS.braceHeight;
  return [
    closed,
    {
      kind: 'targetSet',
      reading: 'braceHeight',
      low: Math.max(limit.low, heightMm - tolerance),
      high: Math.min(limit.high, heightMm + tolerance),
      name: QUIET_BAND,
      why,
    },
    { kind: 'stepConfirmed', step: 'braceSearch', note: '' },
  ];
}
