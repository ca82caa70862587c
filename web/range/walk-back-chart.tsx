import {
  Area,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';
import { fromStored } from '#core/quantity/units.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { WalkBackStanding } from '#core/work/walk-back-standing.ts';
import { CHART_TEXT, INK_LINE } from './chart-style.ts';

const STEPS = 24;

/** Hits across against distance, with the line and where it lies 9 times in 10. */
export function WalkBackChart({
  standing: { fit, shots },
  hand,
  unit,
}: {
  readonly standing: WalkBackStanding;
  readonly hand: Hand;
  readonly unit: 'cm' | 'in';
}) {
  const across = (outwardMm: number) => fromStored(rightFromOutward(outwardMm, hand), unit);
  const hits = shots.map((shot) => ({ m: shot.distanceM, hit: across(shot.outwardMm) }));
  const line =
    fit === null
      ? []
      : Array.from({ length: STEPS + 1 }, (_, step) => {
          const m = fit.nearestM + ((fit.farthestM - fit.nearestM) * step) / STEPS;
          const at = fit.at(m);
          const middle = across(at.mm);
          const half = fromStored(at.plusMinusMm, unit);
          return { m, line: middle, band: [middle - half, middle + half] };
        });
  return (
    <figure className="mt-2" aria-label="Hits across against distance">
      <ResponsiveContainer width="100%" height={190}>
        <ComposedChart margin={{ top: 6, right: 8, bottom: 4, left: -18 }}>
          <XAxis
            dataKey="m"
            type="number"
            domain={['dataMin - 1', 'dataMax + 1']}
            ticks={[...new Set(hits.map(({ m }) => m))]}
            allowDuplicatedCategory={false}
            tick={CHART_TEXT}
            stroke="var(--ink)"
            unit=" m"
          />
          <YAxis
            type="number"
            tick={CHART_TEXT}
            stroke="var(--ink)"
            tickFormatter={(value: number) => showNumber(Math.abs(value), 0)}
          />
          <ReferenceLine y={0} stroke="var(--faint)" />
          <Area
            data={line}
            dataKey="band"
            stroke="none"
            fill="var(--metal)"
            fillOpacity={0.55}
            isAnimationActive={false}
          />
          <Line data={line} dataKey="line" dot={false} isAnimationActive={false} {...INK_LINE} />
          <Scatter
            data={hits}
            dataKey="hit"
            fill="var(--ink)"
            shape={<circle r={3} />}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-[13px] text-ink-2">
        {unit} across, right of the mark upward; the band holds the line 9 times in 10.
      </figcaption>
    </figure>
  );
}
