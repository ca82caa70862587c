import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
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
  const pooled = new Map<ReadingKind, ByPersonAndTool<Squares>>();
  for (const [reading, list] of state.readings) {
    const ofKind = new ByPersonAndTool<Squares>();
    pooled.set(reading, ofKind);
    for (const measured of list) {
      if (measured.sd === null) continue;
      const sums = ofKind.get(measured, () => ({ squares: 0, degrees: 0 }));
      sums.squares += measured.sd ** 2 * (measured.n - 1);
      sums.degrees += measured.n - 1;
    }
  }
  const spreads = new Map<ReadingKind, ByPersonAndTool<Spread>>();
  return (measured) => {
    const { reading } = measured;
    const ofKind = spreads.get(reading) ?? new ByPersonAndTool<Spread>();
    spreads.set(reading, ofKind);
    return ofKind.get(measured, () => {
      const none = { squares: 0, degrees: 0 };
      const { squares, degrees } = pooled.get(reading)?.get(measured, () => none) ?? none;
      const all = TYPICAL_DEGREES + degrees;
      const typical = TYPICAL_DEGREES * READINGS[reading].typicalSd ** 2;
      return { sd: Math.sqrt((typical + squares) / all), degrees: all, learnedFrom: degrees };
    });
  };
}

interface Squares {
  squares: number;
  degrees: number;
}

/** Something known of each person with each tool; asked thousands of times for a long log. */
class ByPersonAndTool<T> {
  private readonly people = new Map<string, Map<string, T>>();

  get({ by, tool }: Pick<Measured, 'by' | 'tool'>, make: () => T): T {
    let tools = this.people.get(by);
    if (tools === undefined) this.people.set(by, (tools = new Map<string, T>()));
    let known = tools.get(tool);
    if (known === undefined) tools.set(tool, (known = make()));
    return known;
  }
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
