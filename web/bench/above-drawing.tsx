import { nockToPlungerMm } from '#core/craft/brace-reference.ts';
import { armBelowPlungerMm } from '#core/craft/rest-geometry.ts';
import { shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import { gainOf } from '#core/gains/learned-gains.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import { PLUNGER_MM_PER_TURN } from '#core/quantity/units.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Move } from '#core/advice/move.ts';
import { Gauge } from '../drawing/gauge.tsx';
import { useEased } from '../drawing/use-eased.ts';
import { DrawnReading } from './drawn-reading.tsx';
import { readingView } from './reading-view.ts';
import { SHEET, sheetX } from './sheet.ts';

/** Offsets to the side are enlarged so; lengths along the arrow are true. */
const SIDEWAYS_TIMES = 10;
const USUAL_SHAFT_MM = 6;
const USUAL_ARROW_MM = 730;
const ARROW_Y = 190;
const END_ON_PX_PER_MM = 9;

/** The sight from above: shaft against the string plane, plunger and rest; and the shaft end-on. */
export function AboveDrawing({
  state,
  move,
  narrow,
  onReading,
}: {
  readonly state: BowState;
  readonly move: Move | null;
  /** On a phone the readings stand in rows below; only the arrow is drawn. */
  readonly narrow: boolean;
  readonly onReading: (kind: ReadingKind) => void;
}) {
  const { bow } = state;
  const shelf = shootsOffTheShelf(bow.school);
  const shaftMm = bow.arrow?.diameterMm ?? USUAL_SHAFT_MM;
  const pxPerMm = 430 / Math.max(USUAL_ARROW_MM, bow.arrow?.lengthMm ?? USUAL_ARROW_MM);
  const centreMm = useEased(presentReading(state, 'centreShotAtPoint')?.value ?? 0);
  const braceMm = presentReading(state, 'braceHeight')?.value ?? 210;
  const restMm = useEased(presentReading(state, 'restHeight')?.value ?? 0);
  const x = (mm: number) => sheetX(40 + mm * pxPerMm, bow.hand);
  const lengthMm = bow.arrow?.lengthMm ?? USUAL_ARROW_MM;
  const plungerMm = nockToPlungerMm(bow, braceMm);
  // Seen from above, with the bow pointing to the side it is drawn to, outward lies downward.
  const side = (outwardMm: number) => ARROW_Y + outwardMm * pxPerMm * SIDEWAYS_TIMES;
  const atPlunger = (centreMm * plungerMm) / lengthMm;
  const half = (shaftMm / 2) * pxPerMm * 2.2;
  const threadY = move?.place === 'plunger' || move?.place === 'arrow' ? side(atPlunger) : null;
  const readings: readonly ReadingKind[] = shelf
    ? ['centreShotAtPoint', 'nockingHeight']
    : ['centreShotAtPoint', 'restHeight'];
  const columns = bow.hand === 'left' ? [330, 40] : [40, 330];
  return (
    <svg
      viewBox={narrow ? `0 60 ${SHEET.width} 230` : `0 0 ${SHEET.width} ${SHEET.height}`}
      className={narrow ? 'w-full' : 'h-full max-h-full w-full'}
      preserveAspectRatio="xMidYMin"
      role="group"
      aria-label={`Sight from above of ${bow.name}, ${bow.hand}-handed, sideways ${SIDEWAYS_TIMES} times enlarged`}
      data-testid="above"
    >
      {threadY !== null && (
        <path
          className="s-accent"
          d={`M${x(plungerMm)} ${threadY - half - 44}V60H${SHEET.edgeX}M${SHEET.edgeX} ${SHEET.moveTopY}V${SHEET.moveBottomY}`}
          data-testid="thread"
        />
      )}
      <g aria-hidden>
        <path className="s-hair dash" d={`M${x(-40)} ${ARROW_Y}H${x(lengthMm + 60)}`} />
        <text
          className="t-note"
          x={x(lengthMm * 0.62)}
          y={ARROW_Y - 8}
          textAnchor={bow.hand === 'left' ? 'start' : 'end'}
        >
          string plane
        </text>
        <circle className="f-ink" cx={x(0)} cy={ARROW_Y} r={4} />
        <Riser
          x={x(plungerMm)}
          window={side(atPlunger) - half}
          facing={bow.hand === 'left' ? 1 : -1}
        />
        {!shelf && (
          <>
            <path
              className="s-out"
              d={`M${x(plungerMm) - 7} ${side(atPlunger) - half - 40}h14v40h-14Z`}
              style={{ fill: 'var(--sheet)' }}
            />
            <path
              className="s-thin dash"
              d={`M${x(plungerMm - 26)} ${side(atPlunger) - half - 18}L${x(plungerMm - 4)} ${side(atPlunger) + half * 0.7}`}
            />
          </>
        )}
        <path
          className="s-out"
          d={`M${x(4)} ${ARROW_Y - half}L${x(lengthMm)} ${side(centreMm) - half}V${side(centreMm) + half}L${x(4)} ${ARROW_Y + half}Z`}
          style={{ fill: 'var(--sheet)' }}
        />
        <path
          className="s-out f-ink"
          d={`M${x(lengthMm)} ${side(centreMm) - half}L${x(lengthMm + 26)} ${side(centreMm)}L${x(lengthMm)} ${side(centreMm) + half}Z`}
        />
        <path className="s-dim" d={`M${x(lengthMm)} ${ARROW_Y - 22}V${side(centreMm) + 26}`} />
        <path
          className="s-out"
          d={`M${x(lengthMm) - 3.5} ${ARROW_Y + 3.5}l7 -7M${x(lengthMm) - 3.5} ${side(centreMm) + 3.5}l7 -7`}
        />
      </g>
      {!narrow &&
        readings.map((kind, index) => {
          const view = readingView(state, kind);
          const at = columns[index] ?? 40;
          return (
            <g key={kind}>
              <DrawnReading view={view} x={at} y={320} width={240} onReading={onReading} />
              {view.gauge !== null && <Gauge gauge={view.gauge} x={at + 10} y={400} width={220} />}
            </g>
          );
        })}
      {narrow ? null : shelf ? (
        <text x={40} y={470}>
          Off the shelf: the contact point lies above the grip’s throat; pad and side plate are cut
          to it.
        </text>
      ) : (
        <EndOn shaftMm={shaftMm} restMm={restMm} known={bow.arrow !== undefined} state={state} />
      )}
      <text className="t-note" x={4} y={78}>
        Seen from above. Sideways ×{SIDEWAYS_TIMES}, along the arrow true.
      </text>
    </svg>
  );
}

/** A piece of riser with its window edge beside the shaft. */
function Riser({
  x,
  window,
  facing,
}: {
  readonly x: number;
  readonly window: number;
  readonly facing: 1 | -1;
}) {
  return (
    <path
      className="s-out"
      style={{ fill: 'var(--metal)' }}
      d={`M${x - facing * 26} ${window - 84}V${window - 24}h${facing * 58}V${window - 84}Z`}
    />
  );
}

/** The shaft seen from its end: plunger, shaft, arm; and what the numbers come to. */
function EndOn({
  shaftMm,
  restMm,
  known,
  state,
}: {
  readonly shaftMm: number;
  readonly restMm: number;
  readonly known: boolean;
  readonly state: BowState;
}) {
  const { hand } = state.bow;
  const cx = hand === 'left' ? 130 : 492;
  const cy = 540;
  const px = END_ON_PX_PER_MM;
  const out = hand === 'left' ? 1 : -1;
  const shaftY = cy - restMm * px;
  const arm = armBelowPlungerMm(shaftMm, 0);
  const gain = gainOf(state, 'centreShotAtPoint', 'plungerReach');
  const textX = hand === 'left' ? 230 : 392;
  const lines = [
    `Shaft ${showNumber(shaftMm, 1)} mm${known ? '' : ', a usual one: none is written down'}`,
    `Arm ${showNumber(arm, 1)} mm below the plunger’s centre`,
    `One reach turn: ${showNumber(PLUNGER_MM_PER_TURN, 2)} mm at the plunger`,
    gain === null
      ? ''
      : `about ${showNumber(Math.abs(gain.mean), 1)} ± ${showNumber(gain.plusMinus, 1)} mm at the point${gain.changes === 0 ? ', a rule of thumb' : `, from ${gain.changes} changes`}`,
  ];
  return (
    <>
      <g aria-hidden>
        <path className="s-hair dash" d={`M${cx - 76} ${cy}h152`} />
        <rect
          className="s-out"
          x={out === 1 ? cx - 76 : cx + (shaftMm / 2) * px}
          y={cy - 13}
          width={76 - (shaftMm / 2) * px}
          height={26}
          style={{ fill: 'var(--metal)' }}
        />
        <circle
          className="s-out"
          cx={cx}
          cy={shaftY}
          r={(shaftMm / 2) * px}
          style={{ fill: 'var(--sheet)' }}
        />
        <path className="s-thin" d={`M${cx - 5} ${shaftY}h10M${cx} ${shaftY - 5}v10`} />
        <path
          className="s-bold"
          d={`M${cx - out * 60} ${shaftY + (shaftMm / 2) * px + 7}L${cx + out * 8} ${shaftY + (shaftMm / 2) * px}`}
        />
      </g>
      {lines.map((line, index) => (
        <text
          key={line}
          x={textX}
          y={512 + index * 22}
          textAnchor={hand === 'left' ? 'start' : 'end'}
        >
          {line}
        </text>
      ))}
    </>
  );
}
