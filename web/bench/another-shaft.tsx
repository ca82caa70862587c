import { useState } from 'react';
import { shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import { diameterEffect } from '#core/craft/rest-geometry.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showNumber, showSigned } from '#core/quantity/show.ts';
import { toStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';

const USUAL_SHAFT_MM = 6;

/** What a shaft of another diameter would move, before it is bought. */
export function AnotherShaft({ state }: { readonly state: BowState }) {
  const [text, setText] = useState('');
  const fromMm = state.bow.arrow?.diameterMm ?? USUAL_SHAFT_MM;
  const read = text.trim() === '' ? null : readAmounts(text);
  const amount = read?.ok === true ? read.amounts[0] : undefined;
  const toMm = amount === undefined ? null : toStored(amount.value, amount.unit ?? 'mm');
  const fits = toMm !== null && toMm >= 3 && toMm <= 15;
  return (
    <section aria-label="Another shaft" className="@wide:absolute @wide:bottom-10 @wide:left-1">
      <label className="flex flex-wrap items-end gap-3">
        <span className="label">Another shaft, mm</span>
        <input
          className="field w-24"
          inputMode="decimal"
          value={text}
          maxLength={8}
          placeholder={showNumber(fromMm, 1)}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="text-row" role="status" data-testid="another-shaft">
          {read !== null && !fits
            ? 'A shaft is 3 to 15 mm thick.'
            : toMm === null
              ? 'shows what it would move.'
              : words(fromMm, toMm, shootsOffTheShelf(state.bow.school))}
        </span>
      </label>
    </section>
  );
}

function words(fromMm: number, toMm: number, shelf: boolean): string {
  const { armDownMm, nockingHeightMoreMm, reachInTurns } = diameterEffect(fromMm, toMm, 0);
  const nocking = `nocking height ${showSigned(nockingHeightMoreMm, 1)} mm for the same slope`;
  if (shelf) return `${nocking}; centre shot ${showSigned((toMm - fromMm) / 2, 1)} mm outward.`;
  return `Arm ${showNumber(Math.abs(armDownMm), 1)} mm ${armDownMm >= 0 ? 'down' : 'up'}, ${nocking}, reach ${showNumber(Math.abs(reachInTurns), 1)} turn ${reachInTurns >= 0 ? 'in' : 'out'}.`;
}
