import { useMemo } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { useAddress } from '../../app/use-address.ts';
import { useNow } from '../../app/use-now.ts';
import { ChoiceRow } from '../../ui/choice-row.tsx';
import { marksOnCard } from '../../marks/marks-on-card.ts';
import { useMarks } from '../../marks/use-marks.ts';
import { cardView } from './card-view.ts';
import { CARD_SIZES, TuneCard } from './tune-card.tsx';
import { TuneStoryPage } from './tune-story-page.tsx';

/** The card of the bow as it is, or as a named state shows it, and the press that prints it. */
export function CardPanel({
  state,
  log,
  stateName,
  at,
}: {
  /** The bow as the card shows it. */
  readonly state: BowState;
  /** Everything taken by then. */
  readonly log: readonly LoggedEntry[];
  readonly stateName: string;
  /** When it was so; null: now. */
  readonly at: number | null;
}) {
  const { params, setParam } = useAddress();
  const now = useNow();
  const withStory = params.get('story') === 'yes';
  const size = CARD_SIZES.find((one) => one === params.get('size')) ?? 'A6';
  const plain = useMemo(
    () => cardView(state, stateName, at === null ? now : new Date(at)),
    [state, stateName, at, now],
  );
  // Reckoned in a worker: they come a moment after the rest.
  const marks = useMarks(state, null);
  const [readings, ...others] = plain.blocks;
  const blocks = [...(readings === undefined ? [] : [readings]), ...marksOnCard(marks), ...others];
  const view = { ...plain, blocks };
  return (
    <section aria-label="Tune card" className="grid gap-4">
      <div className="no-print flex flex-wrap items-end gap-x-6">
        <ChoiceRow
          label="Size"
          value={size}
          options={CARD_SIZES.map((value) => ({ value, label: value }))}
          onChange={(value) => setParam('size', value === 'A6' ? null : value)}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={withStory}
            onChange={() => setParam('story', withStory ? null : 'yes')}
          />
          The story on a second page
        </label>
        <button type="button" className="btn-ink" onClick={() => window.print()}>
          Print the card
        </button>
      </div>
      <div
        className="overflow-x-auto pb-6 print:overflow-visible print:p-0"
        // Wider than a phone: the keys must be able to move it.
        tabIndex={0}
        role="region"
        aria-label="The card as it is printed"
      >
        <TuneCard view={view} state={state} size={size} />
        {withStory && <TuneStoryPage state={state} log={log} size={size} />}
      </div>
      <details className="no-print">
        <summary className="min-h-11 cursor-pointer content-center underline underline-offset-3">
          What its code carries, as text
        </summary>
        <p className="wrap-anywhere" data-testid="card-text">
          {view.text}
        </p>
      </details>
    </section>
  );
}
