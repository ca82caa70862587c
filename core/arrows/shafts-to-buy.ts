import type { ArrowBuild } from '../craft/arrow-build.ts';
import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import { leastArrow } from '../limits/arrow-limits.ts';
import { leastShaftMm } from '../limits/safe-length.ts';
import { spineStanding } from '../limits/spine-limit.ts';
import type { BowState } from '../log/bow-state.ts';
import { studentMixtureCdf } from '../numeric/student-mixture.ts';
import {
  SHELF_LENGTH_MM,
  SHELF_POINTS_GR,
  SHELF_SPINES,
  usualMassPerLength,
} from '../priors/shelf-shafts.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { arrowFigures, grainsPerPound } from './arrow-figures.ts';
import { firstBuild } from './first-build.ts';
import { type MatchModel, matchMixture, matchModel } from './match-model.ts';

/** One spine there is, for this bow and archer. */
export interface ShaftOffer {
  readonly spine: number;
  /** Stiffer than where the table begins, for the arrow as bought; softer negative. */
  readonly stepsStiff: number;
  /** Chance that it can be tuned by length and point, inside safe length and mass limits. */
  readonly chance: number;
  /** Whole, with a point in the middle of those there are. */
  readonly massG: number;
  readonly grainsPerPound: number;
}

export type ShaftsToBuy =
  /** Nothing is recommended before these are known. */
  | { readonly kind: 'unknown'; readonly missing: readonly ('weight' | 'draw')[] }
  /** The table ends before this bow: a maker's own chart, or a technician. */
  | { readonly kind: 'outsideTable'; readonly pounds: number }
  | {
      readonly kind: 'offers';
      readonly source: MatchModel['source'];
      /** Stiffest first; those that could break are not among them. */
      readonly offers: readonly ShaftOffer[];
      /** Softer than the table by so much that they can break. */
      readonly refused: readonly number[];
      readonly recommended: number | null;
      /** Stiffer, expected, weaker: to be shot bare before a dozen is bought. */
      readonly testSet: readonly number[];
      /** Off the shelf it matters how far the window is cut, and nobody has said. */
      readonly windowUnknown: boolean;
    };

/** What there is to be had: length as bought, points. */
export interface PartsThereAre {
  readonly lengthMm: number;
  readonly pointsG: readonly number[];
}
export const USUAL_PARTS: PartsThereAre = {
  lengthMm: SHELF_LENGTH_MM,
  pointsG: SHELF_POINTS_GR.map((grains) => grains * G_PER_GR),
};

/** As good a chance as the best, for which the stiffer shaft is taken and left long. */
const AS_GOOD = 0.05;

/**
 * Which shafts could be tuned to a bow, before one is bought: each spine there is with its chance, the stiffest of
 * the best recommended, since it is left long and a soft one only ever gets stiffer by the saw.
 */
export function shaftsToBuy(state: BowState, parts: PartsThereAre = USUAL_PARTS): ShaftsToBuy {
  const weightN = presentWeightN(state);
  const least = leastShaftMm(state);
  if (weightN === null || least === null)
    return {
      kind: 'unknown',
      missing: [
        ...(weightN === null ? (['weight'] as const) : []),
        ...(least === null ? (['draw'] as const) : []),
      ],
    };
  const model = matchModel(state);
  const asBought = (spine: number) => boughtBuild(state, spine, parts);
  if (model === null || spineStanding(state, asBought(SHELF_SPINES[0])) === null)
    return { kind: 'outsideTable', pounds: weightN / N_PER_LBF };
  const all = SHELF_SPINES.map((spine) => {
    const build = asBought(spine);
    const { massG } = arrowFigures(build);
    const standing = spineStanding(state, build);
    return {
      spine,
      stepsStiff: standing?.stepsStiff ?? 0,
      isTooSoft: standing?.isTooSoft ?? false,
      chance: chanceToTune(state, model, build, { ...parts, leastMm: least.leastMm }),
      massG,
      grainsPerPound: grainsPerPound(massG, weightN),
    };
  });
  const offers = all
    .filter(({ isTooSoft }) => !isTooSoft)
    .map(({ isTooSoft: _, ...offer }) => offer)
    .toReversed();
  const best = Math.max(...offers.map(({ chance }) => chance));
  const recommended =
    offers.find(({ chance }) => chance >= best - AS_GOOD && best > 0)?.spine ?? null;
  return {
    kind: 'offers',
    source: model.source,
    offers,
    refused: all.filter(({ isTooSoft }) => isTooSoft).map(({ spine }) => spine),
    recommended,
    testSet: threeAbout(
      offers.map(({ spine }) => spine),
      recommended,
    ),
    windowUnknown:
      shootsOffTheShelf(state.bow.school) && state.bow.windowPastCentreMm === undefined,
  };
}

/** A shaft as it is bought, whole, with a point in the middle of those there are and ordinary parts. */
export function boughtBuild(
  state: BowState,
  spine: number,
  { lengthMm, pointsG }: PartsThereAre = USUAL_PARTS,
): ArrowBuild {
  const usual = firstBuild(state);
  return {
    ...usual,
    shaft: {
      ...usual.shaft,
      spine,
      massPerLengthGPerM: usualMassPerLength(spine),
      fullLengthMm: lengthMm,
      lengthMm,
    },
    point: { ...usual.point, massG: pointsG[Math.floor(pointsG.length / 2)] ?? usual.point.massG },
  };
}

/**
 * Between its weakest (whole, the heaviest point) and its stiffest (cut to the safe length, the lightest point that
 * keeps it heavy enough) it lands right somewhere: the chance of that.
 */
function chanceToTune(
  state: BowState,
  model: MatchModel,
  build: ArrowBuild,
  { lengthMm, pointsG, leastMm }: PartsThereAre & { readonly leastMm: number },
): number {
  if (lengthMm < leastMm) return 0;
  const made = (length: number, massG: number): ArrowBuild => ({
    ...build,
    shaft: { ...build.shaft, lengthMm: length },
    point: { ...build.point, massG },
  });
  const leastG = leastArrow(state)?.proposedG ?? 0;
  const allowed = pointsG.filter((massG) => arrowFigures(made(leastMm, massG)).massG >= leastG);
  if (allowed.length === 0) return 0;
  const stiffest = matchMixture(model, made(leastMm, Math.min(...allowed)));
  const weakest = matchMixture(model, made(lengthMm, Math.max(...allowed)));
  const { toleranceMm } = model;
  const canBeStiffEnough = 1 - studentMixtureCdf(stiffest, -toleranceMm);
  const staysTooStiff = 1 - studentMixtureCdf(weakest, toleranceMm);
  return Math.max(0, canBeStiffEnough - staysTooStiff);
}

/** The one expected with its neighbours, stiffer first. */
function threeAbout(spines: readonly number[], expected: number | null): readonly number[] {
  const at = expected === null ? -1 : spines.indexOf(expected);
  return at < 0 ? [] : spines.slice(Math.max(0, at - 1), at + 2);
}
