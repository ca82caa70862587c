import type { AxisVerdict } from '#core/groups/axis-verdict.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { Gauge } from '../../drawing/gauge.tsx';
import type { GaugeInput } from '../../drawing/gauge-view.ts';

const WIDTH = 166;

/** Both axes against what was agreed as good: weak to stiff, low to high. */
export function AxisGauges({ verdict }: { readonly verdict: BareShaftVerdict }) {
  const rows = [
    { name: 'Across', axis: verdict.outward, low: 'weak', high: 'stiff' },
    { name: 'Up and down', axis: verdict.up, low: 'low', high: 'high' },
  ];
  return (
    <div className="grid @max-roomy:grid-cols-2 @max-roomy:gap-x-4">
      {rows.map(({ name, axis, low, high }) => (
        <div key={name}>
          <span className="text-note">{name}</span>
          <svg viewBox={`0 0 ${WIDTH + 14} 50`} className="block w-full">
            <Gauge gauge={axisGauge(axis, low, high)} x={7} y={24} width={WIDTH} />
          </svg>
        </div>
      ))}
    </div>
  );
}

function axisGauge(axis: AxisVerdict, lowLabel: string, highLabel: string): GaugeInput {
  const { toleranceMm } = axis;
  const reach = toleranceMm * 4;
  return {
    low: -reach,
    high: reach,
    hard: false,
    hardWords: '',
    bandLow: -toleranceMm,
    bandHigh: toleranceMm,
    bandName: 'good',
    bandSource: 'agreed before the first shot',
    tickStep: 10,
    majorEvery: 5,
    lowLabel,
    highLabel,
    pointer:
      axis.offsetMm === null
        ? null
        : {
            value: axis.offsetMm,
            plusMinus: axis.plusMinusMm ?? 0,
            trusted: axis.call !== 'undecided',
            expected: null,
            before: null,
          },
  };
}
