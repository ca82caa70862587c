import { memo } from 'react';
import {
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { curveShown, heightsShown } from '#core/brace-search/curve-shown.ts';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import type { BraceSearch } from '#core/log/brace-searches.ts';
import type { BowFacts } from '#core/log/entry.ts';
import { showLength, showLengthFigure, showNumber } from '#core/quantity/show.ts';
import { howSureWords } from '#core/words/brace-search-words.ts';
import { BandOnChart } from '../ui/band-on-chart.tsx';

type Style = Pick<BowFacts, 'lengthUnit' | 'division'>;

const TEXT = { fill: 'var(--ink-2)', fontSize: 12 } as const;
const HATCH = 'noise-hatch';
/** Shown beyond the limits, so that they are seen to be limits. */
const BEYOND_SHARE = 0.06;
const MOST_SHOWN_DB = 30;
/** A chart without a series has no scale; its figures lie outside what is shown. */
const NO_SERIES = [{ at: 0, value: -1000 }];

/** Loudness over brace height: what was shot, the curve with its uncertainty, the limits hatched, the next height. */
export const NoiseChart = memo(function NoiseChart({
  standing,
  search,
  style,
  height = 240,
}: {
  readonly standing: SearchStanding;
  readonly search: BraceSearch;
  readonly style: Style;
  readonly height?: number;
}) {
  const curve = curveShown(standing);
  const shown = heightsShown(standing);
  const { next, touchedMm } = standing;
  const beyond = BEYOND_SHARE * (search.highMm - search.lowMm);
  const [from, to] = [search.lowMm - beyond, search.highMm + beyond];
  const nextMm = next.kind === 'twist' ? next.heightMm : null;
  const points = shown.map(({ heightMm, level }) => ({
    at: heightMm,
    value: level === null ? nearest(curve, heightMm) : level.db,
  }));
  const [bottom, top] = levelsShown(curve, points);
  const within = (db: number) => Math.min(top, Math.max(bottom, db));
  const band = curve.map(({ heightMm, levelDb, lowDb, highDb }) => ({
    at: heightMm,
    value: within(levelDb),
    low: within(lowDb),
    high: within(highDb),
  }));
  const closed = Math.max(search.lowMm, touchedMm ?? search.lowMm);
  return (
    <figure aria-label="Loudness against brace height" data-testid="noise-chart">
      <div aria-hidden>
        <Hatch />
        <ResponsiveContainer width="100%" height={height}>
          <ComposedChart
            accessibilityLayer={false}
            margin={{ top: 6, right: 8, bottom: 4, left: -18 }}
          >
            <XAxis
              dataKey="at"
              type="number"
              allowDataOverflow
              allowDuplicatedCategory={false}
              domain={[from, to]}
              ticks={heightTicks(search)}
              tick={TEXT}
              stroke="var(--ink)"
              tickFormatter={(mm: number) => showLengthFigure(mm, style)}
            />
            <YAxis
              type="number"
              allowDataOverflow
              domain={[bottom, top]}
              ticks={evenTicks(bottom, top)}
              tick={TEXT}
              stroke="var(--ink)"
              tickFormatter={(db: number) => showNumber(db, 0)}
            />
            <ReferenceArea x1={from} x2={closed} fill={`url(#${HATCH})`} fillOpacity={0.5} />
            <ReferenceArea x1={search.highMm} x2={to} fill={`url(#${HATCH})`} fillOpacity={0.5} />
            <Line data={NO_SERIES} dataKey="value" dot={false} activeDot={false} />
            <BandOnChart curve={band} points={points} />
            {nextMm !== null && (
              <ReferenceLine
                x={nextMm}
                stroke="var(--accent)"
                strokeWidth={2}
                label={{ value: 'next', position: 'insideTopRight', fill: 'var(--accent)' }}
              />
            )}
            {standing.here?.heightMm != null && (
              <ReferenceLine x={standing.here.heightMm} stroke="var(--ink)" strokeDasharray="3 4" />
            )}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <p className="text-sub leading-snug">{howSureWords(standing)}</p>
      <figcaption className="text-note text-ink-2">
        dB below the loudest height, against brace; a microphone has no scale of its own. Between
        the thin lines the curve lies 9 times in 10. Hatched: outside the limits
        {touchedMm === null
          ? ''
          : `, or no higher than ${showLength(touchedMm, style)}, which touched the arm`}
        . Dashed: where the bow stands.
      </figcaption>
    </figure>
  );
});

/** From the quietest to the loudest there may be, in whole pairs of decibels. */
function levelsShown(
  curve: ReturnType<typeof curveShown>,
  points: readonly { readonly value: number }[],
): readonly [bottom: number, top: number] {
  const shot = points.map(({ value }) => value);
  const lowest = Math.min(-4, ...curve.map(({ lowDb }) => lowDb), ...shot);
  const highest = Math.max(2, ...curve.map(({ highDb }) => highDb), ...shot);
  return [
    2 * Math.floor(Math.max(-MOST_SHOWN_DB, lowest) / 2),
    2 * Math.ceil(Math.min(MOST_SHOWN_DB, highest) / 2),
  ];
}

/** The pattern of what lies outside. */
function Hatch() {
  return (
    <svg width="0" height="0" className="absolute">
      <defs>
        <pattern
          id={HATCH}
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--ink)" strokeWidth="1" />
        </pattern>
      </defs>
    </svg>
  );
}

function nearest(curve: ReturnType<typeof curveShown>, heightMm: number): number {
  const [first, ...rest] = curve;
  if (first === undefined) return 0;
  return rest.reduce(
    (best, one) =>
      Math.abs(one.heightMm - heightMm) < Math.abs(best.heightMm - heightMm) ? one : best,
    first,
  ).levelDb;
}

const MOST_TICKS = 5;

/** Both limits and even steps between them. */
function heightTicks({ lowMm, highMm }: BraceSearch): number[] {
  return Array.from(
    { length: MOST_TICKS },
    (_, at) => lowMm + ((highMm - lowMm) * at) / (MOST_TICKS - 1),
  );
}

function evenTicks(bottom: number, top: number): number[] {
  const step = Math.max(2, 2 * Math.ceil((top - bottom) / 12));
  const ticks: number[] = [];
  for (let tick = Math.ceil(bottom / step) * step; tick <= top; tick += step) ticks.push(tick);
  return ticks;
}
