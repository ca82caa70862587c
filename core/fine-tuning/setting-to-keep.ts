import { steadinessAt, type FineTuningStanding } from './fine-tuning-standing.ts';

/** Surer than this of neither, and either setting would do. */
const NEARLY_EVEN = { low: 0.2, high: 0.8 } as const;
/** And so is a difference no larger than this share of the group. */
const EITHER_WOULD_DO = 0.04;
/** Steadier on aim by so much, of 5, is a reason where groups are none. */
const STEADIER_BY = 0.5;

/** Which setting is kept after the finish, and why. */
export interface KeptSetting {
  readonly setting: number;
  /** Groups do not say which of the two: either would do. */
  readonly even: boolean;
  /** It sits stiller on aim, which decided where groups did not. */
  readonly steadier: boolean;
}

/**
 * What is kept is what everything shot speaks for, the finish among it: three ends do not overrule a
 * curve, and are there to catch one that is wrong.
 */
export function settingToKeep(standing: FineTuningStanding): KeptSetting | null {
  const { finish, fit } = standing;
  if (finish === null) return null;
  const { best, other } = finish;
  const { oneIsBetter, ratio } = fit.compare(best, other);
  const even =
    (oneIsBetter > NEARLY_EVEN.low && oneIsBetter < NEARLY_EVEN.high) ||
    Math.abs(Math.log(ratio)) < EITHER_WOULD_DO;
  if (!even) return { setting: oneIsBetter >= 0.5 ? best : other, even, steadier: false };
  const [one, second] = [best, other].map((setting) => steadinessAt(standing, setting)?.mean);
  const known = one !== undefined && second !== undefined;
  const isOther = known && second - one >= STEADIER_BY;
  return {
    setting: isOther ? other : best,
    even,
    steadier: isOther || (known && one - second >= STEADIER_BY),
  };
}
