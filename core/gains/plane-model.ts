import type { Control } from '../craft/controls.ts';
import {
  fitGridLinear,
  type GridLinearPosterior,
  type LinearObservation,
  type NormalPrior,
} from '../numeric/grid-linear.ts';
import { type BenchSetting, settingMoved } from '../log/bench-setting.ts';
import type { BowState } from '../log/bow-state.ts';
import { turnsOfTheseLimbs } from './limbs-turns.ts';
import { priorWeightN } from './prior-weight.ts';
import {
  BOLT_TO_BRACE,
  BOLT_TO_OTHER_TILLER,
  BOLT_TO_OWN_TILLER,
  BOLT_TO_WEIGHT_SHARE,
  CREEP,
  CREEP_SHOTS,
  type Gain,
  REFERENCE_TWISTS,
  TWIST_PRIOR,
  TWIST_TO_WEIGHT,
} from '../priors/prior-gains.ts';
import { meanVariance, type Repeatability } from './repeatability.ts';
import { PLANE_RESPONSES, type PlaneResponse } from './responses.ts';

/** A linear combination of the model's parameters. */
export interface ModelRow {
  readonly row: readonly number[];
  readonly special: number;
}

/** What the log says of how brace, tillers and weight answer twists and bolts. */
export interface PlaneModel {
  readonly posterior: GridLinearPosterior;
  readonly now: BenchSetting;
  /** The reading a setting of the string that is on would give, as a row; its level is known once it has been read. */
  readonly rowAt: (response: PlaneResponse, setting: BenchSetting) => ModelRow;
  /** Whether a response has been read since the string was fitted. */
  readonly isRead: (response: PlaneResponse) => boolean;
}

// Columns of the shared gains; then a string's own creep and four levels.
const SHARED = 9;
const OF_STRING = 5;
const LEVEL_PRIOR_SD_MM = 60;
const LEVEL_PRIOR_SD_N = 120;

/**
 * Fits brace, both tillers and weight together, from every reading of the log:
 *   brace = level + g·(n² − n₀²)/60 + b₁·top + b₂·bottom − A·(1 − exp(−shots/40))
 *   tiller = level + what the brace does + own bolt's effect + the other bolt's
 *   weight = level + w₀·twists + w₁·top + w₂·bottom
 * with turns counted in. g is what a twist gives at 30 twists (log-normal, positive); with no twist
 * count the twists act linearly. Levels begin anew with each string and each pair of
 * limbs; gains are those of the limbs on the bow, learned from no others.
 */
export function fitPlaneModel(state: BowState, repeatability: Repeatability): PlaneModel {
  const turns = turnsOf(state);
  const current = turns.length - 1;
  const byTurn = turns.map((): LinearObservation[] => []);
  for (const { response, setting, precision, weighted } of poolBySetting(state, repeatability)) {
    const { row, special } = rowOf(response, setting, turns);
    const y = weighted / precision;
    byTurn[setting.stringTurn]!.push({ row, special, y, variance: 1 / precision });
  }
  const ofTurn = (turn: number) => priorsOfTurn(state, turn, turns[turn]!);
  // Strings that were on before say what all have in common; what was their own is asked by nobody.
  const before = byTurn
    .slice(0, current)
    .map((observations, turn) => ({ observations, priors: ofTurn(turn) }));
  const { now } = turns[current]!;
  return {
    posterior: fitGridLinear(
      byTurn[current]!,
      [...sharedPriors(state), ...ofTurn(current)],
      TWIST_PRIOR,
      before,
    ),
    now,
    rowAt: (response, setting) => rowOf(response, setting, turns),
    isRead: (response) => state.readings.get(response)?.at(-1)?.under.stringTurn === now.stringTurn,
  };
}

interface Pool {
  readonly response: PlaneResponse;
  readonly setting: BenchSetting;
  precision: number;
  weighted: number;
}

