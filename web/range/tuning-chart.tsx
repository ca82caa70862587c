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
import { CONTROL_FACTS } from '#core/craft/controls.ts';
import { showExact, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { endGroupMm, type FineTuningStanding } from '#core/work/fine-tuning-standing.ts';
import { CHART_TEXT, INK_LINE } from './chart-style.ts';

/** Group size against the setting: every end as shot, the curve, and where it lies 9 times in 10. */
export function TuningChart({
  standing: { experiment, ends, fit, setting },
  unit,
}: {
  readonly standing: FineTuningStanding;
  readonly unit: 'cm' | 'in';
}) {
  const shown = (mm: number) => fromStored(mm, unit);
  const curve = fit.settings.map((one) => ({
    at: one.setting,
    group: shown(one.groupMm),
    band: [shown(one.lowMm), shown(one.highMm)],
  }));
  const shot = ends.map((end) => ({ at: end.setting, end: shown(endGroupMm(end)) }));
  const most = Math.max(...curve.map(({ group }) => group * 1.6), ...shot.map(({ end }) => end));
  // Four even steps, each a whole or a half unit.
  const top = 2 * Math.ceil(most / 2);
  const { control } = experiment;
  return (
    <figure className="mt-2" aria-label="Group against setting">
      <ResponsiveContainer width="100%" height={200}>
        <ComposedChart margin={{ top: 6, right: 8, bottom: 4, left: -18 }}>
          <XAxis
            dataKey="at"
            type="number"
            domain={[experiment.low, experiment.high]}
            ticks={fit.settings.map((one) => one.setting)}
            allowDuplicatedCategory={false}
            tick={CHART_TEXT}
            stroke="var(--ink)"
            tickFormatter={(value: number) => showExact(value)}
          />
          <YAxis
            type="number"
            domain={[0, top]}
            ticks={[0, top / 4, top / 2, (3 * top) / 4, top]}
            allowDataOverflow
            tick={CHART_TEXT}
            stroke="var(--ink)"
            tickFormatter={(value: number) => showNumber(value, top < 8 ? 1 : 0)}
          />
          <Area
            data={curve}
            dataKey="band"
            stroke="none"
            fill="var(--metal)"
            fillOpacity={0.55}
            isAnimationActive={false}
          />
          <Line data={curve} dataKey="group" dot={false} isAnimationActive={false} {...INK_LINE} />
          <Scatter
            data={shot}
            dataKey="end"
            fill="var(--ink)"
            shape={<circle r={3.5} />}
            isAnimationActive={false}
          />
          <ReferenceLine x={setting} stroke="var(--ink)" strokeDasharray="3 4" />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-[13px] text-ink-2">
        Group (one standard deviation an axis), {unit}, against {CONTROL_FACTS[control].unit}s from
        the first setting; + is {CONTROL_FACTS[control].plus}. Dashed: where it stands now.
      </figcaption>
    </figure>
  );
}
