import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { squaresAboutMean } from '../numeric/moments.ts';
import type { BowState, Measured } from '../record/fold.ts';

/** How many replicates’ worth the typical figure counts for beside a person's own. */
const TYPICAL_DEGREES = 6;

/** The spread of one reading by one person with one tool. */
export interface Spread {
  readonly sd: number;
  readonly degrees: number;
  /** Replicates beyond the first that stand behind it; 0 while it is the typical figure. */
  readonly learnedFrom: number;
}

/** The spread of a reading, by kind, person and tool. */
export type Repeatability = (measured: Pick<Measured, 'reading' | 'by' | 'tool'>) => Spread;

/**
 * Learns how well each person repeats each reading with each tool: the typical figure (6 degrees)
 * pooled with the squares of all their replicates about their own means.
 */
export function learnRepeatability(state: BowState): Repeatability {
  const pooled = new Map<string, { squares: number; degrees: number }>();
  for (const list of state.readings.values()) {
    for (const measured of list) {
      if (measured.n < 2) continue;
      const key = keyOf(measured);
      const sums = pooled.get(key) ?? { squares: 0, degrees: 0 };
      sums.squares += squaresAboutMean(measured.values);
      sums.degrees += measured.n - 1;
      pooled.set(key, sums);
    }
  }
  return (measured) => {
    const { squares, degrees } = pooled.get(keyOf(measured)) ?? { squares: 0, degrees: 0 };
    const all = TYPICAL_DEGREES + degrees;
    const typical = TYPICAL_DEGREES * READINGS[measured.reading].typicalSd ** 2;
    return { sd: Math.sqrt((typical + squares) / all), degrees: all, learnedFrom: degrees };
  };
}

function keyOf({ reading, by, tool }: Pick<Measured, 'reading' | 'by' | 'tool'>): string {
  return `${reading}|${by}|${tool}`;
}

/** Variance of the mean of a reading's replicates. */
export function meanVariance(measured: Measured, repeatability: Repeatability): number {
  return repeatability(measured).sd ** 2 / measured.n;
}

/** Half the 90 % interval of the mean of a reading’s replicates: t₀.₉₅(ν) · s / √n. */
export function readingHalfWidth(measured: Measured, repeatability: Repeatability): number {
  const { sd, degrees } = repeatability(measured);
  return (tQuantile(0.95, degrees) * sd) / Math.sqrt(measured.n);
}

/** The spread of whoever read this last, else the typical figure: below it no change is seen. */
export function presentSpread(
  state: BowState,
  kind: ReadingKind,
  repeatability: Repeatability,
): Spread {
  const last = state.readings.get(kind)?.at(-1);
  return repeatability(last ?? { reading: kind, by: '', tool: '' });
}
