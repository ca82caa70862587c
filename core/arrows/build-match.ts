import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import type { BowFacts } from '../log/entry.ts';
import { frontMassG } from '../craft/arrow-swap.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import type { BowState } from '../log/bow-state.ts';
import { SPINE_STEP_TO_OUTWARD } from '../priors/prior-gains.ts';
import {
  SPINE_STEP,
  SPINE_STEPS,
  STARTING_SPINE_FOR,
  STARTING_SPINE_SD_STEPS,
  startingSpine,
  WINDOW_STEPS,
} from '../priors/starting-spine.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';

/** A wide guess at how a build suits a bow, before anything was shot. */
export interface MatchGuess {
  /** The spine to begin with, for this length and point on this bow. */
  readonly startingSpine: number;
  /** How many steps stiffer than that the build is; softer is negative. */
  readonly stepsStiff: number;
  /** Where bare shafts would land from the fletched at 18 m, outward positive, and one standard deviation. */
  readonly outwardMm: number;
  readonly sdMm: number;
}

/**
 * How a build suits a bow by the starting table alone: the table's spine, made softer and stiffer by the
 * rules of thumb, against the build's own. Honestly wide: a step or two.
 *
 * @returns null with the weight on the fingers unknown or outside the table
 */
export function matchBeforeShooting(state: BowState, build: ArrowBuild): MatchGuess | null {
  const plain = tableSpine(state);
  if (plain === null) return null;
  const spine = plain * Math.exp(SPINE_STEP * stepsSofter(build));
  const stepsStiff = Math.log(spine / build.shaft.spine) / SPINE_STEP;
  const { mean, sd } = SPINE_STEP_TO_OUTWARD;
  return {
    startingSpine: spine,
    stepsStiff,
    outwardMm: mean * stepsStiff,
    sdMm: Math.hypot(sd * stepsStiff, mean * STARTING_SPINE_SD_STEPS),
  };
}

/**
 * The spine to begin with on this bow, for an arrow as long and as heavy in front as the table is stated for.
 *
 * @returns null with the weight on the fingers unknown or outside the table
 */
export function tableSpine(state: BowState): number | null {
  const weightN = presentWeightN(state);
  const byPounds = weightN === null ? null : startingSpine(weightN / N_PER_LBF);
  if (byPounds === null) return null;
  const softer =
    (state.strings.fitted.material === 'polyester' ? SPINE_STEPS.polyesterString : 0) +
    windowSteps(state.bow);
  return byPounds * Math.exp(SPINE_STEP * softer);
}

/** Steps softer for a window that leaves the shaft outside the middle; with a plunger the shaft stands anywhere. */
function windowSteps({ school, windowPastCentreMm }: BowFacts): number {
  if (!shootsOffTheShelf(school)) return 0;
  if (windowPastCentreMm === undefined) return SPINE_STEPS.offTheShelf;
  const { softestMm, mostSteps, mmPerStep } = WINDOW_STEPS;
  return Math.min(mostSteps, Math.max(0, (softestMm - windowPastCentreMm) / mmPerStep));
}

/** Steps by which the shaft should be softer for being shorter or lighter in front than the table's. */
function stepsSofter(build: ArrowBuild): number {
  const inchesLonger = build.shaft.lengthMm / MM_PER_IN - STARTING_SPINE_FOR.lengthIn;
  const grainsMore = frontMassG(build) / G_PER_GR - STARTING_SPINE_FOR.frontGr;
  return (
    SPINE_STEPS.perInchLonger * inchesLonger + (SPINE_STEPS.per50GrMoreInFront * grainsMore) / 50
  );
}
