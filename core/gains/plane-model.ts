import type { Control } from '../craft/controls.ts';
import {
  fitGridLinear,
  type GridLinearPosterior,
  type LinearObservation,
  type NormalPrior,
} from '../numeric/grid-linear.ts';
import type { BowState, Measured } from '../record/fold.ts';
import { presentWeightN } from './present-weight.ts';
import {
  BOLT_TO_BRACE,
  BOLT_TO_OWN_TILLER,
  BOLT_TO_WEIGHT_SHARE,
  CREEP,
  CREEP_SHOTS,
  type Gain,
  REFERENCE_TWISTS,
  TWIST_PRIOR,
  TWIST_TO_WEIGHT,
} from './prior-gains.ts';
import { meanVariance, type Repeatability } from './repeatability.ts';

/** The readings that twists and bolts move together. */
const PLANE_RESPONSES = ['braceHeight', 'tillerTop', 'tillerBottom', 'drawWeight'] as const;
export type PlaneResponse = (typeof PLANE_RESPONSES)[number];

export function isPlaneResponse(kind: string): kind is PlaneResponse {
  return (PLANE_RESPONSES as readonly string[]).includes(kind);
}

/** Where twists and bolts stand, and how far the string has been shot in. */
export interface PlaneSetting {
  /** Twists counted from where the record of this string begins, in. */
  readonly twists: number;
  readonly topTurns: number;
  readonly bottomTurns: number;
  readonly shots: number;
}

/** A linear combination of the model's parameters. */
export interface ModelRow {
  readonly row: readonly number[];
  readonly special: number;
}

/** What the log says of how brace, tillers and weight answer twists and bolts. */
export interface PlaneModel {
  readonly posterior: GridLinearPosterior;
  readonly now: PlaneSetting;
  /** The reading a setting would give, as a row; the level is known once it has been read. */
  readonly rowAt: (response: PlaneResponse, setting: PlaneSetting) => ModelRow;
  /** How many readings since the string was fitted say something of a response. */
  readonly readingsOf: (response: PlaneResponse) => number;
}

// Columns of the shared gains; each string then adds its own creep and four levels.
const SHARED = 7;
const OF_STRING = 5;
const LEVEL_PRIOR_SD_MM = 60;
const LEVEL_PRIOR_SD_N = 120;

/**
 * Fits brace, both tillers and weight together, from every reading of the log:
 *   brace = level + g·(n² − n₀²)/60 + b₁·top + b₂·bottom − A·(1 − exp(−shots/40))
 *   tiller = level + what the brace does + own bolt's effect
 *   weight = level + w₀·twists + w₁·top + w₂·bottom
 * with turns counted in. g is what a twist gives at 30 twists (log-normal, positive); with no twist
 * count the twists act linearly. Levels begin anew with each string; gains are the bow's.
 */
export function fitPlaneModel(state: BowState, repeatability: Repeatability): PlaneModel {
  const walk = walkLog(state);
  const strings = walk.length;
  const priors = priorsOf(state, walk);
  const observations: LinearObservation[] = [];
  for (const [index, { readings }] of walk.entries()) {
    for (const pool of poolBySetting(readings, repeatability).values()) {
      const { row, special } = rowOf(pool.response, pool.setting, index, walk);
      const variance = 1 / pool.precision;
      observations.push({ row, special, y: pool.weighted * variance, variance });
    }
  }
  const posterior = fitGridLinear(observations, priors, TWIST_PRIOR);
  const last = walk[strings - 1]!;
  return {
    posterior,
    now: last.now,
    rowAt: (response, setting) => rowOf(response, setting, strings - 1, walk),
    readingsOf: (response) =>
      last.readings.filter(({ measured }) => measured.reading === response).length,
  };
}

interface Pool {
  readonly response: PlaneResponse;
  readonly setting: PlaneSetting;
  precision: number;
  weighted: number;
}

/** Readings of one response under one setting say together what their weighted mean says. */
function poolBySetting(
  readings: StringWalk['readings'],
  repeatability: Repeatability,
): ReadonlyMap<string, Pool> {
  const pools = new Map<string, Pool>();
  for (const { measured, setting } of readings) {
    const response = measured.reading as PlaneResponse;
    const key = `${response} ${setting.twists} ${setting.topTurns} ${setting.bottomTurns} ${setting.shots}`;
    const pool = pools.get(key) ?? { response, setting, precision: 0, weighted: 0 };
    const precision = 1 / meanVariance(measured, repeatability);
    pool.precision += precision;
    pool.weighted += precision * measured.mean;
    pools.set(key, pool);
  }
  return pools;
}

interface StringWalk {
  readonly readings: { readonly measured: Measured; readonly setting: PlaneSetting }[];
  now: PlaneSetting;
  /** Twists in it when `twists` is 0; null when never counted. */
  baseTwists: number | null;
  readonly isNew: boolean;
}

