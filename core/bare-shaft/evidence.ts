import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { meanOf } from '../numeric/moments.ts';
import { type StudentMixture, studentMixtureCdf } from '../numeric/student-mixture.ts';
import type { ButtKind } from '../craft/range-terms.ts';
import { normaliseLogOdds } from '../groups/offset-posterior.ts';

/** What an offset is judged by. Each speaks for itself; none is taken for another. */
export type EvidenceSource = 'impact' | 'attitude' | 'paper' | 'flight';

/** Everything seen of one axis; plus is outward or up. Offsets at 18 m, mm. */
export interface AxisSeen {
  readonly impact: StudentMixture | null;
  /** Where nocks point, degrees, and how far away the butt was. */
  readonly attitudesDeg: readonly number[];
  readonly distanceM: number;
  readonly buttKind: ButtKind | null;
  /** Tail from point hole, mm. */
  readonly tearsMm: readonly number[];
  /** Which way tails were seen to fly, one an end. */
  readonly flights: readonly (-1 | 0 | 1)[];
}

/** What one source says: which side, how surely, from how many. */
export interface SourceSays {
  readonly source: EvidenceSource;
  readonly count: number;
  /** Chance that the offset is plus by this source alone. */
  readonly plusSide: number;
}

export interface FusedAxis {
  readonly says: readonly SourceSays[];
  readonly plusSide: number;
  readonly meanMm: number;
  readonly sdMm: number;
  /** Chance that the offset is farther out than what is worth a turn, on each side. */
  readonly matters: { readonly plus: number; readonly minus: number };
  /** A source surely against the impact, and whether that is normal at this distance. */
  readonly conflict: { readonly source: EvidenceSource; readonly normal: boolean } | null;
}

const GRID_MM: readonly number[] = Array.from({ length: 151 }, (_, index) => (index - 75) * 6);
const CELL_MM = 6;
/** Before anything is seen: misfits of bows as they come to the butt. */
const MISFIT_SD_MM = 100;

/**
 * A nock points away from the side its shaft lands on. How far, per mm of offset at 18 m: a bare
 * shaft swings slowly as it flies, so that near the butt it says much and farther off little.
 */
const NEAR_M = 12;
const DEGREES_PER_MM = { near: { mean: 0.06, sd: 0.03 }, far: { mean: 0.012, sd: 0.04 } } as const;
const ATTITUDE_READING_SD_DEG = { firm: 1.5, soft: 4 } as const;
/** However many nocks are read, the shaft's own swing stays. */
const ATTITUDE_SWING_SD_DEG = 1;

/** A tear of paper at about 2 m, per mm of offset at 18 m. */
const TEAR_PER_MM = { mean: 0.2, sd: 0.1 } as const;
const TEAR_SD_MM = 8;
/** Tears that differ by more than this are not repeatable: not trusted. */
const TEARS_AGREE_MM = 15;
const FEWEST_TEARS = 2;

/** Flight is seen coarsely: this much of it is luck. */
const FLIGHT_LUCK = 0.4;
const FLIGHT_SEEN_FROM_MM = 60;

/** An offset nearer than this is nothing to turn for, mm at 18 m, whatever points to its side. */
const MATTERS_FROM_MM = 20;

/** A side this sure on both counts, opposite: a conflict worth naming. */
const SURE = 0.9;

/**
 * All that was seen of one axis, as independent likelihoods over a grid of the offset. The impact
 * comes with its own scatter; attitude, paper and flight each with how badly they can mislead.
 */
export function fuseEvidence(seen: AxisSeen): FusedAxis {
  const prior = GRID_MM.map((mm) => -((mm / MISFIT_SD_MM) ** 2) / 2);
  const sources: { source: EvidenceSource; count: number; logs: readonly number[] | null }[] = [
    { source: 'impact', count: 1, logs: impactLogs(seen.impact) },
    { source: 'attitude', count: seen.attitudesDeg.length, logs: attitudeLogs(seen) },
    { source: 'paper', count: seen.tearsMm.length, logs: paperLogs(seen.tearsMm) },
    { source: 'flight', count: seen.flights.length, logs: flightLogs(seen.flights) },
  ];
  const says: SourceSays[] = [];
  let all: readonly number[] = prior;
  for (const { source, count, logs } of sources) {
    if (logs === null) continue;
    const odds = normaliseLogOdds(prior.map((log, index) => log + logs[index]!));
    says.push({ source, count, plusSide: plusSideOf(odds) });
    all = all.map((log, index) => log + logs[index]!);
  }
  const odds = normaliseLogOdds(all);
  const over = (of: (mm: number) => number) =>
    odds.reduce((sum, chance, index) => sum + chance * of(GRID_MM[index]!), 0);
  const meanMm = over((mm) => mm);
  return {
    says,
    plusSide: plusSideOf(odds),
    meanMm,
    sdMm: Math.sqrt(over((mm) => (mm - meanMm) ** 2)),
    matters: {
      plus: over((mm) => (mm > MATTERS_FROM_MM ? 1 : 0)),
      minus: over((mm) => (mm < -MATTERS_FROM_MM ? 1 : 0)),
    },
    conflict: conflictOf(says, seen.distanceM),
  };
}

