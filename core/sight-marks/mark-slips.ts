import type { Aiming } from '../craft/aiming.ts';
import type { MarkShot } from './mark-shot.ts';
import { slopeSeen } from './marks-model.ts';
import { type FlightKnown, marksPosterior } from './marks-posterior.ts';
import { METRES_PER_YARD } from '../quantity/yards.ts';

/** One mark in so many is slipped so, by experience of notebooks. */
const ODDS = { otherUnit: 0.004, otherEdge: 0.003, unknown: 0.002 } as const;
/** A slip is asked about when it is so many times as likely as that all is well. */
const TIMES = 5;
/** A slip of any kind may put a mark anywhere on the bar or the butt, as a slope. */
const ANYWHERE = 0.3;
/** A reading off the other edge of pointer or block is off by about this, mm on the bar. */
const EDGE_MM = 5;
/** Two marks fit some arrow whatever they are. */
const FEWEST = 3;
/** Farther apart than this they have to run the right way, m. */
const APART_M = 8;

/** A mark that cannot be, and the slip that would explain it. */
export interface MarkSlip {
  /** Its place among the marks; null: all of them together. */
  readonly at: number | null;
  readonly likely: 'scaleTurned' | 'otherUnit' | 'otherEdge' | 'unknown';
}

/**
 * Marks that no arrow shoots together, with the likely slip: each hypothesis by how likely it makes all marks, against
 * that all is well. Needs three marks, or two that run the wrong way.
 */
export function markSlips(
  aiming: Aiming,
  marks: readonly MarkShot[],
  known: FlightKnown,
): readonly MarkSlip[] {
  if (runsTheWrongWay(aiming, marks)) return [{ at: null, likely: 'scaleTurned' }];
  if (marks.length < FEWEST) return [];
  const evidence = (some: readonly MarkShot[]) => marksPosterior(aiming, some, known).logEvidence;
  const well = evidence(marks) + Math.log(TIMES);
  const without = marks.map((_, at) => ({
    at,
    likely: 'unknown' as const,
    log:
      evidence(marks.filter((_mark, place) => place !== at)) -
      Math.log(ANYWHERE) +
      Math.log(ODDS.unknown),
  }));
  if (without.every(({ log }) => log < well)) return [];
  const named = marks.flatMap((mark, at) =>
    slipsOf(aiming, mark).map(({ likely, as }) => ({
      at,
      likely,
      log: evidence(marks.with(at, as)) + Math.log(ODDS[likely]),
    })),
  );
  const best = [...without, ...named].reduce((most, one) => (one.log > most.log ? one : most));
  return best.log < well ? [] : [{ at: best.at, likely: best.likely }];
}

/** What a mark would be without the slip that may have made it. */
function slipsOf(aiming: Aiming, mark: MarkShot) {
  const edge = aiming.kind === 'sight' ? EDGE_MM / aiming.mmPerUnit : 0;
  return [
    {
      likely: 'otherUnit' as const,
      as: { ...mark, distanceM: mark.distanceM * METRES_PER_YARD },
    },
    ...(edge === 0
      ? []
      : [edge, -edge].map((by) => ({
          likely: 'otherEdge' as const,
          as: { ...mark, set: mark.set + by },
        }))),
  ];
}

/** Farther wants the aperture lower: else the scale is taken the wrong way round. */
function runsTheWrongWay(aiming: Aiming, marks: readonly MarkShot[]): boolean {
  if (aiming.kind !== 'sight') return false;
  const sorted = marks.toSorted((one, other) => one.distanceM - other.distanceM);
  const [near, far] = [sorted[0], sorted.at(-1)];
  if (near === undefined || far === undefined || far.distanceM < near.distanceM + APART_M)
    return false;
  return slopeSeen(aiming, far) < slopeSeen(aiming, near);
}
