import { shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Move } from '#core/advice/move.ts';
import {
  type BowBehindView,
  bowBehind,
  OFFSETS_TIMES,
  WIDTHS_TIMES,
} from '../drawing/bow-behind.ts';
import { Gauge } from '../drawing/gauge.tsx';
import { useEased } from '../drawing/use-eased.ts';
import { DrawnReading, Leader } from './drawn-reading.tsx';
import { readingView } from './reading-view.ts';
import { SHEET } from './sheet.ts';

const STRING_X = 204;
const COLUMN_X = 352;
const COLUMN_WIDTH = 236;

/** The sight from behind: how the string runs over limb roots and rod, and where the point lies. */
export function BehindDrawing({
  state,
  move,
  narrow,
  onReading,
}: {
  readonly state: BowState;
  readonly move: Move | null;
  /** On a phone the readings stand in rows below; only the bow is drawn. */
  readonly narrow: boolean;
  readonly onReading: (kind: ReadingKind) => void;
}) {
  const { bow } = state;
  const rod = !shootsOffTheShelf(bow.school);
  const value = (kind: ReadingKind) => presentReading(state, kind)?.value ?? 0;
  const view = bowBehind(
    {
      amoLengthIn: bow.amoLengthIn,
      hand: bow.hand,
      longbow: bow.bowKind === 'longbow',
      limbLineTopMm: useEased(value('limbLineTop')),
      limbLineBottomMm: useEased(value('limbLineBottom')),
      limbLineRodMm: useEased(value('limbLineRod')),
      centreShotMm: useEased(value('centreShotAtPoint')),
      rod,
    },
    {
      stringX: STRING_X,
      middleY: SHEET.middleY,
      pxPerIn: SHEET.halfHeightPx / (bow.amoLengthIn * 0.472),
    },
  );
  const rows: readonly {
    readonly kind: ReadingKind;
    readonly y: number;
    readonly from: readonly [number, number];
  }[] = [
    { kind: 'limbLineTop', y: 96, from: view.topGauge },
    { kind: 'centreShotAtPoint', y: 258, from: view.point },
    ...(view.rod === null ? [] : [{ kind: 'limbLineRod' as const, y: 408, from: view.rod }]),
    { kind: 'limbLineBottom', y: 545, from: view.bottomGauge },
  ];
  return (
    <svg
      viewBox={
        narrow ? `0 0 ${2 * STRING_X} ${SHEET.height}` : `0 0 ${SHEET.width} ${SHEET.height}`
      }
      className={narrow ? 'mx-auto block h-[52dvh]' : 'h-full max-h-full w-full'}
      preserveAspectRatio="xMidYMin"
      role="group"
      aria-label={`Sight from behind of ${bow.name}, ${bow.hand}-handed, offsets ${OFFSETS_TIMES} times enlarged`}
      data-testid="behind"
    >
      {move !== null && <Thread view={view} move={move} />}
      <Figure view={view} />
      {!narrow &&
        rows.map(({ kind, y, from }) => {
          const reading = readingView(state, kind);
          return (
            <g key={kind}>
              <Leader
                from={[STRING_X, from[1]]}
                dimension={[Math.max(from[0], STRING_X), from[1]]}
                under={[COLUMN_X, y + 50]}
                end={COLUMN_X + COLUMN_WIDTH}
              />
              <DrawnReading
                view={reading}
                x={COLUMN_X}
                y={y}
                width={COLUMN_WIDTH}
                onReading={onReading}
              />
              {reading.gauge !== null && (
                <Gauge
                  gauge={reading.gauge}
                  x={COLUMN_X + 10}
                  y={y + 80}
                  width={COLUMN_WIDTH - 20}
                />
              )}
            </g>
          );
        })}
      {!narrow && (
        <text className="t-note" x={COLUMN_X} y={SHEET.height - 8}>
          Offsets ×{OFFSETS_TIMES}, widths ×{WIDTHS_TIMES}, lengths true.
        </text>
      )}
    </svg>
  );
}

function Figure({ view }: { readonly view: BowBehindView }) {
  const tick = (x: number, y: number, half: number) => `M${x} ${y - half}v${2 * half}`;
  return (
    <g aria-hidden>
      {view.limbs.map((limb) => (
        <path key={limb} className="s-out" d={limb} style={{ fill: 'var(--sheet)' }} />
      ))}
      <path className="s-out f-metal" d={view.riser} style={{ fill: 'var(--metal)' }} />
      {[view.topGauge, view.bottomGauge].map(([x, y]) => (
        <g key={y}>
          <path
            className="s-thin"
            d={`M${x - view.gaugeHalfPx - 8} ${y}h${2 * view.gaugeHalfPx + 16}${[-2, -1, 0, 1, 2]
              .map((k) => tick(x + (k * view.gaugeHalfPx) / 2, y, k === 0 ? 9 : 5))
              .join('')}`}
          />
        </g>
      ))}
      {view.rod !== null && (
        <g>
          <circle
            className="s-out"
            cx={view.rod[0]}
            cy={view.rod[1]}
            r={9}
            style={{ fill: 'var(--sheet)' }}
          />
          <path className="s-thin" d={tick(view.rod[0], view.rod[1], 13)} />
        </g>
      )}
      <path
        className="s-bold"
        d={`M${view.nock[0]} ${view.nock[1]}L${view.point[0]} ${view.point[1]}`}
      />
      <circle
        className="s-out"
        cx={view.point[0]}
        cy={view.point[1]}
        r={6}
        style={{ fill: 'var(--sheet)' }}
      />
      <path className="s-thin" d={`M${STRING_X} 22V${SHEET.height - 46}`} data-testid="sightline" />
    </g>
  );
}

/** From the pocket, plunger or string to the margin of the next move. */
function Thread({ view, move }: { readonly view: BowBehindView; readonly move: Move }) {
  const y =
    move.place === 'topLimb'
      ? view.topGauge[1]
      : move.place === 'bottomLimb'
        ? view.bottomGauge[1]
        : move.place === 'plunger'
          ? view.point[1]
          : null;
  if (y === null) return null;
  const lane = y < SHEET.middleY ? Math.max(46, y - 46) : Math.min(SHEET.height - 30, y + 50);
  return (
    <path
      className="s-accent"
      d={`M${STRING_X + 34} ${y}h16l${Math.abs(lane - y) * 0.6} ${lane - y}H${SHEET.edgeX}M${SHEET.edgeX} ${SHEET.moveTopY}V${Math.max(lane, SHEET.moveBottomY)}`}
      data-testid="thread"
    />
  );
}
