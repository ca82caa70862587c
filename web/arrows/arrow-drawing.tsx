import { useId } from 'react';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { arrowFigures } from '#core/arrows/arrow-figures.ts';
import { type LengthStyle, showLength, showNumber } from '#core/quantity/show.ts';
import { SvgFractions } from '../ui/fractions.tsx';
import type { ArrowView, PartLabel } from './arrow-view.ts';

const PART_NAME: Readonly<Record<keyof ArrowBuild, string>> = {
  shaft: 'shaft',
  point: 'point',
  insert: 'insert',
  collar: 'collar',
  footing: 'footing',
  nock: 'nock',
  fletching: 'fletching',
  wrap: 'wrap',
};

/** An arrow part by part, to scale, with where it balances and how short it may become. */
export function ArrowDrawing({
  build,
  view,
  style,
  massWords,
  hasLabels,
}: {
  readonly build: ArrowBuild;
  readonly view: ArrowView;
  readonly style: LengthStyle;
  readonly massWords: (massG: number) => string;
  readonly hasLabels: boolean;
}) {
  const { widthPx, heightPx, midY, throatX, endX, balanceX, middleX } = view;
  const { balanceMm, focPercent } = arrowFigures(build);
  const dimY = midY + 34;
  const says = `Arrow, ${showLength(build.shaft.lengthMm, style)} from the throat of the nock to the end of the shaft, balance ${showLength(balanceMm, style)}, ${showNumber(focPercent, 1)} per cent in front of the middle.`;
  return (
    <svg
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      className="block w-full"
      role="img"
      aria-label={says}
      data-testid="arrow-drawing"
    >
      {hasLabels && <Labels view={view} massWords={massWords} />}
      <SafeEdge view={view} />
      <Parts build={build} view={view} />
      <path className="s-dim" d={`M${throatX} ${dimY}H${endX}`} />
      <path
        className="s-dim"
        d={`M${throatX} ${midY + 12}V${dimY + 5}M${endX} ${midY + 12}V${dimY + 5}`}
      />
      <path className="s-hair" d={`M${middleX} ${midY - 12}V${dimY + 4}`} strokeDasharray="3 3" />
      <path className="f-ink" d={`M${balanceX} ${midY + 9}l-6 11h12z`} />
      <text
        x={balanceX}
        y={dimY + 20}
        textAnchor="middle"
        className="t-note"
        data-testid="balance-words"
      >
        <SvgFractions text={`balance ${showLength(balanceMm, style)}`} />
      </text>
      <text x={throatX} y={dimY + 20} className="t-note">
        throat
      </text>
      <text x={Math.min(endX, widthPx - 4)} y={dimY + 20} textAnchor="end" className="t-note">
        {balanceX < endX - 130 && <SvgFractions text={showLength(build.shaft.lengthMm, style)} />}
      </text>
    </svg>
  );
}

/** Names and masses above, each with a leader to its part. */
function Labels({
  view,
  massWords,
}: {
  readonly view: ArrowView;
  readonly massWords: (massG: number) => string;
}) {
  return view.labels.map(({ part, massG, atX, labelX }: PartLabel) => (
    <g key={part}>
      <text x={labelX + 2} y={16} className="t-note">
        {PART_NAME[part]}
      </text>
      <text x={labelX + 2} y={34} className="t-text">
        {massWords(massG)}
      </text>
      <path
        className="s-hair"
        d={`M${labelX + 2} 40h74M${atX < labelX + 39 ? labelX + 2 : labelX + 76} 40L${atX} ${view.midY - 10}`}
      />
    </g>
  ));
}

