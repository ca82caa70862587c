import { useState } from 'react';
import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { METRES_PER_YARD } from '#core/quantity/yards.ts';
import { leverWords, wantedWords } from '#core/words/marks/lever-words.ts';
import { changeSettings, useSettings } from '../theme/use-settings.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { TextField } from '../ui/text-field.tsx';
import { GapDrawing } from './gap-drawing.tsx';
import { MarksCurve } from './marks-curve.tsx';
import { MarksDoubts, MarksSays } from './marks-says.tsx';
import { MarksTable } from './marks-table.tsx';
import { SightStrip } from './sight-strip.tsx';
import { useMarks } from './use-marks.ts';

const UNITS = [
  { value: 'm', label: 'metres' },
  { value: 'yd', label: 'yards' },
] as const;

/** The marks of one bow to be read at the line, and to be printed. */
export function MarksRoom({ state }: { readonly state: BowState }) {
  const [asked, setAsked] = useState('');
  const read = readAmounts(asked);
  const typed = read.ok && read.amounts.length === 1 ? read.amounts[0]?.value : undefined;
  const [strip, setStrip] = useState(false);
  const { distanceUnit } = useSettings();
  const askedM = typed === undefined ? null : inReach(typed, distanceUnit);
  const [wanted, setWanted] = useState('');
  const readWanted = readAmounts(wanted);
  const wantedAt = readWanted.ok ? readWanted.amounts[0]?.value : undefined;
  const wantedM = wantedAt === undefined ? null : inReach(wantedAt, distanceUnit);
  const marks = useMarks(state, askedM, { pointOnWantedM: wantedM });
  return (
    <div className="view-scroll">
      <h1 className="visually-hidden">Marks: {state.bow.name}</h1>
      <div className="px-4 py-3 @roomy:px-7" data-testid="marks-room">
        <div className="no-print flex flex-wrap items-baseline justify-between gap-x-6">
          <p className="text-note font-[640]">Marks</p>
          <Link className="link min-h-11 content-center text-note" to={`/range/${state.bowId}`}>
            To the butt
          </Link>
        </div>
        {marks === null ? (
          <NoMarks />
        ) : marks.failed ? (
          <p className="text-stop" role="alert">
            The figures could not be reckoned. The shots are kept; open this page again.
          </p>
        ) : marks.figures === null ? (
          <p className="text-ink-2">Reckoning the marks…</p>
        ) : (
          <div className="grid grid-cols-1 gap-x-12 @roomy:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] print:block">
            <div>
              <div className={`no-print ${marks.isCurrent ? '' : 'opacity-60'}`} aria-live="polite">
                <MarksDoubts marks={marks} figures={marks.figures} />
              </div>
              <div className={strip ? 'no-print' : 'marks-sheet'}>
                <p className="hidden font-[640] print:block">Marks: {state.bow.name}</p>
                <MarksTable marks={marks} figures={marks.figures} askedM={askedM} />
              </div>
              <div className="no-print my-2 flex flex-wrap items-end gap-x-6">
                <div className="w-40">
                  <TextField
                    label={`Another distance, ${marks.unit}`}
                    value={asked}
                    decimal
                    onChange={setAsked}
                  />
                  {asked.trim() !== '' && askedM === null && <NoDistance />}
                </div>
                <ChoiceRow
                  label="Distances in"
                  value={marks.unit}
                  options={UNITS}
                  onChange={(distanceUnit) => changeSettings({ distanceUnit })}
                />
              </div>
              <div className="no-print">
                <MarksSays marks={marks} figures={marks.figures} />
              </div>
              {marks.figures.levers.length > 0 && (
                <section className="no-print mt-4" aria-label="What moves the point-on">
                  <p className="font-[640]">What moves the point-on</p>
                  {marks.figures.levers.map((one) => (
                    <p key={one.lever} className="text-plain">
                      {leverWords(one)}
                    </p>
                  ))}
                  <div className="mt-1 w-48">
                    <TextField
                      label={`Point-on wanted at, ${marks.unit}`}
                      value={wanted}
                      decimal
                      onChange={setWanted}
                    />
                    {wanted.trim() !== '' && wantedM === null && <NoDistance />}
                  </div>
                  {wantedM !== null && marks.isCurrent && (
                    <p className="mt-1 font-[560]" aria-live="polite" data-testid="point-on-wanted">
                      {wantedWords(marks.figures.levers)}
                    </p>
                  )}
                  <p className="text-note text-ink-2">
                    Rules of thumb: shoot it again after any of them, bare shafts too.
                  </p>
                </section>
              )}
              <div className="no-print mt-3 flex flex-wrap gap-3">
                {marks.evidence.aiming.kind === 'sight' && (
                  <button
                    type="button"
                    className="btn-ink"
                    aria-pressed={strip}
                    onClick={() => setStrip(!strip)}
                  >
                    {strip ? 'Put the strip away' : 'Strip for the bar'}
                  </button>
                )}
                <button type="button" className="link-btn" onClick={() => window.print()}>
                  {strip ? 'Print the strip' : 'Print the table'}
                </button>
              </div>
              {strip && <SightStrip name={state.bow.name} marks={marks} figures={marks.figures} />}
            </div>
            <div className="no-print mt-4">
              {marks.evidence.aiming.kind === 'point' ? (
                <GapDrawing marks={marks} figures={marks.figures} />
              ) : (
                <MarksCurve marks={marks} figures={marks.figures} />
              )}
            </div>
          </div>
        )}
      </div>
    </div>
  );
}

/** A typed distance in metres; null: not one that is shot. */
function inReach(typed: number, unit: 'm' | 'yd'): number | null {
  const metres = unit === 'm' ? typed : typed * METRES_PER_YARD;
  return metres >= 2 && metres <= 120 ? metres : null;
}

function NoDistance() {
  return <p className="text-note text-stop">No distance that is shot: 2 to 120 m.</p>;
}

function NoMarks() {
  return (
    <>
      <p className="text-title leading-tight font-[520] [font-stretch:88%]">
        No marks yet. Two distances with what was set are enough for all of them.
      </p>
      <p className="mt-1">At the butt, begin a session of marks.</p>
    </>
  );
}
