import { SvgFractions } from '../ui/fractions.tsx';
import { type GaugeInput, gaugeGeometry } from './gauge-view.ts';

/** A piece of rule: hatched ends are limits, the thick stretch is the band, the pointer the value. */
export function Gauge({
  gauge,
  x,
  y,
  width,
}: {
  readonly gauge: GaugeInput;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}) {
  const { ticks, band, pointer } = gaugeGeometry(gauge, width);
  const [bandFrom, bandTo] = band;
  const bandMiddle = Math.min(width - 34, Math.max(34, (bandFrom + bandTo) / 2));
  return (
    <g transform={`translate(${x} ${y})`} role="img" aria-label={gaugeWords(gauge)}>
      <path className="s-thin" d={`M0 0H${width}`} />
      <path
        className="s-dim"
        d={ticks.map((tick) => `M${tick.x.toFixed(1)} 0v${tick.major ? 7 : 4}`).join('')}
      />
      {gauge.hard ? (
        <HardEnds width={width} />
      ) : (
        <path className="s-thin" d={`M0 0v8M${width} 0v8`} />
      )}
      <rect
        className="f-ink"
        x={bandFrom}
        y={-2}
        width={Math.max(2, bandTo - bandFrom)}
        height={4}
      />
      <path className="s-out" d={`M${bandFrom} -5v7M${bandTo} -5v7`} />
      {pointer !== null && (
        <>
          {pointer.beforeX !== null && (
            <circle className="s-thin f-sheet" cx={pointer.beforeX} cy={-8} r={2.6} />
          )}
          <path
            className="s-dim"
            d={`M${pointer.from} -15H${pointer.to}M${pointer.from} -18v6M${pointer.to} -18v6`}
          />
          <path
            className={gauge.pointer?.trusted === true ? 'f-ink' : 's-out f-sheet'}
            style={gauge.pointer?.trusted === true ? undefined : { fill: 'var(--sheet)' }}
            d={`M${pointer.x} -2l-5 -11h10Z`}
          />
          {pointer.expectedX !== null && (
            <path className="s-out dash" d={`M${pointer.expectedX} -2v-16`} />
          )}
        </>
      )}
      <text className="t-note" x={0} y={21}>
        <SvgFractions text={gauge.lowLabel} />
      </text>
      <text className="t-note" x={width} y={21} textAnchor="end">
        <SvgFractions text={gauge.highLabel} />
      </text>
      <text x={bandMiddle} y={21} textAnchor="middle" style={{ fontSize: 12 }}>
        {gauge.bandName}
      </text>
    </g>
  );
}

function HardEnds({ width }: { readonly width: number }) {
  const hatch = (x: number, way: number) =>
    [0, 1, 2].map((k) => `M${x + way * (1 + k * 4)} 6l${way * 4} -10`).join('');
  return <path className="s-stop" d={`M0 -8v17M${width} -8v17${hatch(0, -1)}${hatch(width, 1)}`} />;
}

function gaugeWords(gauge: GaugeInput): string {
  const band = `Band ${gauge.bandName}, ${gauge.bandSource}`;
  const ends = gauge.hard ? `, ${gauge.hardWords} ${gauge.lowLabel} to ${gauge.highLabel}` : '';
  const { pointer } = gauge;
  if (pointer === null) return `${band}${ends}. No reading yet.`;
  const place =
    pointer.value < gauge.bandLow
      ? 'below the band'
      : pointer.value > gauge.bandHigh
        ? 'above the band'
        : 'inside the band';
  return `${band}${ends}. Reading ${place}${pointer.trusted ? '' : ', stale'}.`;
}
