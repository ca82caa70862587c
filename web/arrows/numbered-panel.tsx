import { useMemo } from 'react';
import { type NumberedShaft, numberedShafts } from '#core/arrows/numbered-shafts.ts';
import { sideOf } from '#core/craft/handedness.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showButtInterval, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { shaftApartWords } from '#core/words/arrows/arrow-words.ts';

/** Each numbered arrow: what it weighs, and where it lands from its fellows. */
export function NumberedPanel({
  state,
  massUnit,
  unit,
}: {
  readonly state: BowState;
  readonly massUnit: 'gr' | 'g';
  readonly unit: 'cm' | 'in';
}) {
  const shafts = useMemo(() => numberedShafts(state), [state]);
  return (
    <div className="grid gap-4">
      <p>
        Weigh each whole: sw, its number and its mass on the entry line, like sw 3 380. On the range
        its number stands beside the shot.
      </p>
      {shafts.length === 0 ? (
        <p className="text-ink-2">No numbered arrow was weighed or shot with these shafts yet.</p>
      ) : (
        <table className="w-full text-row" data-testid="numbered-shafts">
          <thead>
            <tr className="border-b border-ink text-left">
              <th scope="col">Shaft</th>
              <th scope="col">Weighs</th>
              <th scope="col">Shots</th>
              <th scope="col">Lands from the others, at 18 m</th>
            </tr>
          </thead>
          <tbody>
            {shafts.map((shaft) => (
              <tr key={shaft.arrowNumber} className="border-b border-faint align-top">
                <th scope="row" className="py-1.5 text-left font-[640]">
                  {shaft.arrowNumber}
                </th>
                <td className="py-1.5 pr-3">
                  {shaft.massG === null
                    ? 'not weighed'
                    : `${showNumber(fromStored(shaft.massG, massUnit), massUnit === 'gr' ? 0 : 2)} ${massUnit}`}
                  {shaft.apartG !== null && (
                    <span className="block text-note text-stop">{shaftApartWords(shaft)}</span>
                  )}
                </td>
                <td className="py-1.5 pr-3">{shaft.shots}</td>
                <td className="py-1.5">{landsWords(shaft, state, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

function landsWords({ lands, shots }: NumberedShaft, { bow }: BowState, unit: 'cm' | 'in'): string {
  if (lands === null) return shots === 0 ? 'not shot' : 'three shots at least';
  const { outwardMm, upMm, plusMinusMm } = lands;
  return `${showButtInterval(outwardMm, plusMinusMm, unit)} ${sideOf(outwardMm, bow.hand)}, ${showButtInterval(upMm, plusMinusMm, unit)} ${upMm >= 0 ? 'high' : 'low'}`;
}