/** Shorter than this it is not shot: hatched where it must not end. */
function SafeEdge({ view: { leastX, midY, x } }: { readonly view: ArrowView }) {
  const id = useId();
  if (leastX === null) return null;
  const fromX = Math.max(x(0), leastX - 46);
  return (
    <g>
      <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse">
        <path className="s-stop" d="M0 7L7 0" />
      </pattern>
      <rect x={fromX} y={midY - 26} width={leastX - fromX} height={16} fill={`url(#${id})`} />
      <path className="s-stop" d={`M${leastX} ${midY - 30}V${midY + 30}`} />
      <text x={leastX - 4} y={midY - 32} textAnchor="end" className="t-note">
        not shorter
      </text>
    </g>
  );
}

/** The parts themselves. */
function Parts({ build, view }: { readonly build: ArrowBuild; readonly view: ArrowView }) {
  const { x, midY, throatX, endX, tipX, fullX, halfAtNock, halfAtPoint, pxPerMm } = view;
  const { shaft, insert, collar, footing, fletching, wrap } = build;
  const nockPx = 9 * pxPerMm;
  const around = (fromMm: number, lengthMm: number, more: number) => {
    const half = Math.max(halfAtPoint, halfAtNock) + more;
    return `M${x(fromMm)} ${midY - half}H${x(fromMm + lengthMm)}V${midY + half}H${x(fromMm)}Z`;
  };
  const behindEnd = (lengthMm: number) => shaft.lengthMm - lengthMm;
  return (
    <g>
      {fullX > endX + 1 && (
        <path
          className="s-faint"
          strokeDasharray="5 4"
          d={`M${endX} ${midY - halfAtPoint}H${fullX}V${midY + halfAtPoint}H${endX}`}
        />
      )}
      <path
        className="s-out f-sheet"
        d={`M${throatX} ${midY - halfAtNock}L${endX} ${midY - halfAtPoint}V${midY + halfAtPoint}L${throatX} ${midY + halfAtNock}Z`}
      />
      {wrap !== null && (
        <path className="s-thin f-metal" d={around(wrap.fromThroatMm, wrap.lengthMm, 0)} />
      )}
      {footing !== null && footing.massG > 0 && (
        <path
          className="s-thin f-metal"
          d={around(behindEnd(footing.lengthMm), footing.lengthMm, 1)}
        />
      )}
      {insert !== null && (
        <path
          className="s-thin"
          strokeDasharray="3 2"
          d={`M${x(behindEnd(insert.lengthMm))} ${midY}H${endX}`}
        />
      )}
      {collar !== null && (
        <path
          className="s-out f-sheet"
          d={around(behindEnd(collar.lengthMm), collar.lengthMm, 1.5)}
        />
      )}
      {fletching !== null && <Fletching {...fletching} view={view} />}
      <path
        className="f-ink"
        d={`M${throatX - 2} ${midY - halfAtNock - 1}h${nockPx}v${2 * halfAtNock + 2}h${-nockPx}l3 ${-halfAtNock - 1}z`}
      />
      <path
        className="f-ink"
        d={`M${endX} ${midY - halfAtPoint}L${tipX} ${midY}L${endX} ${midY + halfAtPoint}Z`}
      />
    </g>
  );
}

/** One above and one below stand for all: a feather rises in a curve, a vane straight. */
function Fletching({
  kind,
  lengthMm,
  fromThroatMm,
  view: { x, midY, halfAtNock, pxPerMm },
}: NonNullable<ArrowBuild['fletching']> & { readonly view: ArrowView }) {
  const [from, to] = [x(fromThroatMm), x(fromThroatMm + lengthMm)];
  const high = (kind === 'feather' ? 13 : 9) * pxPerMm + 3;
  return [-1, 1].map((way) => {
    const root = midY + way * halfAtNock;
    const top = root + way * high;
    const d =
      kind === 'feather'
        ? `M${to} ${root}C${from + (to - from) * 0.6} ${root + way * 2} ${from + (to - from) * 0.25} ${top} ${from} ${top}V${root}Z`
        : `M${to} ${root}L${from + (to - from) * 0.25} ${top}H${from}V${root}Z`;
    return <path key={way} className="s-thin f-metal" d={d} />;
  });
}
