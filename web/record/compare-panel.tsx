import { useMemo } from 'react';
import { compareSheets, differences } from '#core/compare/compare-sheets.ts';
import type { ComparedRow, FigureSheet } from '#core/compare/compared.ts';
import { wayBack } from '#core/compare/way-back.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { comparedFigureWords, comparedName, findingWords } from '#core/words/compare-words.ts';
import { useAddress } from '../app/use-address.ts';
import { useBow } from '../bows/use-bow.ts';
import { useRack } from '../bows/use-rack.ts';
import { Fractions } from '../ui/fractions.tsx';
import { CardField } from './card-field.tsx';
import {
  readSide,
  sheetOfSide,
  type Side,
  sideOptions,
  sideText,
  stateOfSide,
} from './compare-sides.ts';
import { WayBackList } from './way-back-list.tsx';

/** Two moments, strings or bows side by side, what matters first; and the way back. */
export function ComparePanel({
  state,
  log,
  makeChanges,
}: {
  readonly state: BowState;
  readonly log: readonly LoggedEntry[];
  readonly makeChanges: Parameters<typeof WayBackList>[0]['makeChanges'];
}) {
  const { params, setParam } = useAddress();
  const rack = useRack(true);
  // Addresses kept, and those in the codes of cards, name them left and right.
  const first: Side = readSide(params.get('left')) ?? { kind: 'now' };
  const second = readSide(params.get('right')) ?? firstChoice(state);
  const one = useSide(first, log, state);
  const other = useSide(second, log, state);
  const rows = useMemo(
    () =>
      one.sheet === null || other.sheet === null ? null : compareSheets(one.sheet, other.sheet),
    [one.sheet, other.sheet],
  );
  const options = sideOptions(state, rack.data?.bows ?? []);
  const canReturn = first.kind === 'now' && second.kind !== 'bow' && second.kind !== 'now';
  return (
    <section aria-label="Compare" className="grid gap-4" data-testid="compare">
      <div className="grid grid-cols-1 gap-x-8 gap-y-2 @roomy:grid-cols-2">
        <SideChoice
          label="First"
          side={first}
          options={options}
          onChange={(value) => setParam('left', value)}
        />
        <SideChoice
          label="Second"
          side={second}
          options={options}
          onChange={(value) => setParam('right', value)}
        />
      </div>
      {rows === null ? (
        <p className="text-ink-2" role="status">
          {missingWords(first, second)}
        </p>
      ) : (
        <>
          <Differences rows={rows} style={state} />
          <p>
            <button
              type="button"
              className="link-btn -ml-2.5"
              onClick={() => {
                const named = (side: Side) =>
                  options.find(({ value }) => value === sideText(side))?.words ?? sideText(side);
                void import('./save-tables.ts').then(({ saveComparison }) =>
                  saveComparison(state, rows, {
                    first: named(first),
                    second: named(second),
                  }),
                );
              }}
            >
              Save as a table
            </button>
          </p>
          {canReturn && other.state !== null && (
            <WayBackList
              steps={wayBack(state, other.state)}
              state={state}
              toWords={options.find(({ value }) => value === sideText(second))?.words ?? 'this'}
              makeChanges={makeChanges}
            />
          )}
        </>
      )}
    </section>
  );
}

function missingWords(first: Side, second: Side): string {
  const kinds = [first.kind, second.kind];
  if (kinds.includes('card')) return 'The card is not read yet.';
  if (kinds.includes('bow')) return 'Fetching the other bow…';
  return 'The bow was not in the record yet then. Take a later moment.';
}

/** What now is compared with until something is chosen: the newest named state, else how its first day ended. */
function firstChoice({ namedStates, active }: BowState): Side {
  const named = namedStates.at(-1);
  if (named !== undefined) return { kind: 'moment', ms: instantMs(named.moment) };
  const begunMs = instantMs(active[0]?.at ?? '');
  const firstDay = active.filter(({ at }) => instantMs(at) - begunMs < DAY_MS);
  return { kind: 'moment', ms: instantMs(firstDay.at(-1)?.at ?? '') };
}

const DAY_MS = 24 * 3_600_000;

