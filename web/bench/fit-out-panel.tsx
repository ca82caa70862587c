import { useState } from 'react';
import {
  FIT_OUT_ITEMS,
  FIT_OUT_LABEL,
  type FitOutItem,
  STRING_MATERIAL_LABEL,
} from '#core/craft/fit-out.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { stringSchedule } from '#core/order/string-schedule.ts';
import { ItemForm } from './item-form.tsx';
import { whenWords } from '../log-line/lately.tsx';

/** What is on the bow, since when; and a change of one item with what it puts in doubt. */
export function FitOutPanel({
  state,
  itemBegun,
  onStore,
}: {
  readonly state: BowState;
  readonly itemBegun: FitOutItem | null;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
}) {
  const [item, setItem] = useState(itemBegun);
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-5 @roomy:grid-cols-2">
      <section aria-label="On the bow">
        <h3 className="font-[640]">On the bow</h3>
        <OnTheBow state={state} />
        <div className="mt-2 flex flex-wrap gap-x-4">
          <button type="button" className="btn-ink" onClick={() => setItem('string')}>
            New string
          </button>
          <label className="flex items-center gap-2 text-row">
            Change
            <select
              className="field w-auto"
              value={item ?? ''}
              onChange={(event) =>
                setItem(FIT_OUT_ITEMS.find((one) => one === event.target.value) ?? null)
              }
            >
              <option value="">an item…</option>
              {itemsOf(state).map((one) => (
                <option key={one} value={one}>
                  {upperFirst(FIT_OUT_LABEL[one])}
                </option>
              ))}
            </select>
          </label>
        </div>
      </section>
      {item !== null && (
        <ItemForm
          key={item}
          state={state}
          item={item}
          onDone={(body) => {
            onStore([body]);
            setItem(null);
          }}
          onLeave={() => setItem(null)}
        />
      )}
    </div>
  );
}

/** A longbow is one piece: it has no limbs to change. */
function itemsOf({ bow }: BowState): readonly FitOutItem[] {
  return FIT_OUT_ITEMS.filter((item) => item !== 'limbs' || bow.bowKind !== 'longbow');
}

function OnTheBow({ state }: { readonly state: BowState }) {
  const { fitted, all } = state.strings;
  const schedule = stringSchedule(state);
  const items = [...state.fitOut.values()].filter(
    ({ item }) => item !== 'string' && item !== 'limbs',
  );
  return (
    <ul>
      {all.map((string) => (
        <li key={string.stringId} className="border-b border-faint py-1.5">
          <span className="font-[560]">
            {upperFirst(string.described)}
            {string.stringId === fitted.stringId ? '' : ', in the bag'}
          </span>
          <span className="block text-note text-ink-2">
            {[
              STRING_MATERIAL_LABEL[string.material],
              string.strands === undefined ? null : `${string.strands} strands`,
              string.twists === null ? 'twists not counted' : `${string.twists} twists`,
              `${string.shots} shots`,
              `on since ${whenWords(string.fittedAt)}`,
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </span>
          {string.stringId === fitted.stringId && schedule.next !== null && (
            <span className="block text-note" data-testid="string-schedule">
              {schedule.due === null
                ? `Next look at the brace after ${schedule.next} shots: ${schedule.next - schedule.shots} to go.`
                : `Brace is due now: ${schedule.due} shots on it.`}
            </span>
          )}
        </li>
      ))}
      {state.limbs.all.length > 1 && (
        <li className="border-b border-faint py-1.5">
          <span className="font-[560]">{upperFirst(state.limbs.fitted.described)}</span>
          <span className="block text-note text-ink-2">
            {state.limbs.fitted.shots} shots, on since {whenWords(state.limbs.fitted.fittedAt)}
          </span>
        </li>
      )}
      {state.bow.arrow !== undefined && (
        <li className="border-b border-faint py-1.5">
          <span className="font-[560]">Arrow: {state.bow.arrow.described}</span>
        </li>
      )}
      {items.map((one) => (
        <li key={one.entryId} className="border-b border-faint py-1.5">
          <span className="font-[560]">{upperFirst(FIT_OUT_LABEL[one.item])}</span>
          <span className="text-note text-ink-2">
            {' '}
            {one.described === '' ? 'taken off' : one.described}, {whenWords(one.at)}
          </span>
        </li>
      ))}
    </ul>
  );
}
