import { seededUniform, standardNormal, type Uniform } from '#core/numeric/random.ts';
import { compareSettings } from '#core/fine-tuning/compare-settings.ts';
import { fitTuning, isSettled, type TuningFit } from '#core/fine-tuning/fine-tuning.ts';
import type { TunedEnd } from '#core/fine-tuning/tuned-end.ts';

/** Settings of one control either side of where it stands: preload by quarter turns, say. */
export const SETTINGS: readonly number[] = [-1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1];
const SHOTS_AN_END = 6;
const SWEEP_ENDS = 5;
const MOST_ENDS = SETTINGS.length * SWEEP_ENDS;
/** No end is quite like the last: this much of ln variance. */
const END_SD = Math.sqrt(0.03);
/** People shoot about so many ends a day at this. */
const DAY_ENDS = 6;
const FINISH_SETTINGS = 3;

/** What the group may do over a control, ln variance at a setting. */
export const CURVES = {
  asExpected: (t, { best, depth }) => depth * (t - best) ** 2,
  shallow: (t, { best }) => 0.3 * (t - best) ** 2,
  steep: (t, { best }) => 1.6 * (t - best) ** 2,
  atTheEdge: (t) => 0.8 * (t - 1) ** 2,
  vee: (t, { best }) => Math.abs(t - best),
  hill: (t) => -1.2 * t * t,
  bowlOf4: (t, { best }) => 4 * (t - best) ** 2,
  flat: () => 0,
} as const satisfies Record<string, (t: number, truth: Truth) => number>;
export type Curve = keyof typeof CURVES;

/** The hidden truth: where the least is, how deep a bowl as expected is, how good the archer is on each day. */
interface Truth {
  readonly best: number;
  readonly depth: number;
  readonly groupMm: number;
  readonly days: readonly number[];
}

export function drawTruth(uniform: Uniform): Truth {
  const normal = standardNormal(uniform);
  return {
    best: 2 * uniform() * 0.9 - 0.9,
    depth: Math.max(0.15, 0.8 + 0.4 * normal()),
    groupMm: 8 * 5 ** uniform(),
    days: Array.from({ length: 12 }, () => 0.3 * normal()),
  };
}

/** True group at a setting on an even day, mm. */
export function trueGroup(truth: Truth, setting: number, curve: Curve = 'asExpected'): number {
  return truth.groupMm * Math.exp(CURVES[curve](setting, truth) / 2);
}

/** Student's t with 4 degrees where tails are heavy, its standard deviation 1. */
function shotOf(normal: () => number, heavy: boolean): number {
  if (!heavy) return normal();
  let squares = 0;
  for (let one = 0; one < 4; one += 1) squares += normal() ** 2;
  return (normal() / Math.sqrt(squares / 4)) * Math.SQRT1_2;
}

function shootEnd(
  sdMm: number,
  { setting, day, shots, heavy }: { setting: number; day: number; shots: number; heavy: boolean },
  normal: () => number,
): TunedEnd {
  let squaresMm2 = 0;
  for (const _axis of ['outward', 'up']) {
    const places = Array.from({ length: shots }, () => sdMm * shotOf(normal, heavy));
    const mean = places.reduce((sum, one) => sum + one, 0) / shots;
    squaresMm2 += places.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  }
  return { setting, squaresMm2, degrees: 2 * (shots - 1), day, windy: false, tired: false };
}

export interface TuningRun {
  readonly shots: number;
  readonly chosen: number;
  readonly fit: TuningFit;
  /** After the finish: groups of the two do not say which. */
  readonly even: boolean;
}

/** As advised: the next end where it teaches most until little is left to gain, then the best against another. */
export function advisedRun(truth: Truth, seed: number, curve: Curve = 'asExpected'): TuningRun {
  const normal = standardNormal(seededUniform(seed));
  const ends: TunedEnd[] = [];
  const shoot = (setting: number, day: number) => {
    const sd =
      trueGroup(truth, setting, curve) *
      Math.exp((truth.days[day % truth.days.length]! + END_SD * normal()) / 2);
    ends.push(shootEnd(sd, { setting, day, shots: SHOTS_AN_END, heavy: false }, normal));
  };
  let fit = fitTuning(ends, { settings: SETTINGS });
  while (ends.length < MOST_ENDS && !isSettled(fit, ends.length)) {
    shoot(fit.next, Math.floor(ends.length / DAY_ENDS));
    fit = fitTuning(ends, { settings: SETTINGS });
  }
  const best = fit.best.setting;
  const [rival] = fit.settings
    .filter((one) => one.setting !== best && one.ends > 0)
    .toSorted((one, other) => one.regret - other.regret);
  const other = best === 0 ? (rival?.setting ?? 0.25) : 0;
  const day = Math.floor(ends.length / DAY_ENDS) + 1;
  for (let end = 0; end < FINISH_SETTINGS; end += 1) shoot(end === 1 ? other : best, day);
  fit = fitTuning(ends, { settings: SETTINGS });
  const { oneIsBetter, ratio } = fit.compare(best, other);
  const even = (oneIsBetter > 0.2 && oneIsBetter < 0.8) || Math.abs(Math.log(ratio)) < 0.04;
  return {
    shots: ends.length * SHOTS_AN_END,
    chosen: even || oneIsBetter >= 0.5 ? best : other,
    fit,
    even,
  };
}

/** The exhaustive sweep: every setting, several ends, the same curve through all of them. */
export function sweepRun(truth: Truth, seed: number): TuningRun {
  const normal = standardNormal(seededUniform(seed));
  const ends = SETTINGS.flatMap((setting, index) =>
    Array.from({ length: SWEEP_ENDS }, (_, end) => {
      const day = Math.floor((index * SWEEP_ENDS + end) / DAY_ENDS);
      const sd = trueGroup(truth, setting) * Math.exp((truth.days[day]! + END_SD * normal()) / 2);
      return shootEnd(sd, { setting, day, shots: SHOTS_AN_END, heavy: false }, normal);
    }),
  );
  const fit = fitTuning(ends, { settings: SETTINGS });
  return { shots: ends.length * SHOTS_AN_END, chosen: fit.best.setting, fit, even: false };
}

/** Equal settings shot side by side, one, the other, and the one again: whether a difference is claimed. */
export function claimsDifference(seed: number, shots: number): boolean {
  const normal = standardNormal(seededUniform(seed));
  const end = (setting: number) => {
    const sd = 20 * Math.exp(0.15 * normal());
    return shootEnd(sd, { setting, day: 0, shots, heavy: true }, normal);
  };
  const comparison = compareSettings([end(0), end(0)], [end(1)])!;
  return comparison.low > 1 || comparison.high < 1;
}
