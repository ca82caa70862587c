import type { ActingParts } from '../craft/arrow-swap.ts';
import { amountsOfSwap, type MovedBy } from '../bare-shaft/bare-shaft-blocks.ts';
import { landingMm } from '../bare-shaft/bare-shaft-outlook.ts';
import { BUILD_STEP_SD_MM, bareShaftModels } from '../bare-shaft/bare-shaft-model.ts';
import { defaultTolerance } from '../groups/default-tolerance.ts';
import type { BowState } from '../log/bow-state.ts';
import { combinationsOf } from '../numeric/normal-update.ts';
import {
  type StudentMixture,
  studentMixtureCdf,
  studentMixtureHalfWidth,
  studentMixtureMean,
} from '../numeric/student-mixture.ts';
import { REFERENCE_DISTANCE_M, SPINE_STEP_TO_OUTWARD } from '../priors/prior-gains.ts';
import {
  SPINE_STEP,
  SPINE_STEPS,
  STARTING_SPINE_FOR,
  STARTING_SPINE_SD_STEPS,
} from '../priors/starting-spine.ts';
import { G_PER_GR, MM_PER_IN } from '../quantity/units.ts';
import { tableSpine } from '../limits/spine-limit.ts';

/** What an arrow is compared by: mass in front g, mm shorter, spine steps stiffer. */
const BY = ['pointMass', 'shaftCut', 'spineSteps'] as const satisfies readonly MovedBy[];

/** Mean and covariance of where bare shafts land with the arrow at hand, and of the three gains, in that order. */
interface MatchFit {
  readonly weight: number;
  readonly degrees: number;
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

/**
 * Everything the match of any arrow on one bow is reckoned from, as plain data: it may go to a worker, and
 * a simulated shot may stand behind it one day.
 */
export interface MatchModel {
  /** The starting table and nothing else, or this bow's own bare shafts. */
  readonly source: 'table' | 'shots';
  /** The arrow the fits are about; everything else is a difference from it. */
  readonly from: ActingParts;
  readonly fits: readonly MatchFit[];
  /** Where bare shafts are to land, and how near to it is good enough, mm at 18 m. */
  readonly landingMm: number;
  readonly toleranceMm: number;
}

/** How one arrow suits a bow, mm at 18 m, outward (stiff) positive. */
export interface Match {
  /** From where they are to land. */
  readonly outwardMm: number;
  /** Nine times in ten within. */
  readonly plusMinusMm: number;
  /** Chance that it is stiff rather than weak. */
  readonly stiff: number;
  readonly inside: number;
}

/** A normal is Student's t with as many degrees. */
const NORMAL_DEGREES = 200;

/**
 * The match of arrows on a bow: by its own bare shafts where some were shot with an arrow whose parts are
 * known, else by the starting table.
 *
 * @returns null where neither is there: no shots, and no weight inside the table
 */
export function matchModel(state: BowState): MatchModel | null {
  const fitted = state.bow.arrow?.build?.parts;
  const model = bareShaftModels(state).bareShaftOutward;
  const aim = {
    landingMm: landingMm(state, 'bareShaftOutward'),
    toleranceMm: defaultTolerance(state, REFERENCE_DISTANCE_M).outwardMm,
  };
  if (fitted === undefined || model.blocks.length === 0) {
    const table = fromTable(state);
    return table === null ? null : { ...table, ...aim };
  }
  const rows = [model.rowNow, ...BY.map((by) => model.rowOf(new Map([[by, 1]])))];
  const fits = model.fits.map(
    ({ weight, degrees, known }): MatchFit => ({
      weight,
      degrees,
      ...combinationsOf(known, rows),
    }),
  );
  return { source: 'shots', from: fitted, fits, ...aim };
}

/** The table as the same kind of fit: one step is what it is uncertain by, in whatever it was made. */
function fromTable(state: BowState): Pick<MatchModel, 'source' | 'from' | 'fits'> | null {
  const spine = tableSpine(state);
  if (spine === null) return null;
  const { mean, sd } = SPINE_STEP_TO_OUTWARD;
  const steps = [
    SPINE_STEPS.per50GrMoreInFront / (50 * G_PER_GR),
    -SPINE_STEPS.perInchLonger / MM_PER_IN,
    1,
  ];
  return {
    source: 'table',
    from: {
      shaft: { lengthMm: STARTING_SPINE_FOR.lengthIn * MM_PER_IN, spine },
      point: { massG: STARTING_SPINE_FOR.frontGr * G_PER_GR, centreInFrontMm: 0 },
      insert: null,
      collar: null,
    },
    fits: [
      {
        weight: 1,
        degrees: NORMAL_DEGREES,
        mean: [0, ...steps.map((one) => mean * one)],
        covariance: [
          [(mean * STARTING_SPINE_SD_STEPS) ** 2, 0, 0, 0],
          ...steps.map((one) => [0, ...steps.map((other) => sd ** 2 * one * other)]),
        ],
      },
    ],
  };
}

/** Where bare shafts of an arrow land from where they are to. */
export function matchMixture(model: MatchModel, build: ActingParts): StudentMixture {
  const amounts = amountsOfSwap(model.from, build);
  const row = [1, ...BY.map((by) => amounts.get(by) ?? 0)];
  const isOther =
    model.source === 'shots' && row.slice(1).some((amount) => Math.abs(amount) > 1e-9);
  // What the parts do not say of another arrow; the table's own width holds it already.
  const restMm = isOther ? BUILD_STEP_SD_MM : 0;
  return model.fits.map(({ weight, degrees, mean, covariance }) => ({
    weight,
    degrees,
    mean: dot(row, mean) - model.landingMm,
    scale: Math.hypot(
      Math.sqrt(
        dot(
          row,
          covariance.map((one) => dot(one, row)),
        ),
      ),
      restMm,
    ),
  }));
}

export function matchOf(model: MatchModel, build: ActingParts): Match {
  const mixture = matchMixture(model, build);
  const { toleranceMm } = model;
  return {
    outwardMm: studentMixtureMean(mixture),
    plusMinusMm: studentMixtureHalfWidth(mixture),
    stiff: 1 - studentMixtureCdf(mixture, 0),
    inside: studentMixtureCdf(mixture, toleranceMm) - studentMixtureCdf(mixture, -toleranceMm),
  };
}

/** Spine, length and point at which this arrow, else as it is, would be expected to land right. */
export interface WhatWouldDo {
  readonly spine: number;
  readonly lengthMm: number;
  readonly pointG: number;
}

/** What must change in an arrow for its bare shafts to land right: by its spine, or its length, or its point alone. */
export function whatWouldDo(model: MatchModel, build: ActingParts): WhatWouldDo {
  const offMm = studentMixtureMean(matchMixture(model, build));
  const [, perG = 0, perMm = 0, perStep = 0] = [0, 1, 2, 3].map((at) =>
    model.fits.reduce((sum, { weight, mean }) => sum + weight * (mean[at] ?? 0), 0),
  );
  return {
    spine: build.shaft.spine * Math.exp((SPINE_STEP * offMm) / perStep),
    lengthMm: build.shaft.lengthMm + offMm / perMm,
    pointG: build.point.massG - offMm / perG,
  };
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let at = 0; at < one.length; at += 1) sum += (one[at] ?? 0) * (other[at] ?? 0);
  return sum;
}