/** Are these tears alike enough to say anything? */
export function tearsAgree(tearsMm: readonly number[]): boolean {
  return (
    tearsMm.length >= FEWEST_TEARS && Math.max(...tearsMm) - Math.min(...tearsMm) <= TEARS_AGREE_MM
  );
}

function plusSideOf(odds: readonly number[]): number {
  return odds.reduce((sum, chance, index) => {
    const mm = GRID_MM[index]!;
    return sum + (mm > 0 ? chance : mm === 0 ? chance / 2 : 0);
  }, 0);
}

function conflictOf(says: readonly SourceSays[], distanceM: number): FusedAxis['conflict'] {
  const impact = says.find(({ source }) => source === 'impact');
  if (impact === undefined) return null;
  for (const one of says) {
    if (one.source === 'impact') continue;
    const against =
      (impact.plusSide >= SURE && one.plusSide <= 1 - SURE) ||
      (impact.plusSide <= 1 - SURE && one.plusSide >= SURE);
    if (against)
      return { source: one.source, normal: one.source === 'attitude' && distanceM > NEAR_M };
  }
  return null;
}

function impactLogs(impact: StudentMixture | null): readonly number[] | null {
  if (impact === null) return null;
  return GRID_MM.map((mm) =>
    Math.log(
      Math.max(
        Number.MIN_VALUE,
        studentMixtureCdf(impact, mm + CELL_MM / 2) - studentMixtureCdf(impact, mm - CELL_MM / 2),
      ),
    ),
  );
}

function attitudeLogs({ attitudesDeg, distanceM, buttKind }: AxisSeen): readonly number[] | null {
  if (attitudesDeg.length === 0) return null;
  const perMm = distanceM <= NEAR_M ? DEGREES_PER_MM.near : DEGREES_PER_MM.far;
  const reading = ATTITUDE_READING_SD_DEG[buttKind ?? 'firm'];
  const variance = reading ** 2 / attitudesDeg.length + ATTITUDE_SWING_SD_DEG ** 2;
  return GRID_MM.map((mm) => responseLog(meanOf(attitudesDeg), mm, perMm, variance));
}

function paperLogs(tearsMm: readonly number[]): readonly number[] | null {
  if (!tearsAgree(tearsMm)) return null;
  const variance = TEAR_SD_MM ** 2 / tearsMm.length + 1;
  return GRID_MM.map((mm) => responseLog(meanOf(tearsMm), mm, TEAR_PER_MM, variance));
}

/** Log likelihood of a reading that goes against the offset with an uncertain gain. */
function responseLog(
  reading: number,
  mm: number,
  gain: { readonly mean: number; readonly sd: number },
  variance: number,
): number {
  const spread = variance + (gain.sd * mm) ** 2;
  return -((reading + gain.mean * mm) ** 2) / (2 * spread) - Math.log(spread) / 2;
}

function flightLogs(flights: readonly (-1 | 0 | 1)[]): readonly number[] | null {
  if (flights.length === 0) return null;
  return GRID_MM.map((mm) => {
    const toMinus = normalCdf((mm - FLIGHT_SEEN_FROM_MM) / FLIGHT_SEEN_FROM_MM, 0, 1);
    const toPlus = normalCdf((-mm - FLIGHT_SEEN_FROM_MM) / FLIGHT_SEEN_FROM_MM, 0, 1);
    const chance = { '-1': toMinus, '1': toPlus, '0': Math.max(0, 1 - toMinus - toPlus) };
    return flights.reduce<number>(
      (sum, way) => sum + Math.log(FLIGHT_LUCK / 3 + (1 - FLIGHT_LUCK) * chance[`${way}`]),
      0,
    );
  });
}
