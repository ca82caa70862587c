import { useXAxisScale, useYAxisScale } from 'recharts';

/** One place along a curve, with where it lies nine times in ten. */
export interface BandPoint {
  readonly at: number;
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/**
 * A curve with its uncertainty and what it rests on, drawn on a chart's own axes. As three series of the chart
 * they would be measured and laid out anew with every shot, which holds the page.
 */
export function BandOnChart({
  curve,
  points,
}: {
  readonly curve: readonly BandPoint[];
  readonly points: readonly { readonly at: number; readonly value: number }[];
}) {
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  if (x === undefined || y === undefined) return null;
  const place = (at: number, value: number) =>
    `${(x(at) ?? 0).toFixed(2)} ${(y(value) ?? 0).toFixed(2)}`;
  const along = (value: (point: BandPoint) => number, of: readonly BandPoint[] = curve) =>
    of.map((point) => place(point.at, value(point))).join('L');
  const [high, low] = [along((one) => one.high), along((one) => one.low, curve.toReversed())];
  return (
    <g>
      {curve.length > 1 && (
        <>
          <path d={`M${high}L${low}Z`} fill="var(--metal)" fillOpacity={0.55} />
          <path
            d={`M${high}M${low}`}
            fill="none"
            stroke="var(--ink-2)"
            strokeWidth={0.75}
            data-testid="chart-band"
          />
          <path
            d={`M${along((one) => one.value)}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2}
            data-testid="chart-line"
          />
        </>
      )}
      {points.map(({ at, value }, index) => (
        <circle
          key={index}
          cx={x(at) ?? 0}
          cy={y(value) ?? 0}
          r={4}
          fill="var(--ink)"
          data-testid="chart-point"
        />
      ))}
    </g>
  );
}
