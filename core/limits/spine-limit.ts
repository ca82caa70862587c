import { type ActingParts, frontMassG } from '../craft/arrow-swap.ts';
import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import type { BowState } from '../log/bow-state.ts';
import type { BowFacts } from '../log/entry.ts';
import {
  SPINE_STEP,
  SPINE_STEPS,
  STARTING_SPINE_FOR,
  startingSpine,
  TOO_SOFT_STEPS,
  WINDOW_STEPS,
} from '../priors/starting-spine.ts';
import type { LimitPassed } from './limit-refusal.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';

/** Where an arrow of this length and front would begin on a bow, and how it stands to that. */
export interface SpineStanding {
  readonly startingSpine: number;
  /** Steps stiffer than where it would begin; softer negative. */
  readonly stepsStiff: number;
  /** By so much softer that it can break. */
  readonly isTooSoft: boolean;
}

/**
 * An arrow's spine against the starting table, made softer and stiffer by the rules of thumb.
 *
 * @returns null with the weight on the fingers unknown or outside the table
 */
export function spineStanding(state: BowState, build: ActingParts): SpineStanding | null {
  const plain = tableSpine(state);
  if (plain === null) return null;
  const spine = plain * Math.exp(SPINE_STEP * stepsSofter(build));
  const stepsStiff = Math.log(spine / build.shaft.spine) / SPINE_STEP;
  return { startingSpine: spine, stepsStiff, isTooSoft: stepsStiff < -TOO_SOFT_STEPS };
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
function stepsSofter(build: ActingParts): number {
  const inchesLonger = build.shaft.lengthMm / MM_PER_IN - STARTING_SPINE_FOR.lengthIn;
  const grainsMore = frontMassG(build) / G_PER_GR - STARTING_SPINE_FOR.frontGr;
  return (
    SPINE_STEPS.perInchLonger * inchesLonger + (SPINE_STEPS.per50GrMoreInFront * grainsMore) / 50
  );
}

/** A shaft so soft that it can break is offered at no door; who has the maker's own chart says so. */
export function spineLimit(state: BowState, build: ActingParts): LimitPassed | null {
  const standing = spineStanding(state, build);
  if (standing === null || !standing.isTooSoft) return null;
  return {
    code: 'shaftTooSoft',
    spine: build.shaft.spine,
    startingSpine: standing.startingSpine,
    stepsSoft: -standing.stepsStiff,
  };
}
