import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import type { BowState } from '../log/bow-state.ts';
import { SPINE_STEP_TO_OUTWARD } from '../priors/prior-gains.ts';
import {
  SPINE_STEP,
  SPINE_STEPS,
  STARTING_SPINE_FOR,
  STARTING_SPINE_SD_STEPS,
  startingSpine,
} from '../priors/starting-spine.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import type { ArrowBuild } from './arrow-build.ts';

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
  const weightN = presentWeightN(state);
  const byPounds = weightN === null ? null : startingSpine(weightN / N_PER_LBF);
  if (byPounds === null) return null;
  const spine = byPounds * Math.exp(SPINE_STEP * stepsSofter(state, build));
  const stepsStiff = Math.log(spine / build.shaft.spine) / SPINE_STEP;
  const { mean, sd } = SPINE_STEP_TO_OUTWARD;
  return {
    startingSpine: spine,
    stepsStiff,
    outwardMm: mean * stepsStiff,
    sdMm: Math.hypot(sd * stepsStiff, mean * STARTING_SPINE_SD_STEPS),
  };
}

/** Steps by which the shaft should be softer than the table's, for what the table is not stated for. */
function stepsSofter({ bow, strings }: BowState, build: ArrowBuild): number {
  const inchesLonger = build.shaft.lengthMm / MM_PER_IN - STARTING_SPINE_FOR.lengthIn;
  const frontG = build.point.massG + (build.insert?.massG ?? 0) + (build.collar?.massG ?? 0);
  const grainsMore = frontG / G_PER_GR - STARTING_SPINE_FOR.frontGr;
  return (
    (strings.fitted.material === 'polyester' ? SPINE_STEPS.polyesterString : 0) +
    (shootsOffTheShelf(bow.school) ? SPINE_STEPS.offTheShelf : 0) +
    SPINE_STEPS.perInchLonger * inchesLonger +
    (SPINE_STEPS.per50GrMoreInFront * grainsMore) / 50
  );
}
