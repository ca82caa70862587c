import { ReferenceLine } from 'recharts';
import { CONTROL_FACTS } from '#core/craft/controls.ts';
import { showExact, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { endGroupMm, type FineTuningStanding } from '#core/fine-tuning/fine-tuning-standing.ts';
import { axisUp } from './axis-across.ts';
import { CurveChart } from './curve-chart.tsx';

/** Above the curve this much of it is shown: single ends scatter. */
const HEADROOM = 1.6;

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
    value: shown(one.groupMm),
    band: [shown(one.lowMm), shown(one.highMm)] as const,
  }));
  const shot = ends.map((end) => ({ at: end.setting, value: shown(endGroupMm(end)) }));
  const most = Math.max(
    ...curve.map(({ value }) => value * HEADROOM),
    ...shot.map(({ value }) => value),
  );
  const { domain, ticks, decimals } = axisUp(most);
  const facts = CONTROL_FACTS[experiment.control];
  return (
    <CurveChart
      curve={curve}
      shot={shot}
      x={{
        domain: [experiment.low, experiment.high],
        ticks: fit.settings.map((one) => one.setting),
        write: (value) => showExact(value),
      }}
      y={{
        domain,
        ticks,
        write: (value) => showNumber(value, decimals),
      }}
      label="Group against setting"
      caption={`Group (one standard deviation an axis), ${unit}, against ${facts.unit}s from the first setting; + is ${facts.plus}. Dashed: where it stands now.`}
    >
      <ReferenceLine x={setting} stroke="var(--ink)" strokeDasharray="3 4" />
    </CurveChart>
  );
}
