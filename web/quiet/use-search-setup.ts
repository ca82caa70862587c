import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { SearchBeginning, SearchPurpose, Silencers } from '#core/craft/search-terms.ts';
import {
  SEARCH_DISTANCE_M,
  searchOpening,
  searchProblem,
  type SearchProblem,
  type SearchWish,
} from '#core/brace-search/search-wish.ts';
import { braceLimit } from '#core/limits/brace-limit.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showExact, showLengthFigure } from '#core/quantity/show.ts';
import { toStored } from '#core/quantity/units.ts';
import { refusalWords } from '#core/words/limit-words.ts';

/** What the form holds: texts as typed. An empty one means what stands in it faintly. */
interface SetupText {
  readonly purpose: SearchPurpose;
  readonly low: string;
  readonly high: string;
  readonly beginsAt: SearchBeginning;
  readonly silencers: Silencers;
  readonly distance: string;
  readonly keepsSounds: boolean;
  readonly practice: boolean;
  readonly despite: string;
}

export interface SearchSetup {
  readonly text: SetupText;
  readonly set: (change: Partial<SetupText>) => void;
  readonly problem: SearchProblem | null;
  /** What the limits say against it; null: nothing. */
  readonly against: string | null;
  /** As far as the limits go, in the bow's own unit. */
  readonly usual: { readonly low: string; readonly high: string; readonly distance: string };
  readonly opening: () => { readonly searchId: string; readonly bodies: readonly EntryBody[] };
}

/** Stands for a search that is only looked at, not opened. */
const CHECKED_ONLY = '00000000-0000-4000-8000-000000000000';
const MOST_SEED = 1e9;

/** Holds what is agreed before the first height. */
export function useSearchSetup(state: BowState): SearchSetup {
  const [text, setText] = useState<SetupText>(() => ({
    purpose: state.bow.school === 'sighted' ? 'quiet' : 'lowestClear',
    low: '',
    high: '',
    beginsAt: 'low',
    silencers: state.fitOut.get('silencers')?.described ? 'on' : 'none',
    distance: '',
    keepsSounds: true,
    practice: false,
    despite: '',
  }));
  const limit = braceLimit(state);
  const wish = wishOf(text, state, CHECKED_SEED);
  const problem = searchProblem(wish, state);
  const reason = text.despite.trim() === '' ? undefined : text.despite.trim();
  const wouldOpen = problem === null ? searchOpening(state, wish, CHECKED_ONLY, reason) : [];
  const refusal = checkProposal(state, wouldOpen);
  const words = refusal === null ? null : refusalWords(refusal, wouldOpen, state);
  return {
    text,
    set: (change) => setText((before) => ({ ...before, ...change })),
    problem,
    against: words === null ? null : `${words.says} ${words.remedy}`,
    usual: {
      low: showLengthFigure(limit.low, state.bow),
      high: showLengthFigure(limit.high, state.bow),
      distance: showExact(SEARCH_DISTANCE_M),
    },
    opening: () => {
      const searchId = newId();
      const seed = crypto.getRandomValues(new Uint32Array(1))[0] ?? 0;
      return {
        searchId,
        bodies: searchOpening(state, wishOf(text, state, seed % MOST_SEED), searchId, reason),
      };
    },
  };
}
const CHECKED_SEED = 1;

function wishOf(text: SetupText, { bow }: BowState, seed: number): SearchWish {
  const length = (words: string) => {
    const typed = figure(words, bow.lengthUnit);
    return typed;
  };
  return {
    purpose: text.purpose,
    lowMm: length(text.low),
    highMm: length(text.high),
    beginsAt: text.beginsAt,
    silencers: text.silencers,
    distanceM: figure(text.distance, null),
    keepsSounds: text.keepsSounds,
    practiceSeed: text.practice ? seed : null,
  };
}

/** One number with its unit, or the unit it is in; undefined: nothing typed; null: no number. */
function figure(words: string, unit: 'in' | 'mm' | null): number | null | undefined {
  if (words.trim() === '') return undefined;
  const read = readAmounts(words);
  const [amount] = read.ok ? read.amounts : [];
  if (!read.ok || read.amounts.length !== 1 || amount === undefined) return null;
  if (unit === null) return amount.unit === null ? amount.value : null;
  const of = amount.unit ?? unit;
  return of === 'in' || of === 'mm' || of === 'cm' ? toStored(amount.value, of) : null;
}
