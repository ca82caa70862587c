import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState, Measured } from '../log/bow-state.ts';
import {
  fitTwoVariances,
  halfWidthOfMean,
  type TwoVariances,
  varianceOfMean,
} from '../numeric/two-variances.ts';
import { SEATING_PRIOR, WITHIN_PRIOR } from '../priors/repeatability-priors.ts';
import { readAgain } from './read-again.ts';

/** How well one person repeats one reading with one tool. */
export interface Spread {
  /** Of one reading: its own spread and how the tool was seated, together. */
  readonly sd: number;
  /** Replicates beyond the first, and readings of the same setting beyond the first; 0: typical. */
  readonly learnedFrom: number;
  /** Variance of the mean of n replicates: the seating is in all of them alike. */
  readonly meanVariance: (n: number) => number;
  /** Half the 90 % interval of the mean of n replicates. */
  readonly halfWidth: (n: number) => number;
}

/** The spread of a reading, by kind, person and tool. */
export type Repeatability = (measured: Pick<Measured, 'reading' | 'by' | 'tool'>) => Spread;

const INTERVAL = 0.9;

/**
 * Learns how well each person repeats each reading with each tool: the spread within a reading from
 * its replicates, and what differs from one reading to the next (how the square was seated, the
 * day) from readings of one setting that nothing moved between.
 */
export function learnRepeatability(state: BowState): Repeatability {
  const learned = new Map<ReadingKind, ByPersonAndTool>();
  for (const [reading, list] of state.readings) {
    const ofKind = new ByPersonAndTool();
    learned.set(reading, ofKind);
    for (const measured of list) {
      if (measured.sd === null) continue;
      const { within } = ofKind.of(measured);
      within.squares += measured.sd ** 2 * (measured.n - 1);
      within.degrees += measured.n - 1;
    }
    for (const again of readAgain(state, reading, list)) {
      const { between } = ofKind.of(again[0]!);
      addMeans(between, again);
    }
  }
  return (measured) => {
    const seen = learned.get(measured.reading)?.of(measured) ?? nothingSeen();
    return (seen.spread ??= spreadFrom(measured.reading, seen));
  };
}

/** Means of one setting about their own mean; what stands behind each is their harmonic mean. */
function addMeans(between: Seen['between'], again: readonly Measured[]): void {
  const mean = again.reduce((sum, one) => sum + one.mean, 0) / again.length;
  const n = Math.round(again.length / again.reduce((sum, one) => sum + 1 / one.n, 0));
  const sums = between.get(n) ?? { squares: 0, degrees: 0 };
  between.set(n, sums);
  sums.squares += again.reduce((sum, one) => sum + (one.mean - mean) ** 2, 0);
  sums.degrees += again.length - 1;
}

function spreadFrom(reading: ReadingKind, { within, between }: Seen): Spread {
  const typical = READINGS[reading].typicalSd ** 2;
  const means = [...between].map(([n, sums]) => ({ n, ...sums }));
  const variances = fitTwoVariances(
    {
      within: { ...WITHIN_PRIOR, variance: WITHIN_PRIOR.variance * typical },
      between: { ...SEATING_PRIOR, variance: SEATING_PRIOR.variance * typical },
    },
    within,
    means,
  );
  return {
    sd: Math.sqrt(varianceOfMean(variances, 1)),
    learnedFrom: within.degrees + means.reduce((sum, { degrees }) => sum + degrees, 0),
    meanVariance: (n) => varianceOfMean(variances, n),
    halfWidth: halfWidthsOf(variances),
  };
}

/** A long record shows thousands of readings, nearly all of one, two or three replicates. */
function halfWidthsOf(variances: TwoVariances): Spread['halfWidth'] {
  const known = new Map<number, number>();
  return (n) => {
    let found = known.get(n);
    if (found === undefined) known.set(n, (found = halfWidthOfMean(variances, n, INTERVAL)));
    return found;
  };
}

interface Sums {
  squares: number;
  degrees: number;
}

interface Seen {
  readonly within: Sums;
  /** By how many replicates stand behind each mean. */
  readonly between: Map<number, Sums>;
  spread: Spread | null;
}
const nothingSeen = (): Seen => ({
  within: { squares: 0, degrees: 0 },
  between: new Map(),
  spread: null,
});

/** What the readings of one kind have shown of each person with each tool. */
class ByPersonAndTool {
  private readonly people = new Map<string, Map<string, Seen>>();

  of({ by, tool }: Pick<Measured, 'by' | 'tool'>): Seen {
    let tools = this.people.get(by);
    if (tools === undefined) this.people.set(by, (tools = new Map<string, Seen>()));
    let seen = tools.get(tool);
    if (seen === undefined) tools.set(tool, (seen = nothingSeen()));
    return seen;
  }
}

/** Variance of the mean of a reading's replicates. */
export function meanVariance(measured: Measured, repeatability: Repeatability): number {
  return repeatability(measured).meanVariance(measured.n);
}

/** Half the 90 % interval of the mean of a reading’s replicates. */
export function readingHalfWidth(measured: Measured, repeatability: Repeatability): number {
  return repeatability(measured).halfWidth(measured.n);
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
