import { useMemo } from 'react';
import { ARROW_LABEL } from '#core/craft/range-words.ts';
import { sideOf } from '#core/craft/handedness.ts';
import type { EntryLine as EntryRead } from '#core/entry-line/entry-line.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { looksLikePairs, readPairs } from '#core/entry-line/read-pairs.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import type { EntryBody } from '#core/record/entry.ts';
import type { BowState } from '#core/record/fold.ts';
import type { Plot } from './use-plot.ts';

/** The entry line at the butt: shots as pairs, and everything the bench’s line takes. */
export function useRangeEntry(
  text: string,
  state: BowState,
  plot: Plot,
  unit: 'cm' | 'in',
): {
  readonly read: EntryRead;
  /** Stores what was typed if it was shots; false when it was something else. */
  readonly placeTyped: () => boolean;
} {
  const { hand } = state.bow;
  const pairs = looksLikePairs(text);
  const { arrow: inHand, endNumber } = plot;
  const read: EntryRead = useMemo(() => {
    if (!pairs) return readEntryLine(text, state);
    const found = readPairs(text, unit, hand);
    if (found.kind === 'refused') return found;
    const arrow = found.arrow ?? inHand;
    const last = found.pairs.at(-1) ?? { outwardMm: 0, upMm: 0 };
    return {
      kind: 'ready',
      title:
        found.pairs.length === 1
          ? `${ARROW_LABEL[arrow]} at`
          : `${found.pairs.length} shots, ${arrow === 'bare' ? 'bare' : 'fletched'}, the last at`,
      figure: `${showButtDistance(last.outwardMm, unit)} ${sideOf(last.outwardMm, hand)}, ${showButtDistance(last.upMm, unit)} ${last.upMm >= 0 ? 'high' : 'low'}`,
      notes: [`End ${endNumber}. f or b in front says which arrows.`],
      bodies: [] satisfies EntryBody[],
    };
  }, [pairs, text, state, unit, hand, inHand, endNumber]);
  return {
    read,
    placeTyped: () => {
      if (!pairs) return false;
      const found = readPairs(text, unit, hand);
      if (found.kind === 'pairs') plot.place(found.pairs, found.arrow ?? plot.arrow);
      return true;
    },
  };
}
