import { normaliseLogOdds } from '../groups/offset-posterior.ts';

/** What was shot with the nocking point at one height. Heights mm from any one zero, up positive. */
export interface HeightShot {
  readonly heightMm: number;
  /** Bare from fletched, mm at 18 m, up positive, with its standard deviation. */
  readonly upMm: number;
  readonly sdMm: number;
  readonly ends: number;
  /** Ends after which powder showed that the tail had touched the shelf or rest. */
  readonly markedEnds: number;
}

/** Of bows as they come to the butt, about this share has its nocking point low enough to bounce. */
const BOUNCE_SHARE = 0.15;
/** The threshold, if there is one, lies evenly within this of the heights that were shot. */
const THRESHOLD_REACH_MM = { below: 10, above: 8 } as const;
const THRESHOLD_STEP_MM = 0.5;
/** 1 mm of nocking point moves bare shafts this much; the direction is certain. */
const GAIN = { mean: 20, sd: 12 } as const;
const GAINS: readonly number[] = Array.from({ length: 28 }, (_, index) => 2 + 2 * index);
/** Below the threshold the response turns round and doubles. */
const TURNED_TIMES = 2;
const INTERCEPT_SD_MM = 100;
const MARKS = { bouncing: 0.6, otherwise: 0.02 } as const;
/** Told apart at two heights at least. */
const FEWEST_HEIGHTS = 2;
/** Said from this chance on. */
export const BOUNCE_SAID_AT = 0.8;

export interface BounceOdds {
  /** Chance that the tail bounces at the present height. */
  readonly now: number;
  /** Chance that it did at each height shot. */
  readonly at: readonly number[];
  /** Where it probably begins, mm on the same scale; null when it probably never does. */
  readonly thresholdMm: number | null;
  /** Chance that it would with the nocking point at a height, mm on the same scale. */
  readonly chanceAt: (heightMm: number) => number;
}

/**
 * Does the tail bounce? A nocking point far too low makes it strike shelf or rest and fly nock high,
 * as if it stood too high: lowering then makes it worse. Every threshold on a grid, and none, is
 * weighed by how well it explains offsets and marks at all heights; the gain is integrated over its
 * rule of thumb, the level analytically.
 *
 * @param heights in the order shot; nothing is said from fewer than two
 * @param presentMm where the nocking point stands now
 */
export function bounceOdds(heights: readonly HeightShot[], presentMm: number): BounceOdds {
  const all = heights.map(({ heightMm }) => heightMm);
  if (!areToldApart(all))
    return { now: 0, at: heights.map(() => 0), thresholdMm: null, chanceAt: () => 0 };
  const low = Math.min(...all) - THRESHOLD_REACH_MM.below;
  const high = Math.max(...all) + THRESHOLD_REACH_MM.above;
  const thresholds: number[] = [Number.NEGATIVE_INFINITY];
  for (let at = low; at <= high; at += THRESHOLD_STEP_MM) thresholds.push(at);
  const each = Math.log(BOUNCE_SHARE / (thresholds.length - 1));
  const odds = normaliseLogOdds(
    thresholds.map(
      (threshold, index) =>
        (index === 0 ? Math.log(1 - BOUNCE_SHARE) : each) + logLikelihood(heights, threshold),
    ),
  );
  const above = (heightMm: number) =>
    thresholds.reduce(
      (sum, threshold, index) => (threshold > heightMm ? sum + odds[index]! : sum),
      0,
    );
  const some = 1 - odds[0]!;
  return {
    now: above(presentMm),
    at: all.map(above),
    thresholdMm:
      some < 0.5
        ? null
        : thresholds
            .slice(1)
            .reduce((sum, threshold, index) => sum + (threshold * odds[index + 1]!) / some, 0),
    chanceAt: above,
  };
}

/** Whether so many different heights were shot that something can be said of a bounce. */
export function areToldApart(heightsMm: readonly number[]): boolean {
  return new Set(heightsMm).size >= FEWEST_HEIGHTS;
}

function logLikelihood(heights: readonly HeightShot[], thresholdMm: number): number {
  const logs = GAINS.map(
    (gain) => -(((gain - GAIN.mean) / GAIN.sd) ** 2) / 2 + logOffsets(heights, thresholdMm, gain),
  );
  const best = Math.max(...logs);
  return (
    best +
    Math.log(logs.reduce((sum, log) => sum + Math.exp(log - best), 0)) +
    logMarks(heights, thresholdMm)
  );
}

/** Offsets given threshold and gain, their common level integrated out. */
function logOffsets(heights: readonly HeightShot[], thresholdMm: number, gain: number): number {
  let precision = 1 / INTERCEPT_SD_MM ** 2;
  let weighted = 0;
  let squares = 0;
  let logs = 0;
  for (const { heightMm, upMm, sdMm } of heights) {
    const below = Math.max(0, thresholdMm - heightMm);
    const rest = upMm + gain * heightMm + (1 + TURNED_TIMES) * gain * below;
    const weight = 1 / sdMm ** 2;
    precision += weight;
    weighted += weight * rest;
    squares += weight * rest ** 2;
    logs += Math.log(weight) / 2;
  }
  return logs - Math.log(precision) / 2 - (squares - weighted ** 2 / precision) / 2;
}

function logMarks(heights: readonly HeightShot[], thresholdMm: number): number {
  return heights.reduce((sum, { heightMm, ends, markedEnds }) => {
    const chance = heightMm < thresholdMm ? MARKS.bouncing : MARKS.otherwise;
    return sum + markedEnds * Math.log(chance) + (ends - markedEnds) * Math.log(1 - chance);
  }, 0);
}
