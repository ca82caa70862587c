import type { Aiming } from '../craft/aiming.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import type { MarkShot } from './mark-shot.ts';
import { crawlFor, type Interval, pointHits, pointOn, sightMark } from './marks-asked.ts';
import { markSlips, type MarkSlip } from './mark-slips.ts';
import {
  type FlightKnown,
  marksPosterior,
  type MarksPosterior,
  middleOf,
  slopeMixture,
} from './marks-posterior.ts';
import { type LeverOn, pointOnLevers } from './point-on-levers.ts';
import { divisionSlope } from './marks-model.ts';
import { type DistanceChoice, distanceChoices, nextDistance } from './next-distance.ts';

const MM_PER_M = 1000;
/** 90 % of a normal lies within so many standard deviations. */
const Z90 = 1.645;
/** A distance paced or guessed is off by about this share of it. */
const MISJUDGED_SHARE = 0.1;
const FARTHEST_M = 90;
const SLIPS_AMONG = 6;

/** What is asked of marks: all that a worker needs. */
export interface MarksQuestion {
  readonly aiming: Aiming;
  readonly marks: readonly MarkShot[];
  readonly known: FlightKnown;
  /** Whether the newest change lies after the newest mark. */
  readonly isStale: boolean;
  readonly distancesM: readonly number[];
  /** The farthest that is wanted: the next distance is chosen for it. */
  readonly wantedM: number;
  readonly shots: number;
  readonly buttMm: number;
  readonly windageMmPerM: number;
  /** Where the point-on is wanted, m; null: not said. */
  readonly pointOnWantedM: number | null;
}

/** One distance. */
export interface MarkRow {
  readonly distanceM: number;
  /** What to set: reading of the scale, mm the point is held above the mark, mm of crawl; null: out of reach. */
  readonly set: Interval | null;
  /** The same before what was done since the newest mark; null: nothing was. */
  readonly before: Interval | null;
  /** How much lower it hits for each metre it is farther than thought, mm. */
  readonly perMetreMm: number | null;
}

/** What marks say. */
export interface MarksFigures {
  readonly rows: readonly MarkRow[];
  readonly pointOnM: Interval | null;
  readonly speedMps: Interval;
  readonly dragPerM: Interval;
  /** Scatter up and down at 18 m, mm, its middle. */
  readonly scatterMm18: number;
  /** Where a distance misjudged by a tenth costs as much as one's own scatter, m; null: nowhere in reach. */
  readonly misjudgedAtM: number | null;
  /** What moves the point-on, the least intrusive first; empty with a sight. */
  readonly levers: readonly LeverOn[];
  readonly choices: readonly DistanceChoice[];
  readonly next: DistanceChoice | null;
  /** What shooting it would leave of the doubt: of which distance, and half its 90 % interval as what is set is counted. */
  readonly nextLeaves: { readonly distanceM: number; readonly half: number } | null;
  readonly slips: readonly MarkSlip[];
}

/** All figures at once: some hundredths of a second of work, and more with many marks. */
export function marksFigures(question: MarksQuestion): MarksFigures {
  const { aiming, marks, known, distancesM } = question;
  const now = marksPosterior(aiming, marks, known);
  const earlier = question.isStale ? asBefore(question) : null;
  const middle = middleOf(now);
  const choices = distanceChoices(now, {
    ...question,
    setAt: (distanceM) => crawlFor(middle, distanceM)?.middle ?? 0,
  });
  const next = nextDistance(choices);
  return {
    rows: distancesM.map((distanceM) => ({
      distanceM,
      set: setFor(now, distanceM),
      before: earlier === null ? null : setFor(earlier, distanceM),
      perMetreMm: perMetreMm(middle, distanceM),
    })),
    pointOnM: pointOn(now),
    speedMps: spreadOf(now, ({ flight }) => flight.speedMps),
    dragPerM: spreadOf(now, ({ flight }) => flight.dragPerM),
    scatterMm18: spreadOf(now, ({ scatter }) => scatter).middle * 18 * MM_PER_M,
    misjudgedAtM: misjudgedAtM(middle),
    levers: aiming.kind === 'sight' ? [] : pointOnLevers(middle, question.pointOnWantedM),
    choices,
    next,
    nextLeaves:
      next === null
        ? null
        : {
            distanceM: question.wantedM,
            half:
              (next.leaves * aiming.division) /
              divisionSlope(aiming, { distanceM: question.wantedM }),
          },
    slips: slipsAmongNewest(question),
  };
}

/** A slip is asked about while it is remembered: among the last few ends. */
function slipsAmongNewest({ aiming, marks, known }: MarksQuestion): readonly MarkSlip[] {
  const from = Math.max(0, marks.length - SLIPS_AMONG);
  return markSlips(aiming, marks.slice(from), known).map((slip) =>
    slip.at === null ? slip : { ...slip, at: slip.at + from },
  );
}

/** The marks as they held before the newest change, which no mark has seen. */
function asBefore({ aiming, marks, known }: MarksQuestion): MarksPosterior {
  return marksPosterior(
    aiming,
    marks.map((mark) => ({ ...mark, changesSince: Math.max(0, mark.changesSince - 1) })),
    { ...known, changes: known.changes.slice(1) },
  );
}

function setFor(posterior: MarksPosterior, distanceM: number): Interval | null {
  switch (posterior.aiming.kind) {
    case 'sight':
      return sightMark(posterior, distanceM);
    case 'point': {
      const hits = pointHits(posterior, distanceM);
      return hits === null ? null : { middle: -hits.middle, low: -hits.high, high: -hits.low };
    }
    case 'crawl':
      return crawlFor(posterior, distanceM);
  }
}

/** Shot with what hits at one distance, how much lower it hits a metre farther, mm. */
function perMetreMm(posterior: MarksPosterior, distanceM: number): number | null {
  const crawlMm = crawlFor(posterior, distanceM)?.middle ?? 0;
  const at = (metres: number) => {
    const mixture = slopeMixture(posterior, metres, crawlMm);
    return mixture.length === 0 ? null : mixtureMean(mixture);
  };
  const [here, there] = [at(distanceM), at(distanceM + 1)];
  if (here === null || there === null) return null;
  const farMm = (distanceM + 1) * MM_PER_M;
  // A sight's slope is what it wants, without one what it does: the one grows with the fall, the other falls.
  return (posterior.aiming.kind === 'sight' ? there - here : here - there) * farMm;
}

function misjudgedAtM(posterior: MarksPosterior): number | null {
  const scatter = posterior.parts[0]?.scatter ?? 0;
  for (let distanceM = 5; distanceM <= FARTHEST_M; distanceM += 1) {
    const off = perMetreMm(posterior, distanceM);
    if (off === null) return null;
    if (off * MISJUDGED_SHARE * distanceM >= scatter * distanceM * MM_PER_M) return distanceM;
  }
  return null;
}

function spreadOf(
  { parts }: MarksPosterior,
  of: (part: MarksPosterior['parts'][number]) => number,
): Interval {
  const middle = parts.reduce((sum, part) => sum + part.weight * of(part), 0);
  const variance = parts.reduce((sum, part) => sum + part.weight * (of(part) - middle) ** 2, 0);
  const half = Z90 * Math.sqrt(variance);
  return { middle, low: middle - half, high: middle + half };
}
