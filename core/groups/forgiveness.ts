import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import { isCounted, type Shot } from '../log/shooting.ts';

/** How a setting treats weak shots: called before looking, and where they landed all the same. */
export interface Forgiveness {
  readonly weak: number;
  readonly inside: number;
  /** Share that lands inside with its 90 % interval. */
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** Inside is within this of the middle of the good shots, mm: 9 of 10 good ones are. */
  readonly withinMm: number;
}

/** 9 of 10 shots of a round group lie within this many standard deviations of its middle. */
const NINE_IN_TEN = Math.sqrt(-2 * Math.log(0.1));
/** Fewer good shots than this make no group to be inside of. */
const FEWEST_GOOD = 6;

/**
 * Of the weak shots at one setting, how many still land where 9 of 10 good ones do. The share's
 * interval is that of a binomial with an even start (Jeffreys).
 *
 * @param shots fletched, of one setting and distance
 * @returns null before there is a group, or without a weak shot
 */
export function forgiveness(shots: readonly Shot[]): Forgiveness | null {
  const good = shots.filter(isCounted);
  const weak = shots.filter(({ calledBad }) => calledBad);
  if (good.length < FEWEST_GOOD || weak.length === 0) return null;
  const middle = {
    outwardMm: meanOf(good.map(({ outwardMm }) => outwardMm)),
    upMm: meanOf(good.map(({ upMm }) => upMm)),
  };
  const squares =
    squaresAboutMean(good.map(({ outwardMm }) => outwardMm)) +
    squaresAboutMean(good.map(({ upMm }) => upMm));
  const withinMm = NINE_IN_TEN * Math.sqrt(squares / (2 * (good.length - 1)));
  const inside = weak.filter(
    ({ outwardMm, upMm }) =>
      Math.hypot(outwardMm - middle.outwardMm, upMm - middle.upMm) <= withinMm,
  ).length;
  const [a, b] = [inside + 0.5, weak.length - inside + 0.5];
  return {
    weak: weak.length,
    inside,
    share: a / (a + b),
    low: betaQuantile(0.05, a, b),
    high: betaQuantile(0.95, a, b),
    withinMm,
  };
}
