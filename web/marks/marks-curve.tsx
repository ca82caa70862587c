import { ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { MarksFigures } from '#core/sight-marks/marks-figures.ts';
import { METRES_PER_YARD } from '#core/quantity/yards.ts';
import { SET_COLUMN } from '#core/words/marks/marks-words.ts';
import { BandOnChart } from '../ui/band-on-chart.tsx';
import type { Marks } from './use-marks.ts';

const TEXT = { fill: 'var(--ink-2)', fontSize: 12 } as const;

/** Every mark over its distance with its doubt; the table beside it says the same in figures. */
export function MarksCurve({
  marks: { evidence, unit },
  figures,
}: {
  readonly marks: Marks;
  readonly figures: MarksFigures;
}) {
  const { aiming, ends } = evidence;
  const factor = unit === 'm' ? 1 : METRES_PER_YARD;
  const known = figures.rows.flatMap(({ distanceM, set }) =>
    set === null
      ? []
      : [{ at: distanceM / factor, value: set.middle, low: set.low, high: set.high }],
  );
  const shot = ends
    .filter(({ changesSince }) => changesSince === 0)
    .map(({ distanceM, set }) => ({ at: distanceM / factor, value: set }));
  // The axes reach as far as the doubt does.
  const reach = [
    ...known.flatMap(({ at, low, high }) => [
      { at, value: low },
      { at, value: high },
    ]),
    ...shot,
  ].toSorted((one, other) => one.at - other.at);
  return (
    <figure aria-label={`${SET_COLUMN[aiming.kind]} over distance`} data-testid="marks-curve">
      <div aria-hidden>
        <ResponsiveContainer width="100%" height={340}>
          <ComposedChart
            accessibilityLayer={false}
            margin={{ top: 6, right: 8, bottom: 4, left: -12 }}
          >
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              allowDuplicatedCategory={false}
              ticks={known.map(({ at }) => at)}
              tick={TEXT}
              stroke="var(--ink)"
              tickFormatter={(at: number) => at.toFixed(0)}
            />
            <YAxis
              type="number"
              domain={['auto', 'auto']}
              // Farther is lower, as on the bar; a crawl goes down from the nock.
              reversed={aiming.kind === 'crawl' || (aiming.kind === 'sight' && aiming.growsDown)}
              tick={TEXT}
              stroke="var(--ink)"
            />
            <Line
              data={reach}
              dataKey="value"
              dot={false}
              activeDot={false}
              stroke="none"
              isAnimationActive={false}
            />
            <BandOnChart curve={known} points={shot} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-note text-ink-2">
        {SET_COLUMN[aiming.kind]} over {unit}. Between the thin lines it lies 9 times in 10; dots:
        what was set where it was shot.
      </figcaption>
    </figure>
  );
}
