import type { MarksFigures, MarkRow } from '#core/sight-marks/marks-figures.ts';
import { METRES_PER_YARD } from '#core/quantity/yards.ts';
import { showNumber } from '#core/quantity/show.ts';
import { fartherWords } from '#core/words/marks/distance-words.ts';
import { markRowWords, SET_COLUMN, shiftWords } from '#core/words/marks/marks-words.ts';
import type { Marks } from './use-marks.ts';

/** Every distance with what is set for it; the ones that were shot are marked, what was asked for stands out. */
export function MarksTable({
  marks,
  figures,
  askedM,
}: {
  readonly marks: Marks;
  readonly figures: MarksFigures;
  readonly askedM: number | null;
}) {
  const { evidence, unit } = marks;
  const { aiming, ends, since } = evidence;
  const isShot = (distanceM: number) =>
    ends.some((end) => Math.abs(end.distanceM - distanceM) < 0.05 && end.changesSince === 0);
  const isAsked = (distanceM: number) => askedM !== null && Math.abs(askedM - distanceM) < 0.05;
  return (
    <div
      className="mt-2 overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label="Marks, table"
      aria-busy={!marks.isCurrent}
    >
      <table className="w-full text-row tabular-nums" data-testid="marks-table">
        <thead>
          <tr className="text-left text-note text-ink-2">
            <th className="pr-3 font-[400]" scope="col">
              {unit}
            </th>
            <th className="pr-3 font-[400]" scope="col">
              {SET_COLUMN[aiming.kind]}
            </th>
            {since.length > 0 && (
              <th className="pr-3 font-[400]" scope="col">
                Moved
              </th>
            )}
            <th className="font-[400]" scope="col">
              1 {unit} farther
            </th>
          </tr>
        </thead>
        <tbody>
          {figures.rows.map((row) => (
            <tr
              key={row.distanceM}
              className={`border-t border-faint ${isAsked(row.distanceM) ? 'border-l-4 border-l-accent' : ''}`}
            >
              <th scope="row" className="py-1.5 pr-3 pl-1 text-left font-[560] whitespace-nowrap">
                {distanceFigure(row, unit)}
                {isShot(row.distanceM) ? <span className="text-note font-[400]"> shot</span> : ''}
              </th>
              <td className="pr-3 text-brand font-[680] whitespace-nowrap">
                {markRowWords(evidence, row)}
              </td>
              {since.length > 0 && (
                <td className="pr-3 whitespace-nowrap">{shiftWords(aiming, row)}</td>
              )}
              <td className="whitespace-nowrap text-ink-2">{fartherWords(row, unit)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function distanceFigure({ distanceM }: MarkRow, unit: 'm' | 'yd'): string {
  const value = unit === 'm' ? distanceM : distanceM / METRES_PER_YARD;
  return showNumber(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1);
}
