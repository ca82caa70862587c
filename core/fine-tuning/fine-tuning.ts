import {
  combination,
  fitGridLinear,
  type GridLinearPosterior,
  jointMoments,
  type SpecialPrior,
} from '../numeric/grid-linear.ts';
import { logVariance } from '../numeric/log-variance.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { CurveShapes } from './curve-shapes.ts';
import type { GroupComparison } from './compare-settings.ts';
import type { TunedEnd } from './tuned-end.ts';

/** The settings an experiment may try. */
export interface TuningRange {
  readonly settings: readonly number[];
}

interface SettingOutlook {
  readonly setting: number;
  readonly ends: number;
  /** Group (one standard deviation an axis) at this setting on an even day, mm. */
  readonly groupMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  /** Chance that no other setting is better. */
  readonly isBest: number;
  /** Expected loss of staying here, as a share of the best group. */
  readonly regret: number;
}

export interface TuningFit {
  readonly settings: readonly SettingOutlook[];
  readonly best: SettingOutlook;
  /** What there is left to gain, as a share of the group: expected regret of the best guess. */
  readonly leftToGain: number;
  /** Where the next end teaches most. */
  readonly next: number;
  /** One setting against another, by everything that was shot. */
  readonly compare: (one: number, other: number) => GroupComparison;
  /** What about the curve is unlike what a control usually does; null: nothing. */
  readonly unlike: UnlikeBowl | null;
}

/**
 * `hill`: widest in the middle; `steep`: far steeper than a control usually makes it; `rough`: the ends
 * lie on no such curve.
 */
type UnlikeBowl = 'hill' | 'steep' | 'rough';

/** Before anything is shot: the logarithm of the variance may lean either way over the range. */
const TILT = { mean: 0, sd: 1 } as const;
/** And is a bowl, shallow to steep over half the range; now and then no bowl at all. */
const BOWL = {
  median: 0.8,
  logSd: 0.7,
  unlikeOdds: 0.25,
  unlikeSd: 1.2,
  low: -4,
  high: 8,
} as const;
/** Where tilt stands in a row; the bowl is the one parameter that is not normal. */
const TILT_AT = 1;
const LEVEL = { mean: 5, sd: 3 } as const;
const DAY = { mean: 0, sd: 0.3 } as const;
const WIND = { mean: 0.3, sd: 0.3 } as const;
const TIRED = { mean: 0.2, sd: 0.3 } as const;
/** Ends of one setting differ a little more than their shots say. */
const END_VARIANCE = 0.04;
/** A plot is read to about a millimetre: an end is never tighter than this. */
const LEAST_SQUARES_MM2 = 1;
/** An end as it will probably be shot next. */
const NEXT_DEGREES = 10;

const FUTURES: readonly number[] = [-1.4, -0.5, 0.5, 1.4];

/** Log-normal, with a little left for what is no bowl. */
const BOWL_PRIOR: SpecialPrior = {
  low: BOWL.low,
  high: BOWL.high,
  logDensity: (bowl) => {
    const z = bowl > 0 ? Math.log(bowl / BOWL.median) / BOWL.logSd : 0;
    const usual = bowl > 0 ? Math.exp((-z * z) / 2) / (bowl * BOWL.logSd) : 0;
    const unlike = Math.exp(-((bowl / BOWL.unlikeSd) ** 2) / 2) / BOWL.unlikeSd;
    return Math.log((1 - BOWL.unlikeOdds) * usual + BOWL.unlikeOdds * unlike);
  },
};

/**
 * Group size over one control: ln σ² = level + tilt · t + bowl · t² + day + wind + tiredness, t from
 * −1 to 1 over the range, every end weighed by how well its few shots can know it. Expected to be a
 * bowl, shallow or steep, so that a few lucky ends do not make a valley; that it is none is found out.
 */
export function fitTuning(ends: readonly TunedEnd[], { settings }: TuningRange): TuningFit {
  const days = 1 + Math.max(-1, ...ends.map(({ day }) => day));
  const place = placeIn(settings);
  const row = (t: number, end: Pick<TunedEnd, 'day' | 'windy' | 'tired'> | null) => [
    1,
    t,
    end?.windy === true ? 1 : 0,
    end?.tired === true ? 1 : 0,
    ...Array.from({ length: days }, (_, day) => (end !== null && end.day === day ? 1 : 0)),
  ];
  const seen = ends.map((end) => {
    const { mean, variance } = logVariance(
      Math.max(LEAST_SQUARES_MM2, end.squaresMm2),
      end.degrees,
    );
    const t = place(end.setting);
    return { row: row(t, end), special: t * t, y: mean, variance: variance + END_VARIANCE };
  });
  const posterior = fitGridLinear(
    seen,
    [LEVEL, TILT, WIND, TIRED, ...Array.from({ length: days }, () => DAY)],
    BOWL_PRIOR,
  );
  const places = settings.map(place);
  const moments = jointMoments(posterior);
  const judged = CurveShapes.of(posterior, TILT_AT).judge(places);
  const outlooks = settings.map((setting, index): SettingOutlook => {
    const t = places[index]!;
    const level = momentsOf(moments, [...row(t, null), t * t]);
    const size = (z: number) => Math.exp((level.mean + z * level.sd) / 2);
    return {
      setting,
      ends: ends.filter((end) => end.setting === setting).length,
      groupMm: size(0),
      lowMm: size(-HALF_90),
      highMm: size(HALF_90),
      isBest: judged.isBest[index]!,
      regret: judged.regret[index]!,
    };
  });
  const best = outlooks.reduce((one, other) => (other.regret < one.regret ? other : one));
  return {
    settings: outlooks,
    best,
    leftToGain: best.regret,
    next: mostTelling(
      posterior,
      settings,
      places.map((t) => row(t, { day: Math.max(0, days - 1), windy: false, tired: false })),
      places,
    ),
    compare: (one, other) => comparedBy(moments, row, place(one), place(other)),
    unlike: unlikeOf(posterior, seen),
  };
}

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;

