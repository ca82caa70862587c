import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { combination, fitGridLinear, type SpecialPrior } from '../numeric/grid-linear.ts';
import { logVariance } from '../numeric/log-variance.ts';

/** One end at one setting: its own spread, both axes together. */
export interface TunedEnd {
  /** Steps of the control from where it stood when the experiment began. */
  readonly setting: number;
  readonly squaresMm2: number;
  readonly degrees: number;
  /** Counts up from 0 with every day: an archer has better and worse ones. */
  readonly day: number;
  readonly windy: boolean;
  readonly tired: boolean;
  /** How still it sat on aim, 1 to 5; null where it was not noted. */
  readonly steady?: number | null;
}

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
}

/** Before anything is shot: the logarithm of the variance is a shallow bowl over the range. */
const TILT = { mean: 0, sd: 0.8 } as const;
const BOWL = { mean: 0.8, sd: 0.4 } as const;
/** Where they stand in a row. */
const TILT_AT = 1;
const BOWL_AT = 2;
const LEVEL = { mean: 5, sd: 3 } as const;
const DAY = { mean: 0, sd: 0.3 } as const;
const WIND = { mean: 0.3, sd: 0.3 } as const;
const TIRED = { mean: 0.2, sd: 0.3 } as const;
/** Ends of one setting differ a little more than their shots say. */
const END_VARIANCE = 0.03;
const NO_SPECIAL: SpecialPrior = { low: -1, high: 1, logDensity: () => 0 };
/** A plot is read to about a millimetre: an end is never tighter than this. */
const LEAST_SQUARES_MM2 = 1;
/** An end as it will probably be shot next. */
const NEXT_DEGREES = 10;

/** Nodes of a standard normal, equally likely. */
const NODES = 15;
const NORMAL_NODES: readonly number[] = Array.from({ length: NODES }, (_, i) =>
  normalQuantile((i + 0.5) / NODES, 0, 1),
);
const FUTURES: readonly number[] = [-1.4, -0.5, 0.5, 1.4];

/**
 * Group size over one control: ln σ² = level + tilt · t + bowl · t² + day + wind + tiredness, t from
 * −1 to 1 over the range, every end weighed by how well its few shots can know it. Shrunk toward a
 * shallow bowl, so that a few lucky ends do not make a valley.
 */