/** Readings of one response under one setting say together what their weighted mean says. */
function poolBySetting(state: BowState, repeatability: Repeatability): readonly Pool[] {
  const ofTheseLimbs = turnsOfTheseLimbs(state);
  return PLANE_RESPONSES.flatMap((response) => {
    const pools = new Map<BenchSetting, Pool>();
    for (const measured of state.readings.get(response) ?? []) {
      if (!ofTheseLimbs.has(measured.under.stringTurn)) continue;
      const setting = measured.under;
      let pool = pools.get(setting);
      if (pool === undefined) {
        pool = { response, setting, precision: 0, weighted: 0 };
        pools.set(setting, pool);
      }
      const precision = 1 / meanVariance(measured, repeatability);
      pool.precision += precision;
      pool.weighted += precision * measured.mean;
    }
    return [...pools.values()];
  });
}

/** One string's time on the bow, as the model sees it. */
interface Turn {
  readonly now: BenchSetting;
  /** Twists in it when its turn began; null when never counted. */
  readonly baseTwists: number | null;
  readonly isNew: boolean;
}

/** From the twists each string has now, back to those it had when each of its turns began. */
function turnsOf({ strings, stringTurns }: BowState): readonly Turn[] {
  const twistsOf = new Map(strings.all.map(({ stringId, twists }) => [stringId, twists]));
  return stringTurns
    .toReversed()
    .map(({ stringId, last }): Turn => {
      const atEnd = twistsOf.get(stringId) ?? null;
      const baseTwists = atEnd === null ? null : atEnd - last.twists;
      twistsOf.set(stringId, baseTwists);
      const isNew = strings.all.find((one) => one.stringId === stringId)?.knownNew ?? false;
      return { now: last, baseTwists, isNew };
    })
    .toReversed();
}

function sharedPriors(state: BowState): readonly NormalPrior[] {
  const weightN = priorWeightN(state);
  const weightPerTurn: Gain = {
    mean: BOLT_TO_WEIGHT_SHARE.mean * weightN,
    sd: BOLT_TO_WEIGHT_SHARE.sd * weightN,
  };
  return [
    BOLT_TO_BRACE,
    BOLT_TO_BRACE,
    BOLT_TO_OWN_TILLER,
    BOLT_TO_OWN_TILLER,
    BOLT_TO_OTHER_TILLER,
    BOLT_TO_OTHER_TILLER,
    TWIST_TO_WEIGHT,
    weightPerTurn,
    weightPerTurn,
  ];
}

function priorsOfTurn(state: BowState, turn: number, { isNew }: Turn): readonly NormalPrior[] {
  return [
    isNew ? CREEP.newString : CREEP.oldString,
    ...PLANE_RESPONSES.map((response): NormalPrior => {
      const first = state.readings.get(response)?.find(({ under }) => under.stringTurn === turn);
      return response === 'drawWeight'
        ? { mean: first?.mean ?? priorWeightN(state), sd: LEVEL_PRIOR_SD_N }
        : { mean: first?.mean ?? 200, sd: LEVEL_PRIOR_SD_MM };
    }),
  ];
}

function rowOf(response: PlaneResponse, setting: BenchSetting, turns: readonly Turn[]): ModelRow {
  const row = new Array<number>(SHARED + OF_STRING).fill(0);
  row[SHARED + 1 + PLANE_RESPONSES.indexOf(response)] = 1;
  const { twists, topTurns, bottomTurns, shots } = setting;
  if (response === 'drawWeight') {
    row[6] = twists;
    row[7] = topTurns;
    row[8] = bottomTurns;
    return { row, special: 0 };
  }
  row[0] = topTurns;
  row[1] = bottomTurns;
  if (response === 'tillerTop') {
    row[2] = topTurns;
    row[5] = bottomTurns;
  }
  if (response === 'tillerBottom') {
    row[3] = bottomTurns;
    row[4] = topTurns;
  }
  row[SHARED] = -(1 - Math.exp(-shots / CREEP_SHOTS));
  return { row, special: twistCovariate(twists, turns[setting.stringTurn]?.baseTwists ?? null) };
}

/** ∫ of the twist's gain over the twists put in, in units of the gain at 30 twists. */
export function twistCovariate(added: number, baseTwists: number | null): number {
  if (baseTwists === null) return added;
  const after = baseTwists + added;
  return (after * after - baseTwists * baseTwists) / (2 * REFERENCE_TWISTS);
}

/** A setting with controls moved. */
export function settingAfter(
  setting: BenchSetting,
  amounts: ReadonlyMap<Control, number>,
): BenchSetting {
  let after = setting;
  for (const [control, amount] of amounts) after = settingMoved(after, control, amount);
  return after;
}
