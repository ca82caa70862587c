import { useMemo } from 'react';
import { ARROW_LABEL } from '#core/craft/range-terms.ts';
import { sideOf } from '#core/craft/handedness.ts';
import type { EntryLine as EntryRead } from '#core/entry-line/entry-line.ts';
import { readRangeLine } from '#core/entry-line/read-range-line.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Entering } from '../log-line/use-entering.ts';
import type { Plot } from './plot/use-plot.ts';

/** The entry line at the butt: shots as pairs, and everything the bench’s line takes. */
export function useRangeEntry(
  { text, store, logged }: Entering,
  state: BowState,
  plot: Plot,
  unit: 'cm' | 'in',
): {
  readonly read: EntryRead;
  /** Stores what was typed: shots as the plot does, everything else as anywhere. */
  readonly onStore: (bodies: readonly EntryBody[]) => void;
} {
  const { hand } = state.bow;
  const { arrow: inHand, endNumber, session } = plot;
  const buttMm = session?.buttMm ?? USUAL_BUTT_MM;
  const found = useMemo(
    () => readRangeLine(text, state, { unit, hand, buttMm }),
    [text, state, unit, hand, buttMm],
  );
  const read: EntryRead = useMemo(() => {
    if (found.kind === 'line') return found.read;
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
  }, [found, unit, hand, inHand, endNumber]);
  return {
    read,
    onStore: (bodies) => {
      if (found.kind !== 'shots' || read.kind !== 'ready') {
        store(bodies);
        return;
      }
      const { entryIds } = plot.place(found.pairs, found.arrow ?? plot.arrow);
      logged({ ids: entryIds, words: `${read.title} ${read.figure}` });
    },
  };
}
/** Until a session says how large the butt is, mm. */
const USUAL_BUTT_MM = 1220;