export function fitTuning(ends: readonly TunedEnd[], { settings }: TuningRange): TuningFit {
  const days = Math.max(0, ...ends.map(({ day }) => day));
  const place = placeIn(settings);
  const row = (t: number, end: Pick<TunedEnd, 'day' | 'windy' | 'tired'> | null) => [
    1,
    t,
    t * t,
    end?.windy === true ? 1 : 0,
    end?.tired === true ? 1 : 0,
    ...Array.from({ length: days }, (_, day) => (end !== null && end.day === day + 1 ? 1 : 0)),
  ];
  const posterior = fitGridLinear(
    ends.map((end) => {
      const seen = logVariance(Math.max(LEAST_SQUARES_MM2, end.squaresMm2), end.degrees);
      return {
        row: row(place(end.setting), end),
        special: 0,
        y: seen.mean,
        variance: seen.variance + END_VARIANCE,
      };
    }),
    [LEVEL, TILT, BOWL, WIND, TIRED, ...Array.from({ length: days }, () => DAY)],
    NO_SPECIAL,
  );
  const shape: Shape = {
    mean: [posterior.base[TILT_AT]!, posterior.base[BOWL_AT]!],
    covariance: [
      [posterior.covariance[TILT_AT]![TILT_AT]!, posterior.covariance[TILT_AT]![BOWL_AT]!],
      [posterior.covariance[BOWL_AT]![TILT_AT]!, posterior.covariance[BOWL_AT]![BOWL_AT]!],
    ],
  };
  const places = settings.map(place);
  const judged = judge(shape, places);
  const outlooks = settings.map((setting, index): SettingOutlook => {
    const [level] = combination(posterior, row(places[index]!, null), 0);
    const size = (z: number) => Math.exp((level!.mean + z * level!.sd) / 2);
    return {
      setting,
      ends: ends.filter((end) => end.setting === setting).length,
      groupMm: size(0),
      lowMm: size(-1.6449),
      highMm: size(1.6449),
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
      shape,
      posterior.covariance,
      settings,
      places.map((t) => row(t, { day: days, windy: false, tired: false })),
      places,
    ),
  };
}

/** Less than this share of the group left to gain is not worth shooting for. */
const WORTH_SHOOTING = 0.03;
/** However well it looks, this many ends first. */
const FEWEST_ENDS = 6;

/** Is what is left to gain below what is worth shooting for? */
export function isSettled({ leftToGain }: TuningFit, ends: number): boolean {
  return ends >= FEWEST_ENDS && leftToGain < WORTH_SHOOTING;
}

/** Tilt and bowl: all that decides which setting is best. */
interface Shape {
  readonly mean: readonly [number, number];
  readonly covariance: readonly [readonly [number, number], readonly [number, number]];
}

function placeIn(settings: readonly number[]): (setting: number) => number {
  const low = Math.min(...settings);
  const high = Math.max(...settings);
  return (setting) => (high === low ? 0 : (2 * (setting - low)) / (high - low) - 1);
}

/** How often each place is best, and what staying there loses on average, over the likely shapes. */
function judge(shape: Shape, places: readonly number[]) {
  const isBest = places.map(() => 0);
  const regret = places.map(() => 0);
  const each = 1 / NODES ** 2;
  eachShape(shape, (tilt, bowl) => {
    const logs = places.map((t) => tilt * t + bowl * t * t);
    const least = Math.min(...logs);
    isBest[logs.indexOf(least)]! += each;
    for (const [index, log] of logs.entries())
      regret[index]! += each * (Math.exp((log - least) / 2) - 1);
  });
  return { isBest, regret };
}

function eachShape({ mean, covariance }: Shape, act: (tilt: number, bowl: number) => void): void {
  // Cholesky of a 2 × 2 covariance.
  const a = Math.sqrt(Math.max(0, covariance[0][0]));
  const b = a === 0 ? 0 : covariance[1][0] / a;
  const c = Math.sqrt(Math.max(0, covariance[1][1] - b * b));
  for (const one of NORMAL_NODES)
    for (const other of NORMAL_NODES) act(mean[0] + a * one, mean[1] + b * one + c * other);
}

/**
 * The setting where one more end is expected to lower the regret of the best guess most: for each,
 * a few futures of that end, each with the shape it would leave. Level and day are as uncertain as
 * they are: an end teaches by how it differs from the others.
 */
function mostTelling(
  shape: Shape,
  covariance: readonly (readonly number[])[],
  settings: readonly number[],
  rows: readonly (readonly number[])[],
  places: readonly number[],
): number {
  let best = settings[0]!;
  let least = Number.POSITIVE_INFINITY;
  const noise = logVariance(1, NEXT_DEGREES).variance + END_VARIANCE;
  for (const [index, row] of rows.entries()) {
    const with_ = covariance.map((line) => dot(line, row));
    const spread = dot(with_, row) + noise;
    const [tilt, bowl] = [with_[TILT_AT]!, with_[BOWL_AT]!];
    const left: Shape['covariance'] = [
      [
        shape.covariance[0][0] - tilt ** 2 / spread,
        shape.covariance[0][1] - (tilt * bowl) / spread,
      ],
      [
        shape.covariance[1][0] - (tilt * bowl) / spread,
        shape.covariance[1][1] - bowl ** 2 / spread,
      ],
    ];
    const expected = FUTURES.reduce((sum, z) => {
      const push = z / Math.sqrt(spread);
      const mean: Shape['mean'] = [shape.mean[0] + tilt * push, shape.mean[1] + bowl * push];
      return sum + Math.min(...judge({ mean, covariance: left }, places).regret) / FUTURES.length;
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
