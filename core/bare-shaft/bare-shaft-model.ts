import { gainPriorsFor } from '../priors/gain-priors.ts';
import type { Control } from '../craft/controls.ts';
import { followLevel, type WalkObservation } from '../numeric/level-walk.ts';
import type { NormalPrior } from '../numeric/normal-equations.ts';
import { combinationOf, type JointNormal } from '../numeric/normal-update.ts';
import type { StudentMixture } from '../numeric/student-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { sittingsBefore } from '../log/sitting.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { type BareShaftBlock, bareShaftBlocks, type MovedBy } from './bare-shaft-blocks.ts';
import type { BounceOdds } from './bounce.ts';
import { bounceEvidence } from './bounce-evidence.ts';
import {
  normaliseLogOdds,
  PLOT_READING_SD_MM,
  SCATTER_FACTOR_ODDS,
  SCATTER_FACTORS,
  type ScatterPrior,
} from '../groups/offset-posterior.ts';
import { AIM_WANDERS, fitEnds } from '../groups/ends-posterior.ts';
import { aimWanderOdds, scatterPrior } from '../groups/scatter-history.ts';
import { priorWeightN } from '../gains/prior-weight.ts';
import {
  BARE_SHAFT_AXES,
  type BareShaftAxis,
  REFERENCE_DISTANCE_M,
} from '../priors/prior-gains.ts';

/** How far off bare shafts of a bow nobody has shot may be, mm at 18 m. */
const START_OF_LEVELS: NormalPrior = { mean: 0, sd: 100 };
/**
 * A change without a known effect on an axis moves its bare shafts by about this, mm at 18 m: the
 * shots before it inform less, not nothing. Of two arrows whose parts are known only what the parts do not say
 * is left. From one session to the next a bow and its archer drift.
 */
const LEVEL_STEP_SD_MM = { control: 12, item: 50, build: 15, session: 25 } as const;
/** Two arrows whose parts say the same may differ by so much all the same, mm at 18 m. */
export const BUILD_STEP_SD_MM = LEVEL_STEP_SD_MM.build;

/** Controls whose effect on an axis is reckoned; anything else that upsets it starts a new level. */
const CONTROLS: Readonly<Record<BareShaftAxis, readonly Control[]>> = {
  bareShaftUp: ['nockingPoint', 'restHeight'],
  bareShaftOutward: [
    'plungerPreload',
    'twists',
    'topBolt',
    'bottomBolt',
    'pointMass',
    'shaftCut',
    'plungerReach',
  ],
};

/** Given one scatter factor: the regression, and the degrees its scatter is known with. */
interface FactorFit {
  readonly weight: number;
  readonly degrees: number;
  /** Of the columns of a row: what moves bare shafts, and last the present level. */
  readonly known: JointNormal;
}

/** How bare shafts of one axis stand and answer, by everything this bow's log has shown. */
export interface BareShaftModel {
  readonly fits: readonly FactorFit[];
  readonly controls: readonly Control[];
  readonly blocks: readonly BareShaftBlock[];
  /** Does the tail bounce? Vertical axis only; null across. */
  readonly bounce: BounceOdds | null;
  readonly rowNow: readonly number[];
  readonly rowOf: (amounts: ReadonlyMap<MovedBy, number>) => readonly number[];
}

/** The models of both axes, fitted once per state; they share the factor bare shafts scatter by. */
export const bareShaftModels = onceFor(fitBareShaftModels);

/**
 * Bayesian linear regression of the offset of bare from fletched on the controls, block by block:
 * y = level + Σ gain · moved, with the gains' rules of thumb as priors; the level walks on with every
 * change whose effect no gain tells. The scatter of each session
 * is learned from its own groups and the archer's earlier ones; the factor k is on its grid, one for
 * both axes.
 */
function fitBareShaftModels(state: BowState): Readonly<Record<BareShaftAxis, BareShaftModel>> {
  const cut = {
    bareShaftOutward: bareShaftBlocks(state, 'bareShaftOutward', CONTROLS.bareShaftOutward),
    bareShaftUp: bareShaftBlocks(state, 'bareShaftUp', CONTROLS.bareShaftUp),
  };
  const bounce = bounceEvidence(state, cut.bareShaftUp.blocks, cut.bareShaftUp.now.level);
  const scatter = {
    bareShaftOutward: sessionScatter(state, 'bareShaftOutward', cut.bareShaftOutward.blocks),
    bareShaftUp: sessionScatter(state, 'bareShaftUp', cut.bareShaftUp.blocks),
  };
  const weights = normaliseLogOdds(
    SCATTER_FACTORS.map(
      (_, k) =>
        Math.log(SCATTER_FACTOR_ODDS[k]!) +
        BARE_SHAFT_AXES.reduce((sum, axis) => sum + (scatter[axis].logOdds[k] ?? 0), 0),
    ),
  );
  const model = (axis: BareShaftAxis): BareShaftModel => {
    const controls = CONTROLS[axis];
    const { blocks, now } = cut[axis];
    // Where the tail bounces, bare shafts answer backwards: such blocks say nothing of the gain.
    const straight = blocks.filter((block) => (bounce.of.get(block) ?? 0) < 0.5);
    const weightN = priorWeightN(state);
    const { ofBareShafts, ofSpineStep } = gainPriorsFor(state.bow);
    const ofArrow = axis === 'bareShaftOutward' ? (['spineSteps'] as const) : [];
    const columns: readonly MovedBy[] = [...controls, ...ofArrow];
    const priors: readonly NormalPrior[] = [
      ...controls.map((control) => ofBareShafts(axis, control, weightN)),
      ...ofArrow.map(() => ofSpineStep),
    ];
    const row = (moved: ReadonlyMap<MovedBy, number>) => columns.map((by) => moved.get(by) ?? 0);
    const walked = walkedTo(cut[axis]);
    const fits = weights.map((weight, k): FactorFit => {
      const factor = SCATTER_FACTORS[k]!;
      const seen = straight.flatMap(
        ({ session, moved, level, ends }): readonly WalkObservation[] => {
          const fit = fitEnds(ends, factor, scatter[axis].wander(session));
          if (fit === null) return [];
          const variance = scatter[axis].variance(session, k) * fit.varianceFactor;
          return [{ row: row(moved), y: fit.offsetMm, variance, walked: walked(level) }];
        },
      );
      return {
        weight,
        degrees: scatter[axis].degrees(blocks.at(-1)?.session ?? null),
        known: followLevel(seen, priors, START_OF_LEVELS, walked(now.level)),
      };
    });
    return {
      fits,
      controls,
      blocks,
      bounce: axis === 'bareShaftUp' ? bounce.odds : null,
      rowNow: [...row(now.moved), 1],
      rowOf: (amounts) => [...row(amounts), 0],
    };
  };
  return { bareShaftOutward: model('bareShaftOutward'), bareShaftUp: model('bareShaftUp') };
}

