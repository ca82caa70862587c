import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState, Measured } from '../log/bow-state.ts';

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
  const learned = new Map<ReadingKind, ByPersonAndTool>();
  for (const [reading, list] of state.readings) {
    const ofKind = new ByPersonAndTool();
    learned.set(reading, ofKind);
    for (const measured of list) {
      if (measured.sd === null) continue;
      const sums = ofKind.of(measured);
      sums.squares += measured.sd ** 2 * (measured.n - 1);
      sums.degrees += measured.n - 1;
    }
  }
  return (measured) => {
    const sums = learned.get(measured.reading)?.of(measured) ?? nothingLearned();
    return (sums.spread ??= spreadFrom(measured.reading, sums));
  };
}

function spreadFrom(reading: ReadingKind, { squares, degrees }: Sums): Spread {
  const all = TYPICAL_DEGREES + degrees;
  const typical = TYPICAL_DEGREES * READINGS[reading].typicalSd ** 2;
  return { sd: Math.sqrt((typical + squares) / all), degrees: all, learnedFrom: degrees };
}

interface Sums {
  squares: number;
  degrees: number;
  spread: Spread | null;
}
const nothingLearned = (): Sums => ({ squares: 0, degrees: 0, spread: null });

/** What the readings of one kind have shown of each person with each tool. */
class ByPersonAndTool {
  private readonly people = new Map<string, Map<string, Sums>>();

  of({ by, tool }: Pick<Measured, 'by' | 'tool'>): Sums {
    let tools = this.people.get(by);
    if (tools === undefined) this.people.set(by, (tools = new Map<string, Sums>()));
    let sums = tools.get(tool);
    if (sums === undefined) tools.set(tool, (sums = nothingLearned()));
    return sums;
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
