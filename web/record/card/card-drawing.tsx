import { presentValue } from '#core/gains/present-reading.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showReading } from '#core/craft/show-reading.ts';
import { startingBraceBand } from '#core/priors/starting-values.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import { BowFigure } from '../../drawing/bow-figure.tsx';
import { bowSide, typicalSide } from '../../drawing/bow-side.ts';
import type { Point } from '../../drawing/svg-path.ts';
import { SvgFractions } from '../../ui/fractions.tsx';

const WIDTH = 330;
const HEIGHT = 92;
const PX_PER_IN = 4.5;
/** Where the string lies. */
const STRING_Y = 78;

/** The bow lying down with its three heights on it: what a tuner looks at first. */
export function CardDrawing({ state }: { readonly state: BowState }) {
  const { bow } = state;
  const brace = presentValue(state, 'braceHeight');
  const top = presentValue(state, 'tillerTop');
  const bottom = presentValue(state, 'tillerBottom');
  const band = startingBraceBand(bow.bowKind, bow.amoLengthIn);
  const typical = typicalSide(bow, brace ?? (band.low + band.high) / 2);
  const view = bowSide(
    {
      ...typical,
      tillerTopMm: top ?? typical.tillerTopMm,
      tillerBottomMm: bottom ?? typical.tillerBottomMm,
    },
    { stringX: 0, middleY: 0, pxPerIn: PX_PER_IN },
  );
  if (view === null) return null;
  const turn = bow.hand === 'left' ? -1 : 1;
  /** From the standing bow’s sheet to this one. */
  const at = ([x, y]: Point): Point => [WIDTH / 2 - turn * y, STRING_Y + turn * x];
  const dims = [
    { kind: 'braceHeight' as const, value: brace, from: at(view.throat) },
    { kind: 'tillerTop' as const, value: top, from: at(view.topRoot) },
    { kind: 'tillerBottom' as const, value: bottom, from: at(view.bottomRoot) },
  ];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="The bow drawn to scale with its brace height and tillers"
    >
      <g transform={`translate(${WIDTH / 2} ${STRING_Y}) rotate(${90 * turn})`}>
        <BowFigure view={view} withArrow={false} />
      </g>
      {dims.map(({ kind, value, from }) =>
        value === null ? null : (
          <Dimension
            key={kind}
            kind={kind}
            value={value}
            from={from}
            state={state}
            anchor={anchorOf(from, at(view.throat))}
          />
        ),
      )}
    </svg>
  );
}

/** Figures go away from the one in the middle: on a short bow they would lie over it. */
function anchorOf([x]: Point, [middleX]: Point): 'start' | 'middle' | 'end' {
  return x < middleX ? 'end' : x > middleX ? 'start' : 'middle';
}

function Dimension({
  kind,
  value,
  from: [x, y],
  state,
  anchor,
}: {
  readonly kind: ReadingKind;
  readonly value: number;
  readonly from: Point;
  readonly state: BowState;
  readonly anchor: 'start' | 'middle' | 'end';
}) {
  return (
    <g>
      <path d={`M${x} ${y}V${STRING_Y}`} stroke="#000" strokeWidth={0.6} strokeDasharray="2 1.5" />
      <path d={`M${x - 3} ${y}h6M${x - 3} ${STRING_Y}h6`} stroke="#000" strokeWidth={0.6} />
      <text x={x} y={STRING_Y + 11} textAnchor={anchor} fontSize={9.5} fill="#000">
        <SvgFractions text={showReading(kind, value, state.bow)} />
      </text>
    </g>
  );
}