/** How far from the first level another may lie, mm² at 18 m: the variances of the steps up to it. */
function walkedTo({
  levelSteps,
}: Pick<ReturnType<typeof bareShaftBlocks>, 'levelSteps'>): (level: number) => number {
  let variance = 0;
  const upTo = [0, ...levelSteps.map((kind) => (variance += LEVEL_STEP_SD_MM[kind] ** 2))];
  return (level) => upTo[level]!;
}

/** What each session says of the archer's scatter, for every factor of the grid. */
function sessionScatter(
  state: BowState,
  axis: BareShaftAxis,
  blocks: readonly BareShaftBlock[],
): {
  readonly logOdds: readonly number[];
  readonly variance: (session: ShootingSession, k: number) => number;
  readonly degrees: (session: ShootingSession | null) => number;
  /** How far the aim wanders from end to end, in scatters. */
  readonly wander: (session: ShootingSession) => number;
} {
  const by = new Map<
    string,
    {
      prior: ScatterPrior;
      wander: number;
      fletched: number;
      bare: number;
      degrees: number;
      bareFree: number;
    }
  >();
  for (const { session, ends } of blocks) {
    const found = by.get(session.sessionId) ?? {
      ...archerBefore(state, session, axis),
      fletched: 0,
      bare: 0,
      degrees: 0,
      bareFree: 0,
    };
    // Inside the ends only: what lies between them is the aim's.
    for (const { fletched, bare } of ends) {
      found.fletched += fletched.squares;
      found.bare += bare.squares;
      found.degrees += Math.max(0, fletched.count - 1) + Math.max(0, bare.count - 1);
      found.bareFree += Math.max(0, bare.count - 1);
    }
    by.set(session.sessionId, found);
  }
  const squares = (session: string, k: number) => {
    const found = by.get(session)!;
    const degrees = found.prior.degrees + found.degrees;
    return Math.max(
      degrees * PLOT_READING_SD_MM ** 2,
      found.prior.degrees * found.prior.sdMm ** 2 +
        found.fletched +
        found.bare / SCATTER_FACTORS[k]! ** 2,
    );
  };
  const degreesOf = (session: string) =>
    (by.get(session)?.prior.degrees ?? 0) + (by.get(session)?.degrees ?? 0);
  return {
    logOdds: SCATTER_FACTORS.map((factor, k) =>
      [...by].reduce(
        (sum, [id, { bareFree }]) =>
          degreesOf(id) === 0
            ? sum
            : sum - bareFree * Math.log(factor) - (degreesOf(id) / 2) * Math.log(squares(id, k)),
        0,
      ),
    ),
    variance: (session, k) => {
      const degrees = degreesOf(session.sessionId);
      return degrees === 0 ? 1e6 : squares(session.sessionId, k) / degrees;
    },
    wander: (session) => by.get(session.sessionId)?.wander ?? 0,
    degrees: (session) => Math.max(1, session === null ? 1e6 : degreesOf(session.sessionId)),
  };
}

/** What the sessions before one say of the archer: his scatter, and how far his aim wanders. */
function archerBefore(state: BowState, session: ShootingSession, axis: BareShaftAxis) {
  const earlier = sittingsBefore(state, session);
  const of = axis === 'bareShaftUp' ? 'upMm' : 'outwardMm';
  const odds = aimWanderOdds(earlier, of);
  return {
    prior: scatterPrior(earlier, REFERENCE_DISTANCE_M, of, session.openedAt),
    wander: Math.sqrt(
      AIM_WANDERS.reduce<number>((sum, one, index) => sum + odds[index]! * one ** 2, 0),
    ),
  };
}

/** A linear combination of level and gains, as a mixture over the scatter factor. */
export function bareShaftFigure(model: BareShaftModel, row: readonly number[]): StudentMixture {
  return model.fits.map(({ weight, degrees, known }) => {
    const { mean, variance } = combinationOf(known, row);
    return { weight, degrees, mean, scale: Math.sqrt(variance) };
  });
}
