import {
  ComposedChart,
  ErrorBar,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import type { CurveView } from './curve-view.ts';

const TEXT = { fill: 'var(--ink-2)', fontSize: 12 } as const;

/** A reading over the record: its band, what was restrung and turned, each reading with its ±. */
export function ReadingCurveChart({
  view,
  name,
  onPoint,
}: {
  readonly view: CurveView;
  readonly name: string;
  readonly onPoint: (entryId: string) => void;
}) {
  const { points, band, limit, strings, changes, ticksX, ticksY } = view;
  const [low = 0, high = 1] = [ticksY[0], ticksY.at(-1)];
  const stretches = [...new Set(points.map(({ stretch }) => stretch))];
  const inSight = (value: number) => value > low && value < high;
  return (
    <figure aria-label={`${name} over the record`} data-testid="reading-curve">
      <ResponsiveContainer width="100%" height={190}>
        <ComposedChart margin={{ top: 8, right: 12, bottom: 2, left: -14 }} data={[...points]}>
          <XAxis
            dataKey="at"
            type="number"
            domain={['dataMin', 'dataMax']}
            ticks={[...ticksX]}
            tickFormatter={view.writeX}
            tick={TEXT}
            stroke="var(--ink)"
            padding={{ left: 10, right: 10 }}
          />
          <YAxis
            type="number"
            domain={[low, high]}
            ticks={[...ticksY]}
            tickFormatter={view.writeY}
            tick={TEXT}
            stroke="var(--ink)"
            allowDataOverflow
          />
          {band !== null && (
            <ReferenceArea y1={band.low} y2={band.high} fill="var(--metal)" fillOpacity={0.4} />
          )}
          {limit !== null &&
            [limit.low, limit.high]
              .filter(inSight)
              .map((value) => <ReferenceLine key={value} y={value} stroke="var(--stop)" />)}
          {changes.map((at, index) => (
            <ReferenceLine
              key={`change ${index}`}
              x={at}
              stroke="var(--ink-2)"
              strokeDasharray="2 4"
            />
          ))}
          {strings.map((at, index) => (
            <ReferenceLine key={`string ${index}`} x={at} stroke="var(--ink)" strokeWidth={2} />
          ))}
          {/* Over a change or another string no line goes: what lies between is not creep. */}
          {stretches.map((one) => (
            <Line
              key={one}
              data={points.filter(({ stretch }) => stretch === one)}
              dataKey="value"
              dot={false}
              stroke="var(--ink)"
              strokeWidth={1.2}
              isAnimationActive={false}
            />
          ))}
          <Scatter
            data={[...points]}
            dataKey="value"
            fill="var(--ink)"
            shape={<circle r={3} />}
            isAnimationActive={false}
            onClick={({ payload }: { payload?: { entryId?: string } }) => {
              if (payload?.entryId !== undefined) onPoint(payload.entryId);
            }}
          >
            <ErrorBar dataKey="error" direction="y" width={0} stroke="var(--ink)" />
          </Scatter>
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-note text-ink-2">
        {view.unit}; ± 9 times in 10.
        {band !== null && ` Grey: ${band.name}.`}
        {changes.length > 0 && ' Dashed: something was turned that moves it.'}
        {strings.length > 0 && ' Thick: another string.'}
      </figcaption>
    </figure>
  );
}
