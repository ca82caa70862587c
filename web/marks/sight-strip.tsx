import type { MarksFigures } from '#core/sight-marks/marks-figures.ts';
import { STRIP_CHECK_MM, stripLines } from '#core/sight-marks/strip-lines.ts';
import { distanceWords } from '#core/words/marks/distance-words.ts';
import type { Marks } from './use-marks.ts';

const WIDTH_MM = 16;
const MARGIN_MM = 6;

/** Marks to scale, to be cut out and glued on the bar; with a line of known length to hold a rule against. */
export function SightStrip({
  name,
  marks,
  figures,
}: {
  readonly name: string;
  readonly marks: Marks;
  readonly figures: MarksFigures;
}) {
  const { aiming } = marks.evidence;
  if (aiming.kind !== 'sight') return null;
  const { lines, lengthMm } = stripLines(aiming, figures.rows);
  const heightMm = Math.max(lengthMm, STRIP_CHECK_MM) + 2 * MARGIN_MM;
  const widthMm = 2 * WIDTH_MM + 40;
  return (
    <figure className="strip-sheet mt-4" data-testid="sight-strip">
      <svg
        width={`${widthMm}mm`}
        height={`${heightMm}mm`}
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        role="img"
        aria-label={`Strip for the bar of ${name}: ${lines.map(({ distanceM, atMm }) => `${distanceWords(distanceM, marks.unit)} at ${atMm.toFixed(1)} mm`).join(', ')}`}
      >
        <rect
          x={0.2}
          y={0.2}
          width={WIDTH_MM}
          height={lengthMm + 2 * MARGIN_MM - 0.4}
          fill="#fff"
          stroke="#000"
          strokeWidth={0.15}
          strokeDasharray="1 1"
        />
        {lines.map(({ distanceM, atMm }) => (
          <g key={distanceM} transform={`translate(0 ${MARGIN_MM + atMm})`}>
            <line x1={0.2} x2={7} y1={0} y2={0} stroke="#000" strokeWidth={0.25} />
            <text x={8} y={0.9} style={{ fontSize: 2.8 }} fill="#000">
              {distanceWords(distanceM, marks.unit)}
            </text>
          </g>
        ))}
        <g transform={`translate(${WIDTH_MM + 10} ${MARGIN_MM})`} data-testid="strip-check">
          <path
            d={`M -2 0 H 2 M 0 0 V ${STRIP_CHECK_MM} M -2 ${STRIP_CHECK_MM} H 2`}
            stroke="#000"
            strokeWidth={0.25}
            fill="none"
          />
          <text x={4} y={STRIP_CHECK_MM / 2} style={{ fontSize: 3 }} fill="#000">
            {STRIP_CHECK_MM} mm
          </text>
        </g>
      </svg>
      <figcaption className="max-w-120 text-note">
        Print at 100 %, not fitted to the page; the long line then measures {STRIP_CHECK_MM} mm. Top
        of the bar is up; cut along the dashes.
      </figcaption>
    </figure>
  );
}