/** Settings under which each reading was taken, string by string. */
function walkLog(state: BowState): readonly StringWalk[] {
  const walks: { id: string; walk: StringWalk }[] = [];
  let setting: PlaneSetting = { twists: 0, topTurns: 0, bottomTurns: 0, shots: 0 };
  const begin = (id: string, isNew: boolean) => {
    walks.push({ id, walk: { readings: [], now: setting, baseTwists: null, isNew } });
  };
  const byIndex = new Map<number, Measured>();
  for (const kind of PLANE_RESPONSES)
    for (const measured of state.readings.get(kind) ?? []) byIndex.set(measured.index, measured);
  const first = state.strings.all[0];
  begin(first?.stringId ?? '', first?.knownNew ?? false);
  for (const { entry, index } of state.active) {
    const { body } = entry;
    if (body.kind === 'change') setting = moved(setting, body.control, body.amount);
    else if (body.kind === 'shotsFired')
      setting = { ...setting, shots: setting.shots + body.count };
    else if (body.kind === 'shotPlaced') setting = { ...setting, shots: setting.shots + 1 };
    else if (body.kind === 'itemFitted' && body.string !== undefined) {
      setting = { ...setting, twists: 0, shots: 0 };
      const { stringId } = body.string;
      begin(
        stringId,
        state.strings.all.find((one) => one.stringId === stringId)?.knownNew ?? false,
      );
    } else {
      const measured = byIndex.get(index);
      if (measured !== undefined) walks.at(-1)?.walk.readings.push({ measured, setting });
    }
    const walk = walks.at(-1);
    if (walk !== undefined) walk.walk.now = setting;
  }
  countBack(state, walks);
  return walks.map(({ walk }) => walk);
}

/** From the twists each string has now, back to those it had when each of its turns on the bow began. */
function countBack(
  state: BowState,
  walks: readonly { readonly id: string; readonly walk: StringWalk }[],
): void {
  const twistsOf = new Map(state.strings.all.map(({ stringId, twists }) => [stringId, twists]));
  for (const { id, walk } of walks.toReversed()) {
    const atEnd = twistsOf.get(id) ?? null;
    if (atEnd === null) continue;
    walk.baseTwists = atEnd - walk.now.twists;
    twistsOf.set(id, walk.baseTwists);
  }
}

function moved(setting: PlaneSetting, control: Control, amount: number): PlaneSetting {
  switch (control) {
    case 'twists':
      return { ...setting, twists: setting.twists + amount };
    case 'topBolt':
      return { ...setting, topTurns: setting.topTurns + amount };
    case 'bottomBolt':
      return { ...setting, bottomTurns: setting.bottomTurns + amount };
    default:
      return setting;
  }
}

function priorsOf(state: BowState, walk: readonly StringWalk[]): readonly NormalPrior[] {
  const weightN = presentWeightN(state);
  const weightPerTurn: Gain = {
    mean: BOLT_TO_WEIGHT_SHARE.mean * weightN,
    sd: BOLT_TO_WEIGHT_SHARE.sd * weightN,
  };
  return [
    BOLT_TO_BRACE,
    BOLT_TO_BRACE,
    BOLT_TO_OWN_TILLER,
    BOLT_TO_OWN_TILLER,
    TWIST_TO_WEIGHT,
    weightPerTurn,
    weightPerTurn,
    ...walk.flatMap(({ isNew, readings }) => [
      isNew ? CREEP.newString : CREEP.oldString,
      ...PLANE_RESPONSES.map((response): NormalPrior => {
        const known = readings.find(({ measured }) => measured.reading === response);
        return response === 'drawWeight'
          ? { mean: known?.measured.mean ?? weightN, sd: LEVEL_PRIOR_SD_N }
          : { mean: known?.measured.mean ?? 200, sd: LEVEL_PRIOR_SD_MM };
      }),
    ]),
  ];
}

function rowOf(
  response: PlaneResponse,
  setting: PlaneSetting,
  stringIndex: number,
  walk: readonly StringWalk[],
): ModelRow {
  const row = new Array<number>(SHARED + OF_STRING * walk.length).fill(0);
  const own = SHARED + OF_STRING * stringIndex;
  row[own + 1 + PLANE_RESPONSES.indexOf(response)] = 1;
  const { twists, topTurns, bottomTurns, shots } = setting;
  if (response === 'drawWeight') {
    row[4] = twists;
    row[5] = topTurns;
    row[6] = bottomTurns;
    return { row, special: 0 };
  }
  row[0] = topTurns;
  row[1] = bottomTurns;
  if (response === 'tillerTop') row[2] = topTurns;
  if (response === 'tillerBottom') row[3] = bottomTurns;
  row[own] = -(1 - Math.exp(-shots / CREEP_SHOTS));
  return { row, special: twistCovariate(twists, walk[stringIndex]?.baseTwists ?? null) };
}

/** ∫ of the twist's gain over the twists put in, in units of the gain at 30 twists. */
export function twistCovariate(added: number, baseTwists: number | null): number {
  if (baseTwists === null) return added;
  const after = baseTwists + added;
  return (after * after - baseTwists * baseTwists) / (2 * REFERENCE_TWISTS);
}

/** A setting with controls moved. */
export function settingAfter(
  setting: PlaneSetting,
  amounts: ReadonlyMap<Control, number>,
): PlaneSetting {
  let after = setting;
  for (const [control, amount] of amounts) after = moved(after, control, amount);
  return after;
}
