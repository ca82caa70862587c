import type { ReactNode } from 'react';
import { Area, ComposedChart, Line, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts';

const TEXT = { fill: 'var(--ink-2)', fontSize: 12 } as const;

/** One axis: where its ticks are, how they are written, and what it spans if that is fixed. */
interface ChartAxis {
  readonly ticks?: readonly number[];
  readonly domain?: readonly [number, number] | readonly [string, string];
  readonly write: (value: number) => string;
}

/** What was shot, the curve through it, and the band that holds the curve 9 times in 10; in the sheet's ink. */
export function CurveChart({
  curve,
  shot,
  x,
  y,
  label,
  caption,
  children,
}: {
  readonly curve: readonly {
    readonly at: number;
    readonly value: number;
    readonly band: readonly [number, number];
  }[];
  readonly shot: readonly { readonly at: number; readonly value: number }[];
  readonly x: ChartAxis;
  readonly y: ChartAxis;
  readonly label: string;
  readonly caption: string;
  /** Reference lines. */
  readonly children?: ReactNode;
}) {
  const axis = ({ ticks, domain, write }: ChartAxis) => ({
    type: 'number' as const,
    tick: TEXT,
    stroke: 'var(--ink)',
    tickFormatter: write,
    ...(ticks === undefined ? {} : { ticks: [...ticks] }),
    ...(domain === undefined ? {} : { domain: [...domain] as [number, number] }),
  });
  return (
    <figure className="mt-2" aria-label={label}>
      <ResponsiveContainer width="100%" height={200}>
        <ComposedChart margin={{ top: 6, right: 8, bottom: 4, left: -18 }}>
          <XAxis dataKey="at" allowDuplicatedCategory={false} {...axis(x)} />
          <YAxis allowDataOverflow {...axis(y)} />
          {children}
          <Area
            data={[...curve]}
            dataKey="band"
            stroke="none"
            fill="var(--metal)"
            fillOpacity={0.55}
            isAnimationActive={false}
          />
          <Line
            data={[...curve]}
            dataKey="value"
            dot={false}
            stroke="var(--ink)"
            strokeWidth={2}
            isAnimationActive={false}
          />
          <Scatter
            data={[...shot]}
            dataKey="value"
            fill="var(--ink)"
            shape={<circle r={3.2} />}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-note text-ink-2">{caption}</figcaption>
    </figure>
  );
}
