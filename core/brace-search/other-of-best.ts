import type { SearchStanding } from './search-next.ts';

/** Nearer than this two heights are one, twists. */
const APART_TWISTS = 2;

/** The next quietest of the heights that were tried, apart from where the bow stands, mm; null: none. */
export function otherOfBestMm({
  judged,
  here,
  twistMm,
}: Pick<SearchStanding, 'judged' | 'here' | 'twistMm'>): number | null {
  const hereMm = here?.heightMm ?? null;
  if (judged === null || hereMm === null) return null;
  const { heightsMm, parts, tried } = judged.curve;
  const loudness = (at: number) =>
    parts.reduce((sum, { weight, mean }) => sum + weight * mean[at]!, 0);
  const [quietest] = heightsMm
    .slice(0, tried)
    .map((mm, at) => ({ mm, db: loudness(at) }))
    .filter(({ mm }) => Math.abs(mm - hereMm) >= APART_TWISTS * twistMm)
    .toSorted((one, other) => one.db - other.db);
  return quietest?.mm ?? null;
}
