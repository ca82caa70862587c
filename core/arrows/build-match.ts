import type { ArrowBuild } from '../craft/arrow-build.ts';
import { spineStanding } from '../limits/spine-limit.ts';
import type { BowState } from '../log/bow-state.ts';
import { SPINE_STEP_TO_OUTWARD } from '../priors/prior-gains.ts';
import { STARTING_SPINE_SD_STEPS } from '../priors/starting-spine.ts';

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
  const standing = spineStanding(state, build);
  if (standing === null) return null;
  const { startingSpine, stepsStiff } = standing;
  const { mean, sd } = SPINE_STEP_TO_OUTWARD;
  return {
    startingSpine,
    stepsStiff,
    outwardMm: mean * stepsStiff,
    sdMm: Math.hypot(sd * stepsStiff, mean * STARTING_SPINE_SD_STEPS),
  };
}
