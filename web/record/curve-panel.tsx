import { lazy, type ReactNode, Suspense, useMemo } from 'react';
import { READING_KINDS, READINGS, type ReadingKind } from '#core/craft/readings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { readingCurve } from '#core/story/reading-curve.ts';
import { useAddress } from '../app/use-address.ts';
import { useAfterFirstFrame } from '../ui/use-after-first-frame.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { type Along, ALONG, curveView } from './curve-view.ts';

// The chart's package comes after the list: what happened can be read without it.
const ReadingCurveChart = lazy(() =>
  import('./reading-curve-chart.tsx').then((module) => ({ default: module.ReadingCurveChart })),
);

/** One reading over the whole record, chosen in the address. */
export function CurvePanel({
  state,
  lead,
  onPoint,
}: {
  readonly state: BowState;
  /** What stands before the choice of the curve, on the same line. */
  readonly lead: ReactNode;
  readonly onPoint: (entryId: string) => void;
}) {
  const { params, setParam } = useAddress();
  const drawn = useAfterFirstFrame();
  const taken = READING_KINDS.filter((kind) => state.readings.has(kind));
  const wanted = params.get('curve');
  const reading: ReadingKind | undefined = taken.find((kind) => kind === wanted) ?? taken[0];
  const along = ALONG.find((one) => one === params.get('along')) ?? 'time';
  if (reading === undefined)
    return (
      <>
        {lead}
        <p className="text-ink-2">
          No reading yet. The first one begins the curve: brace height, three times, on the bench.
        </p>
      </>
    );
  return (
    <section aria-label="Curve" className="min-h-68 shrink-0">
      <div className="mb-1 flex flex-wrap items-end gap-x-8">
        {lead}
        <label>
          <span className="label">Curve of</span>
          <select
            className="field"
            value={reading}
            onChange={(event) => setParam('curve', event.target.value)}
          >
            {taken.map((kind) => (
              <option key={kind} value={kind}>
                {READINGS[kind].name}
              </option>
            ))}
          </select>
        </label>
        <ChoiceRow
          label="Along"
          value={along}
          options={ALONG.map((value) => ({ value, label: value }))}
          onChange={(value) => setParam('along', value === 'time' ? null : value)}
        />
        <TablesOut state={state} />
      </div>
      {drawn && <Curve state={state} reading={reading} along={along} onPoint={onPoint} />}
    </section>
  );
}

/** Everything read and shot, for a spreadsheet. */
function TablesOut({ state }: { readonly state: BowState }) {
  const save = async (what: 'readings' | 'shots') => {
    // With them comes the package that writes tables.
    const { saveReadings, saveShots } = await import('./save-tables.ts');
    (what === 'readings' ? saveReadings : saveShots)(state);
  };
  return (
    <p className="text-note @max-tablet:text-plain">
      As a table:{' '}
      <button type="button" className="link-btn" onClick={() => void save('readings')}>
        Readings
      </button>
      {state.shotsInAll > 0 && (
        <button type="button" className="link-btn" onClick={() => void save('shots')}>
          Shots
        </button>
      )}
    </p>
  );
}

function Curve({
  state,
  reading,
  along,
  onPoint,
}: {
  readonly state: BowState;
  readonly reading: ReadingKind;
  readonly along: Along;
  readonly onPoint: (entryId: string) => void;
}) {
  const view = useMemo(
    () => curveView(state, readingCurve(state, reading), along),
    [state, reading, along],
  );
  if (view === null) return null;
  return (
    <Suspense fallback={<p className="text-ink-2">Drawing the curve…</p>}>
      <ReadingCurveChart view={view} name={READINGS[reading].name} onPoint={onPoint} />
    </Suspense>
  );
}
