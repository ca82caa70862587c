import { useState } from 'react';
import {
  arrowSlopeMm,
  locatorGapMm,
  locatorTurns,
  servingThreadMm,
  slopeEquivalentMm,
  USUAL_SERVING_THREAD_MM,
} from '#core/craft/locators.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showLengthBoth, showNumber, showSigned } from '#core/quantity/show.ts';
import { toStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Fractions } from '../ui/fractions.tsx';
import { TextField } from '../ui/text-field.tsx';

const USUAL_NOCK_MM = 7;
const USUAL_SHAFT_MM = 6;

/**
 * What a nocking height means with this nock and shaft: the gap between two locators, the arrow's
 * slope, the same slope with another arrow, and turns of a tied locator.
 */
export function NockingPanel({ state }: { readonly state: BowState }) {
  const [thread, setThread] = useState('');
  const [nock, setNock] = useState('');
  const [shaft, setShaft] = useState('');
  const [otherNock, setOtherNock] = useState('');
  const height = presentReading(state, 'nockingHeight')?.value ?? null;
  const threadRead = thread.trim() === '' ? null : servingThreadMm(amountOf(thread));
  const threadMm = threadRead?.kind === 'thread' ? threadRead.mm : USUAL_SERVING_THREAD_MM;
  const nockMm = millimetres(nock) ?? USUAL_NOCK_MM;
  const shaftMm = state.bow.arrow?.diameterMm ?? USUAL_SHAFT_MM;
  const otherShaftMm = millimetres(shaft);
  const from = { shaftDiameterMm: shaftMm, nockHeightMm: nockMm };
  const to = {
    shaftDiameterMm: otherShaftMm ?? shaftMm,
    nockHeightMm: millimetres(otherNock) ?? nockMm,
  };
  const both = (mm: number) => showLengthBoth(mm, 32);
  return (
    <section
      aria-label="Locators"
      className="mt-4 border-t border-faint pt-3"
      data-testid="locators"
    >
      <h3 className="label">
        Locators, loose until proven: glued at the end, at “Fix and document”
      </h3>
      <div className="mt-1 grid grid-cols-1 gap-4 @form:grid-cols-4">
        <TextField
          label="Serving thread"
          value={thread}
          placeholder="0.5 mm"
          onChange={setThread}
        />
        <TextField
          label="Nock, outside height, mm"
          value={nock}
          placeholder={String(USUAL_NOCK_MM)}
          onChange={setNock}
        />
        <TextField
          label="Another shaft, mm"
          value={shaft}
          placeholder={showNumber(shaftMm, 1)}
          onChange={setShaft}
        />
        <TextField
          label="Its nock, mm"
          value={otherNock}
          placeholder={showNumber(nockMm, 1)}
          onChange={setOtherNock}
        />
      </div>
      {threadRead?.kind === 'asks' && (
        <p className="mt-2" role="alert">
          {threadRead.says}{' '}
          <button
            type="button"
            className="link min-h-11"
            onClick={() => setThread(threadRead.typed)}
          >
            {threadRead.typed}
          </button>
        </p>
      )}
      <ul className="mt-2 grid gap-1">
        <li>
          Two locators, from edge to edge:{' '}
          <b>
            <Fractions text={both(locatorGapMm(nockMm))} />
          </b>
          , so that the nock is not pinched at full draw.
        </li>
        <li>
          A tied locator: 1 mm is <b>{showNumber(locatorTurns(1, threadMm), 1)} turns</b> of this
          thread.
        </li>
        {height !== null && (
          <>
            <li>
              The arrow’s slope: nock centre <b>{showSigned(arrowSlopeMm(height, from), 1)} mm</b>{' '}
              above shaft centre. Comparable between thin and fat arrows.
            </li>
            <li>
              Read at the lower locator’s upper edge instead:{' '}
              <b>{showNumber(height - locatorGapMm(nockMm), 1)} mm</b>.
            </li>
            {(otherShaftMm !== null || otherNock.trim() !== '') && (
              <li>
                The same slope with the other arrow: nocking height{' '}
                <b>
                  <Fractions text={both(slopeEquivalentMm(height, from, to))} />
                </b>
                , from the same support.
              </li>
            )}
          </>
        )}
      </ul>
      <p className="mt-1 text-note text-ink-2">
        Nock 7 mm, thread 0.5 mm and shaft 6 mm stand in until yours are typed: rules of thumb.
      </p>
    </section>
  );
}

function amountOf(text: string): { readonly mm: number; readonly typed: string } | null {
  const read = readAmounts(text);
  const amount = read.ok ? read.amounts[0] : undefined;
  if (amount === undefined) return null;
  // Threads are sold in thousandths of an inch; a bare number under 0.1 is inches, else millimetres.
  const unit = amount.unit ?? (amount.value < 0.1 ? 'in' : 'mm');
  return { mm: toStored(amount.value, unit), typed: text.trim() };
}

function millimetres(text: string): number | null {
  if (text.trim() === '') return null;
  const found = amountOf(text);
  return found !== null && found.mm >= 2 && found.mm <= 20 ? found.mm : null;
}
