import { ReferenceLine } from 'recharts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';
import { fromStored } from '#core/quantity/units.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { WalkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { axisAcross } from './axis-across.ts';
import { CurveChart } from './curve-chart.tsx';

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
  const line =
    fit === null
      ? []
      : Array.from({ length: STEPS + 1 }, (_, step) => {
          const at = fit.nearestM + ((fit.farthestM - fit.nearestM) * step) / STEPS;
          const { mm, plusMinusMm } = fit.at(at);
          const value = across(mm);
          const half = fromStored(plusMinusMm, unit);
          return { at, value, band: [value - half, value + half] as const };
        });
  const shot = shots.map(({ distanceM, outwardMm }) => ({
    at: distanceM,
    value: across(outwardMm),
  }));
  const reach = Math.max(
    ...shot.map(({ value }) => Math.abs(value)),
    ...line.flatMap(({ band }) => band.map(Math.abs)),
  );
  const y = axisAcross(reach, unit);
  return (
    <CurveChart
      curve={line}
      shot={shot}
      x={{
        domain: ['dataMin - 1', 'dataMax + 1'],
        ticks: [...new Set(shots.map(({ distanceM }) => distanceM))],
        write: (value) => `${value} m`,
      }}
      y={{ ...y, write: (value) => showNumber(Math.abs(value), 0) }}
      label="Hits across against distance"
      caption={`${unit} across, right of the mark upward; the band holds the line 9 times in 10.`}
    >
      <ReferenceLine y={0} stroke="var(--faint)" />
    </CurveChart>
  );
}
