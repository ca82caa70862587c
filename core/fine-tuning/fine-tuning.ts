import { HALF_90 } from '../numeric/half-90.ts';
import { logVariance } from '../numeric/log-variance.ts';
import type { GroupComparison } from './compare-settings.ts';
import { CURVE_SHAPES } from './curve-shapes.ts';
import type { TunedEnd } from './tuned-end.ts';
import { type ShapedOutlook, type ShapePosterior, weighShapes } from './weigh-shapes.ts';

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
  /** Expected loss of staying here, as a share of the group here. */
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
/** Shapes less likely than this decide nothing. */
const LEAST_CHANCE = 1e-5;
const FUTURES: readonly number[] = [-1.4, -0.5, 0.5, 1.4];

type Row = (end: Pick<TunedEnd, 'day' | 'windy' | 'tired'> | null) => readonly number[];

/**
 * Group size over one control: ln σ² = level + shape(t) + day + wind + tiredness, t from −1 to 1 over
 * the range, every end weighed by how well its few shots can know it. The shape is one of many, each
 * with its chance before (`curve-shapes.ts`), so that a few lucky ends do not make a valley.
 */
export function fitTuning(ends: readonly TunedEnd[], { settings }: TuningRange): TuningFit {
  const days = 1 + Math.max(-1, ...ends.map(({ day }) => day));
  const row: Row = (end) => [
    1,
    end?.windy === true ? 1 : 0,
    end?.tired === true ? 1 : 0,
    ...Array.from({ length: days }, (_, day) => (end !== null && end.day === day ? 1 : 0)),
  ];
  // What was shot off the list, by settings of an earlier range, has a place of its own behind it.
  const all = [...new Set([...settings, ...ends.map(({ setting }) => setting)])];
  const placed = placeIn(settings);
  const shapes = CURVE_SHAPES.map(({ chance, at }) => ({
    chance,
    values: all.map((setting) => at(placed(setting))),
  }));
  const seen = ends.map((end) => {
    const { mean, variance } = logVariance(
      Math.max(LEAST_SQUARES_MM2, end.squaresMm2),
      end.degrees,
    );
    return {
      row: row(end),
      place: all.indexOf(end.setting),
      y: mean,
      variance: variance + END_VARIANCE,
    };
  });
  const priors = [LEVEL, WIND, TIRED, ...Array.from({ length: days }, () => DAY)];
  const posterior = weighShapes(seen, priors, shapes);
  const lost = shapes.map(({ values }) => regretOf(values.slice(0, settings.length)));
  const { chances } = posterior;
  const outlooks = settings.map((setting, index): SettingOutlook => {
    const level = posterior.at(row(null), index);
    const size = (z: number) => Math.exp((level.mean + z * Math.sqrt(level.variance)) / 2);
    return {
      setting,
      ends: ends.filter((end) => end.setting === setting).length,
      groupMm: size(0),
      lowMm: size(-HALF_90),
      highMm: size(HALF_90),
      isBest: dot(
        chances,
        lost.map((one) => bestShare(one, index)),
      ),
      regret: dot(
        chances,
        lost.map((one) => one[index]!),
      ),
    };
  });
  const best = outlooks.reduce((one, other) => (other.regret < one.regret ? other : one));
  const today = row({ day: Math.max(0, days - 1), windy: false, tired: false });
  const foreseen = settings.map((_, index) => posterior.at(today, index));
  return {
    settings: outlooks,
    best,
    leftToGain: best.regret,
    next: settings[mostTelling(foreseen, chances, lost)]!,
    compare: (one, other) => compared(chances, placed(one), placed(other)),
    unlike: unlikeOf(posterior, seen),
  };
}

/** What staying at each place loses, as a share of the group there: 0 at the best, never more than all of it. */
function regretOf(logs: readonly number[]): readonly number[] {
  const least = Math.min(...logs);
  return logs.map((log) => 1 - Math.exp((least - log) / 2));
}

/** Where several places lose nothing, each is the best for its share. */
function bestShare(losses: readonly number[], place: number): number {
  return losses[place] === 0 ? 1 / losses.filter((loss) => loss === 0).length : 0;
}

