import type { ArrowBuild } from '../craft/arrow-build.ts';
import { CUT_STEP_MM, MOST_CUT_MM } from '../craft/cutting.ts';
import { leastShaftMm } from '../limits/safe-length.ts';
import type { BowState } from '../log/bow-state.ts';
import { arrowFigures } from './arrow-figures.ts';
import type { ShaftThereIs } from './arrow-steps.ts';
import { mayBeMade, mayBeShot } from './build-cautions.ts';
import { type Match, type MatchModel, matchOf } from './match-model.ts';

/** What an arrow is wanted for: to land right, to weigh so much, or to balance so far in front. */
export type ArrowGoal =
  | { readonly kind: 'straight' }
  | { readonly kind: 'mass'; readonly massG: number }
  | { readonly kind: 'foc'; readonly percent: number };

/** An arrow that the shafts and points there are can become. */
export interface ReachableBuild {
  readonly buildId: string;
  readonly parts: ArrowBuild;
  /** What is sawn off the shaft as it lies there. */
  readonly cutMm: number;
  readonly match: Match;
  readonly massG: number;
  readonly focPercent: number;
}

/** Weights of what is wanted: a hundredth of the mass off costs as much as so much of the chance to land right. */
const MASS_COST = 12;
const FOC_COST_PER_PERCENT = 0.12;
/** What is sawn does not come back: so much of a chance a millimetre. */
const CUT_COST_PER_MM = 0.004;
const OTHER_SHAFT_COST = 0.02;

/**
 * What the shafts and points there are could be made into for a goal, best first, one for each shaft and point:
 * nothing that is too short, too light or too soft for this bow.
 *
 * @param arrows `fitted` is the one on the bow; it need not be among `shafts`
 */
export function reachableBuilds(
  state: BowState,
  model: MatchModel,
  {
    fitted,
    shafts,
    pointsG,
    goal,
  }: {
    readonly fitted: ShaftThereIs;
    readonly shafts: readonly ShaftThereIs[];
    readonly pointsG: readonly number[];
    readonly goal: ArrowGoal;
  },
): readonly ReachableBuild[] {
  const others = shafts.filter(
    ({ buildId, parts }) => buildId !== fitted.buildId && mayBeShot(state, parts),
  );
  const all = [fitted, ...others];
  const least = leastShaftMm(state);
  const cost = (one: ReachableBuild) =>
    missOf(goal, one) +
    CUT_COST_PER_MM * one.cutMm +
    (one.buildId === fitted.buildId ? 0 : OTHER_SHAFT_COST);
  const best = all.flatMap(({ buildId, parts }) => {
    // With the draw unknown nothing is cut.
    const roomMm = least === null ? 0 : Math.floor(parts.shaft.lengthMm - least.leastMm);
    const cuts = Array.from(
      { length: 1 + Math.max(0, Math.floor(roomMm / CUT_STEP_MM)) },
      (_, step) => step * CUT_STEP_MM,
    );
    return distinct([parts.point.massG, ...pointsG]).flatMap((massG) => {
      const ways = cuts.flatMap((cutMm) => {
        const made = remade(parts, cutMm, massG);
        if (!mayBeMade(state, made)) return [];
        const { massG: wholeG, focPercent } = arrowFigures(made);
        const match = matchOf(model, made);
        return [{ buildId, parts: made, cutMm, match, massG: wholeG, focPercent }];
      });
      const [first] = ways.toSorted((one, other) => cost(one) - cost(other));
      return first === undefined ? [] : [first];
    });
  });
  return best.toSorted((one, other) => cost(one) - cost(other));
}

/** One scale says 100 gr and another 6.48 g: that is one point. */
const SAME_POINT_G = 0.02;

function distinct(massesG: readonly number[]): readonly number[] {
  return massesG.filter(
    (one, at) => !massesG.slice(0, at).some((other) => Math.abs(one - other) < SAME_POINT_G),
  );
}

function remade(parts: ArrowBuild, cutMm: number, pointG: number): ArrowBuild {
  const { shaft, point } = parts;
  return {
    ...parts,
    shaft: { ...shaft, lengthMm: shaft.lengthMm - cutMm },
    point: { ...point, massG: pointG },
  };
}

/** How far it is from what is wanted; landing right counts whatever else is. */
function missOf(goal: ArrowGoal, { match, massG, focPercent }: ReachableBuild): number {
  const astray = 1 - match.inside + Math.abs(match.outwardMm) / 1000;
  switch (goal.kind) {
    case 'straight':
      return astray;
    case 'mass':
      return astray + MASS_COST * Math.abs(massG / goal.massG - 1);
    case 'foc':
      return astray + FOC_COST_PER_PERCENT * Math.abs(focPercent - goal.percent);
  }
}

/** One thing to do on the way from the arrow on the bow to another. */
export type WayStep =
  | { readonly kind: 'otherShaft'; readonly buildId: string }
  | { readonly kind: 'point'; readonly pointG: number }
  /** At most six millimetres, an end shot after each. */
  | { readonly kind: 'cut'; readonly cutMm: number; readonly ofMm: number };

/** The way to a reachable build: what can be taken back first, the saw last and in steps. */
export function wayTo(fitted: ShaftThereIs, wanted: ReachableBuild): readonly WayStep[] {
  const isOther = wanted.buildId !== fitted.buildId;
  const steps: WayStep[] = isOther ? [{ kind: 'otherShaft', buildId: wanted.buildId }] : [];
  if (isOther || Math.abs(wanted.parts.point.massG - fitted.parts.point.massG) > 0.01)
    steps.push({ kind: 'point', pointG: wanted.parts.point.massG });
  for (let leftMm = wanted.cutMm; leftMm > 0; leftMm -= MOST_CUT_MM)
    steps.push({ kind: 'cut', cutMm: Math.min(MOST_CUT_MM, leftMm), ofMm: wanted.cutMm });
  return steps;
}
