import type { SearchBeginning, SearchPurpose, Silencers } from '../craft/search-terms.ts';
import { braceLimit } from '../limits/brace-limit.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';
import { beginningMm, PRACTICE_TWIST_MM } from './search-standing.ts';

/** A search as it is wished for. Absent: not said; null: typed and no figure. Lengths mm. */
export interface SearchWish {
  readonly purpose: SearchPurpose;
  readonly lowMm: number | null | undefined;
  readonly highMm: number | null | undefined;
  readonly beginsAt: SearchBeginning;
  readonly silencers: Silencers;
  readonly distanceM: number | null | undefined;
  readonly keepsSounds: boolean;
  /** With the stand-in, by this seed; null: with the bow. */
  readonly practiceSeed: number | null;
}

/** What of a wish cannot be. */
export type SearchProblem = 'noLow' | 'noHigh' | 'noDistance' | 'tooNarrow' | 'distanceOutside';

/** Near enough that nothing but the bow is heard, m. */
export const SEARCH_DISTANCE_M = 10;
const NEAREST_M = 2;
const FARTHEST_M = 30;
/** Less than this between its ends is one height. */
const LEAST_WIDTH_MM = 3;

export function searchProblem(wish: SearchWish, state: BowState): SearchProblem | null {
  const { lowMm, highMm } = searchRange(wish, state);
  if (lowMm === null) return 'noLow';
  if (highMm === null) return 'noHigh';
  if (wish.distanceM === null) return 'noDistance';
  const distanceM = wish.distanceM ?? SEARCH_DISTANCE_M;
  if (distanceM < NEAREST_M || distanceM > FARTHEST_M) return 'distanceOutside';
  return highMm - lowMm < LEAST_WIDTH_MM ? 'tooNarrow' : null;
}

/** Where it looks: what was said, else as far as the limits of the bow go. */
function searchRange(wish: SearchWish, state: BowState) {
  const limit = braceLimit(state);
  return {
    lowMm: wish.lowMm === undefined ? limit.low : wish.lowMm,
    highMm: wish.highMm === undefined ? limit.high : wish.highMm,
  };
}

/** The entries that open it. @throws RangeError for a wish that cannot be */
export function searchOpening(
  state: BowState,
  wish: SearchWish,
  searchId: string,
  despite?: string,
): readonly EntryBody[] {
  const { lowMm, highMm } = searchRange(wish, state);
  if (lowMm === null || highMm === null || wish.distanceM === null)
    throw new RangeError('searchOpening: it cannot be opened so');
  const opened: EntryBody = {
    kind: 'braceSearchOpened',
    searchId,
    purpose: wish.purpose,
    lowMm,
    highMm,
    beginsAt: wish.beginsAt,
    silencers: wish.silencers,
    distanceM: wish.distanceM ?? SEARCH_DISTANCE_M,
    keepsSounds: wish.keepsSounds,
    ...(wish.practiceSeed === null ? {} : { practiceSeed: wish.practiceSeed }),
    ...(despite === undefined ? {} : { despite }),
  };
  if (wish.practiceSeed === null) return [opened];
  const heightMm = beginningMm({ ...wish, lowMm, highMm }, (lowMm + highMm) / 2, PRACTICE_TWIST_MM);
  return [opened, { kind: 'practiceHeight', searchId, heightMm, twists: 0 }];
}