/** The difference of two settings is that of the shape alone: level, days and wind cancel. */
function compared(chances: readonly number[], one: number, other: number): GroupComparison {
  const steps = CURVE_SHAPES.map(({ at }, k) => ({
    step: at(one) - at(other),
    chance: chances[k]!,
  })).toSorted((less, more) => less.step - more.step);
  const sum = (of: (step: number) => number) =>
    steps.reduce((total, { step, chance }) => total + of(step) * chance, 0);
  const ratio = (step: number) => Math.exp(step / 2);
  return {
    ratio: ratio(sum((step) => step)),
    low: ratio(quantileOf(steps, 0.05)),
    high: ratio(quantileOf(steps, 0.95)),
    oneIsBetter: sum((step) => (step < 0 ? 1 : step === 0 ? 0.5 : 0)),
  };
}

/** @param steps in rising order, their chances summing to 1 */
function quantileOf(
  steps: readonly { readonly step: number; readonly chance: number }[],
  p: number,
): number {
  let below = 0;
  for (const { step, chance } of steps) {
    below += chance;
    if (below >= p) return step;
  }
  return steps.at(-1)?.step ?? 0;
}

/** Said with this chance only. */
const UNLIKE_AT = 0.7;
/** A valley steeper than this is more than a control usually does. */
const STEEP_FROM = 2.2;
/** Squares of what is left of the ends, so many of their own spreads beyond what is expected. */
const ROUGH_SPREADS = 2.5;
const FITTED_PARAMETERS = 3;

function unlikeOf(
  posterior: ShapePosterior,
  seen: readonly { row: readonly number[]; place: number; y: number; variance: number }[],
): UnlikeBowl | null {
  const chance = (of: (shape: (typeof CURVE_SHAPES)[number]) => boolean) =>
    CURVE_SHAPES.reduce((sum, shape, k) => (of(shape) ? sum + posterior.chances[k]! : sum), 0);
  if (chance(({ kind }) => kind === 'hill') >= UNLIKE_AT) return 'hill';
  if (chance(({ kind, depth }) => kind === 'valley' && depth > STEEP_FROM) >= UNLIKE_AT)
    return 'steep';
  const free = seen.length - FITTED_PARAMETERS;
  if (free < 2) return null;
  const squares = seen.reduce((sum, { row, place, y, variance }) => {
    const left = y - posterior.at(row, place).mean;
    return sum + left ** 2 / variance;
  }, 0);
  return squares > free + ROUGH_SPREADS * Math.sqrt(2 * free) ? 'rough' : null;
}

/** Less than this share of the group left to gain is not worth shooting for. */
const WORTH_SHOOTING = 0.025;
/** However well it looks, this many ends first. */
const FEWEST_ENDS = 6;
/** From so many ends on, each more must promise more: nobody shoots a shallow curve for ever. */
const MANY_ENDS = 20;

/** Is what is left to gain below what is worth shooting for? */
export function isSettled({ leftToGain }: TuningFit, ends: number): boolean {
  return ends >= FEWEST_ENDS && leftToGain < WORTH_SHOOTING * Math.max(1, ends / MANY_ENDS);
}

function placeIn(settings: readonly number[]): (setting: number) => number {
  const low = Math.min(...settings);
  const high = Math.max(...settings);
  return (setting) => (high === low ? 0 : (2 * (setting - low)) / (high - low) - 1);
}

/**
 * The place where one more end is expected to lower the regret of the best guess most: for each, a
 * few futures of that end, each with the chances it would leave the shapes.
 *
 * @param foreseen by place, what an end there would show, a normal for each shape
 * @param lost by shape, what staying at each place loses
 */
function mostTelling(
  foreseen: readonly ShapedOutlook[],
  chances: readonly number[],
  lost: readonly (readonly number[])[],
): number {
  const noise = logVariance(1, NEXT_DEGREES).variance + END_VARIANCE;
  const likely = [...chances.keys()].filter((k) => chances[k]! > LEAST_CHANCE);
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  for (const [place, { means, mean, within, variance }] of foreseen.entries()) {
    let expected = 0;
    for (const z of FUTURES) {
      const y = mean + z * Math.sqrt(variance + noise);
      const after = new Float64Array(foreseen.length);
      let total = 0;
      for (const k of likely) {
        const weight = chances[k]! * Math.exp(-((y - means[k]!) ** 2) / (within + noise) / 2);
        total += weight;
        const losses = lost[k]!;
        for (let at = 0; at < after.length; at += 1) after[at]! += weight * losses[at]!;
      }
      expected += Math.min(...after) / total / FUTURES.length;
    }
    if (expected < least - 1e-9) {
      least = expected;
      best = place;
    }
  }
  return best;
}

function dot(one: readonly number[], other: readonly number[]): number {
  return one.reduce((sum, value, at) => sum + value * other[at]!, 0);
}
