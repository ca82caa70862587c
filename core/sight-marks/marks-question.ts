import { METRES_PER_YARD } from '../quantity/yards.ts';
import type { MarksEvidence } from './marks-evidence.ts';
import type { MarksQuestion } from './marks-figures.ts';

/** Distances of the common rounds, each in its own unit. */
const USUAL = {
  sight: {
    m: [10, 12, 15, 18, 20, 25, 30, 40, 50, 60, 70],
    yd: [10, 15, 20, 25, 30, 40, 50, 60, 70, 80],
  },
  other: {
    m: [5, 8, 10, 12, 15, 18, 20, 25, 30, 35, 40],
    yd: [5, 8, 10, 12, 15, 18, 20, 25, 30, 40],
  },
} as const;
const SHOTS_AN_END = 6;
const USUAL_BUTT_MM = 1220;
const WANTED_M = { sight: 70, point: 30, crawl: 30 } as const;

/** Distances whose figures are shown, near to far, m: the usual ones, those shot, and one asked for. */
export function distancesShown(
  { aiming, ends }: MarksEvidence,
  unit: 'm' | 'yd',
  askedM: number | null,
): readonly number[] {
  const usual = USUAL[aiming.kind === 'sight' ? 'sight' : 'other'][unit];
  const metres = usual.map((one) => (unit === 'm' ? one : one * METRES_PER_YARD));
  const more = [...ends.map(({ distanceM }) => distanceM), ...(askedM === null ? [] : [askedM])];
  const all = [...metres];
  for (const one of more) if (!all.some((known) => Math.abs(known - one) < 0.05)) all.push(one);
  return all.toSorted((one, other) => one - other);
}

/** What is wished beside the marks themselves. */
export interface MarksWish {
  readonly buttMm?: number | undefined;
  readonly pointOnWantedM?: number | null | undefined;
}

/** What a worker needs to answer for these distances. */
export function marksQuestion(
  { aiming, ends, known, since, outwardMmPerM }: MarksEvidence,
  distancesM: readonly number[],
  { buttMm = USUAL_BUTT_MM, pointOnWantedM = null }: MarksWish = {},
): MarksQuestion {
  return {
    aiming,
    marks: ends.map(({ distanceM, set, upMm, shots, squaresMm2, changesSince }) => ({
      distanceM,
      set,
      upMm,
      shots,
      squaresMm2,
      changesSince,
    })),
    known,
    isStale: since.length > 0,
    distancesM,
    wantedM: WANTED_M[aiming.kind],
    shots: SHOTS_AN_END,
    buttMm,
    pointOnWantedM,
    windageMmPerM: outwardMmPerM ?? 0,
  };
}
