import type { ReadingKind } from '#core/craft/readings.ts';
import { SvgFractions } from '../ui/fractions.tsx';
import type { ReadingView } from './reading-view.ts';

/** A reading on its dimension: name, figure, state in words; touch it to enter a new one. */
export function DrawnReading({
  view,
  x,
  y,
  width,
  onReading,
  right,
  stacked = false,
}: {
  readonly view: ReadingView;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly onReading: (kind: ReadingKind) => void;
  readonly right?: { readonly label: string; readonly figure: string } | undefined;
  readonly stacked?: boolean;
}) {
  const figure = view.figure === null ? 'no reading' : `${view.figure} ${view.unit}`;
  const note = view.words ?? view.other;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${view.label}: ${figure}${view.words === null ? '' : `, ${view.words}`}. Enter a reading.`}
      data-reading={view.kind}
      className="group cursor-pointer"
      onClick={() => onReading(view.kind)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onReading(view.kind);
      }}
    >
      <rect x={x - 4} y={y - 15} width={width + 8} height={70} fill="transparent" />
      <text x={x} y={y}>
        <SvgFractions text={view.label} />
      </text>
      {right !== undefined && (
        <>
          <text x={x + width} y={y} textAnchor="end" className="t-quiet">
            {right.label}
          </text>
          <text
            x={x + width}
            y={y + 42}
            textAnchor="end"
            className="t-mid"
            style={right.figure.length > MOST_MID ? { fontSize: 19 } : undefined}
          >
            <SvgFractions text={right.figure} />
          </text>
        </>
      )}
      {view.figure === null ? (
        <text x={x} y={y + 38} className="t-mid t-quiet">
          not yet
        </text>
      ) : (
        <text x={x} y={y + 42} className="t-read">
          <SvgFractions text={view.figure} />
          <tspan dx={8} className="t-unit">
            {view.unit}
          </tspan>
        </text>
      )}
      {stacked ? (
        <text
          x={x}
          y={y + 60}
          className={view.words === null ? 't-note' : 't-strong'}
          style={{ fontSize: 12 }}
        >
          {linesOf(note).map((line, index) => (
            <tspan key={line} x={x} dy={index === 0 ? 0 : 13}>
              <SvgFractions text={line} />
            </tspan>
          ))}
        </text>
      ) : (
        <BesideFigure view={view} x={x + width} y={y} below={right !== undefined} />
      )}
    </g>
  );
}

/** A longer second figure is set smaller, or it runs into the first. */
const MOST_MID = 7;

/** Letters that have room beside a figure, under its line, and on one line where readings stand narrow. */
const MOST_BESIDE = 22;
const MOST_UNDER = 40;
const MOST_STACKED = 26;
/** Stands for a long list of what was moved: the order of work has it in full. */
const MANY_MOVED = 'stale, several things moved since';

/** A note where readings stand narrow: on one line or, broken between words, on two. */
function linesOf(note: string): readonly string[] {
  if (note.length <= MOST_STACKED) return [note];
  const said = note.length > 2 * MOST_STACKED - 6 ? MANY_MOVED : note;
  const at = said.lastIndexOf(' ', MOST_STACKED);
  return at <= 0 ? [said] : [said.slice(0, at), said.slice(at + 1)];
}

/** Beside the figure: the other unit, or why it is not to be trusted and what to expect. */
function BesideFigure({
  view,
  x,
  y,
  below,
}: {
  readonly view: ReadingView;
  readonly x: number;
  readonly y: number;
  readonly below: boolean;
}) {
  if (view.words === null) {
    if (below) return null;
    return (
      <text x={x} y={y + 42} textAnchor="end" className="t-quiet" style={{ fontSize: 12.5 }}>
        <SvgFractions text={view.other} />
      </text>
    );
  }
  // Beside the figure there is room for a few words; more go under its line.
  const under = below || view.words.length > MOST_BESIDE;
  return (
    <>
      <text
        x={x}
        y={y + (under ? 64 : 26)}
        textAnchor="end"
        className="t-strong"
        style={{ fontSize: 12.5 }}
      >
        <SvgFractions text={view.words.length > MOST_UNDER ? MANY_MOVED : view.words} />
      </text>
      {view.expected !== null && !below && (
        <text x={x} y={y + 43} textAnchor="end" style={{ fontSize: 12.5 }}>
          <SvgFractions text={view.expected} />
        </text>
      )}
    </>
  );
}

/** A dimension with oblique ends, its leader bending once to the line under its figure. */
export function Leader({
  from,
  dimension,
  under,
  end,
}: {
  readonly from: readonly [number, number];
  readonly dimension: readonly [number, number];
  readonly under: readonly [number, number];
  readonly end: number;
}) {
  const way = Math.sign(end - from[0]);
  const bendX = dimension[0] + way * 12;
  const slant = Math.abs(under[1] - dimension[1]) * 0.62;
  const tick = (x: number, y: number) => `M${x - 3.5} ${y + 3.5}l7 -7`;
  return (
    <>
      <path
        className="s-dim"
        d={`M${from[0]} ${from[1]}H${bendX}L${bendX + way * slant} ${under[1]}H${end}`}
      />
      <path className="s-out" d={tick(from[0], from[1]) + tick(dimension[0], dimension[1])} />
    </>
  );
}