/** Mean and standard deviation of a combination of all parameters, the bowl last. */
function momentsOf(
  { mean, covariance }: ReturnType<typeof jointMoments>,
  row: readonly number[],
): { readonly mean: number; readonly sd: number } {
  const variance = dot(
    row,
    covariance.map((line) => dot(line, row)),
  );
  return { mean: dot(row, mean), sd: Math.sqrt(Math.max(0, variance)) };
}

/** The difference of two settings is that of lean and bowl alone: level, days and wind cancel. */
function comparedBy(
  moments: ReturnType<typeof jointMoments>,
  row: (t: number, end: null) => readonly number[],
  one: number,
  other: number,
): GroupComparison {
  const [left, right] = [row(one, null), row(other, null)];
  const { mean, sd } = momentsOf(moments, [
    ...left.map((value, at) => value - right[at]!),
    one * one - other * other,
  ]);
  const ratio = (z: number) => Math.exp((mean + z * sd) / 2);
  return {
    ratio: ratio(0),
    low: ratio(-HALF_90),
    high: ratio(HALF_90),
    oneIsBetter: sd === 0 ? 0.5 : normalCdf(0, mean, sd),
  };
}

/** Said with this chance only. */
const UNLIKE_AT = 0.7;
/** A bowl steeper than this is more than a control usually does. */
const STEEP_FROM = 2.2;
/** Squares of what is left of the ends, so many of their own spreads beyond what is expected. */
const ROUGH_SPREADS = 2.5;

function unlikeOf(
  posterior: GridLinearPosterior,
  seen: readonly { row: readonly number[]; special: number; y: number; variance: number }[],
): UnlikeBowl | null {
  const chance = (of: (bowl: number) => boolean) =>
    posterior.values.reduce((sum, v, k) => (of(v) ? sum + posterior.weights[k]! : sum), 0);
  if (chance((bowl) => bowl < 0) >= UNLIKE_AT) return 'hill';
  if (chance((bowl) => bowl > STEEP_FROM) >= UNLIKE_AT) return 'steep';
  const free = seen.length - FITTED_PARAMETERS;
  if (free < 2) return null;
  const squares = seen.reduce((sum, { row, special, y, variance }) => {
    const left = y - mixtureMean(combination(posterior, row, special));
    return sum + left ** 2 / variance;
  }, 0);
  return squares > free + ROUGH_SPREADS * Math.sqrt(2 * free) ? 'rough' : null;
}
const FITTED_PARAMETERS = 3;

/** Less than this share of the group left to gain is not worth shooting for. */
const WORTH_SHOOTING = 0.03;
/** However well it looks, this many ends first. */
const FEWEST_ENDS = 6;

/** Is what is left to gain below what is worth shooting for? */
export function isSettled({ leftToGain }: TuningFit, ends: number): boolean {
  return ends >= FEWEST_ENDS && leftToGain < WORTH_SHOOTING;
}

function placeIn(settings: readonly number[]): (setting: number) => number {
  const low = Math.min(...settings);
  const high = Math.max(...settings);
  return (setting) => (high === low ? 0 : (2 * (setting - low)) / (high - low) - 1);
}

/**
 * The setting where one more end is expected to lower the regret of the best guess most: for each,
 * a few futures of that end, each with the shape it would leave. Level and day are as uncertain as
 * they are: an end teaches by how it differs from the others.
 */
function mostTelling(
  posterior: GridLinearPosterior,
  settings: readonly number[],
  rows: readonly (readonly number[])[],
  places: readonly number[],
): number {
  // The bowl with the others as normals: near enough for where to shoot, not for what is said.
  const { mean, covariance } = jointMoments(posterior);
  const bowlAt = mean.length - 1;
  let best = settings[0]!;
  let least = Number.POSITIVE_INFINITY;
  const noise = logVariance(1, NEXT_DEGREES).variance + END_VARIANCE;
  for (const [index, plain] of rows.entries()) {
    const row = [...plain, places[index]! ** 2];
    const with_ = covariance.map((line) => dot(line, row));
    const spread = dot(with_, row) + noise;
    const [tilt, bowl] = [with_[TILT_AT]!, with_[bowlAt]!];
    const cov = (one: number, other: number) => covariance[one]![other]!;
    const left = {
      tilt: cov(TILT_AT, TILT_AT) - tilt ** 2 / spread,
      both: cov(TILT_AT, bowlAt) - (tilt * bowl) / spread,
      bowl: cov(bowlAt, bowlAt) - bowl ** 2 / spread,
    };
    const expected = FUTURES.reduce((sum, z) => {
      const push = z / Math.sqrt(spread);
      const at = { tilt: mean[TILT_AT]! + tilt * push, bowl: mean[bowlAt]! + bowl * push };
      const { regret } = CurveShapes.normal(at, left).judge(places);
      return sum + Math.min(...regret) / FUTURES.length;
    }, 0);
    if (expected < least - 1e-9) {
      least = expected;
      best = settings[index]!;
    }
  }
  return best;
}

function dot(one: readonly number[], other: readonly number[]): number {
  return one.reduce((sum, value, index) => sum + value * other[index]!, 0);
}