function useSide(
  side: Side,
  log: readonly LoggedEntry[],
  now: BowState,
): { readonly state: BowState | null; readonly sheet: FigureSheet | null } {
  const other = useBow(side.kind === 'bow' ? side.bowId : now.bowId);
  const key = sideText(side);
  return useMemo(() => {
    const read = readSide(key) ?? { kind: 'now' };
    const state = stateOfSide(read, log, now, other.state);
    return { state, sheet: sheetOfSide(read, state) };
  }, [key, log, now, other.state]);
}

function SideChoice({
  label,
  side,
  options,
  onChange,
}: {
  readonly label: string;
  readonly side: Side;
  readonly options: ReturnType<typeof sideOptions>;
  readonly onChange: (value: string) => void;
}) {
  const value = side.kind === 'card' ? 'card:' : sideText(side);
  const isListed = options.some((one) => one.value === value);
  return (
    <div className="grid grid-cols-1 items-end gap-x-4 @form:grid-cols-[minmax(0,1fr)_auto]">
      <label className="min-w-0">
        <span className="label">{label}</span>
        <select
          className="field"
          value={isListed ? value : ''}
          onChange={(event) => {
            if (event.target.value !== '') onChange(event.target.value);
          }}
        >
          {!isListed && <option value="">a moment</option>}
          {options.map((one) => (
            <option key={one.value} value={one.value}>
              {one.words}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="label">or as it was on</span>
        <input
          className="field"
          type="datetime-local"
          value={side.kind === 'moment' ? localText(side.ms) : ''}
          onChange={({ target }) => {
            const ms = Date.parse(target.value);
            // To the end of that minute: what was logged within it had been taken by then.
            if (!Number.isNaN(ms)) onChange(new Date(ms + 59_999).toISOString());
          }}
        />
      </label>
      {side.kind === 'card' && (
        <CardField text={side.text} onText={(text) => onChange(`card:${text}`)} />
      )}
    </div>
  );
}

function localText(ms: number): string {
  const at = new Date(ms);
  return new Date(ms - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

function Differences({
  rows,
  style,
}: {
  readonly rows: readonly ComparedRow[];
  readonly style: BowState;
}) {
  const other = differences(rows);
  const alike = rows.filter((row) => !other.includes(row));
  return (
    <>
      {other.length === 0 ? (
        <p className="text-sub" role="status">
          No difference seen in {rows.length} figures.
        </p>
      ) : (
        <RowsTable
          rows={other}
          style={style}
          caption={`${other.length} ${other.length === 1 ? 'difference' : 'differences'}, what matters first`}
        />
      )}
      {alike.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer content-center underline underline-offset-3">
            {alike.length} alike
          </summary>
          <RowsTable rows={alike} style={style} caption="No difference seen" />
        </details>
      )}
    </>
  );
}

function RowsTable({
  rows,
  style: { bow },
  caption,
}: {
  readonly rows: readonly ComparedRow[];
  readonly style: BowState;
  readonly caption: string;
}) {
  const figure = (row: ComparedRow, side: 'a' | 'b') => comparedFigureWords(row, side, bow);
  return (
    <table className="w-full text-row">
      <caption className="text-left text-note text-ink-2">{caption}</caption>
      <thead>
        <tr className="border-b border-ink text-left">
          <th scope="col" className="pr-3">
            What
          </th>
          <th scope="col" className="pr-3">
            First
          </th>
          <th scope="col" className="pr-3">
            Second
          </th>
          <th scope="col" className="@max-form:hidden">
            Second less first
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr
            key={JSON.stringify(row.what)}
            className="border-b border-faint align-top"
            data-finding={row.finding.kind}
          >
            <th scope="row" className="py-2 pr-3 text-left font-[inherit] wrap-anywhere">
              {comparedName(row.what)}
              <span className="block text-note text-ink-2 @form:hidden">
                <Fractions text={findingWords(row, bow)} />
              </span>
            </th>
            <td className="py-2 pr-3 wrap-anywhere">
              <Fractions text={figure(row, 'a')} />
            </td>
            <td className="py-2 pr-3 wrap-anywhere">
              <Fractions text={figure(row, 'b')} />
            </td>
            <td className="py-2 @max-form:hidden">
              <Fractions text={findingWords(row, bow)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
