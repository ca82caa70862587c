import { type AxisEnd, endSums, offsetOfEnds } from './ends-posterior.ts';
import {
  offsetHalfWidthMm,
  type OffsetPosterior,
  type ScatterPrior,
  type ToleranceOdds,
  toleranceOdds,
} from './offset-posterior.ts';

/** What one axis says. `plus` is outward or up of fletched, `minus` inward or down. */
export type AxisCall = 'plus' | 'minus' | 'inside' | 'undecided';

/** Chance needed to say that the offset is out of tolerance on one side. */
const OUT_AT = 0.95;
/** Chance needed on two successive looks before “out” holds. */
const OUT_HOLDS_AT = 0.975;
/** Chance needed to say that the offset is inside. */
export const INSIDE_AT = 0.8;
/** Chance needed, over at least two ends, to call an axis done. */
export const INSIDE_DONE_AT = 0.9;
/** Ends needed before an axis can be called done. */
const DONE_ENDS = 2;

export interface AxisVerdict {
  readonly call: AxisCall;
  /** Said of the same side on two successive looks, strongly: believe it. */
  readonly holds: boolean;
  /** Inside, strongly, over at least two ends. */
  readonly done: boolean;
  readonly offsetMm: number | null;
  /** Half the 90 % interval. */
  readonly plusMinusMm: number | null;
  readonly odds: ToleranceOdds | null;
  readonly posterior: OffsetPosterior | null;
  /** What it is judged by, half width. */
  readonly toleranceMm: number;
}

const NOTHING_YET: Omit<AxisVerdict, 'toleranceMm'> = {
  call: 'undecided',
  holds: false,
  done: false,
  offsetMm: null,
  plusMinusMm: null,
  odds: null,
  posterior: null,
};

/** What these chances allow one to say at a single look. */
export function callOf(odds: ToleranceOdds): AxisCall {
  if (odds.plus >= OUT_AT) return 'plus';
  if (odds.minus >= OUT_AT) return 'minus';
  return odds.inside >= INSIDE_AT ? 'inside' : 'undecided';
}

/** What is known of an archer before an axis is judged. */
export interface AxisPrior {
  readonly scatter: ScatterPrior;
  /** How far the aim wanders from end to end, one odds for each of AIM_WANDERS. */
  readonly wanderOdds?: readonly number[];
}

/**
 * Judges one axis: the shots of all ends, each end with an aim of its own, with the last two looks
 * deciding whether an “out” holds. A look is a whole end: what has been shot of an end not yet whole
 * informs, and counts as no look.
 *
 * @param ends in shooting order
 * @param toleranceMm half width, above 0
 * @param wholeEnds how many of them are whole; the rest, at the end of the list, is not
 */
export function axisVerdict(
  ends: readonly AxisEnd[],
  toleranceMm: number,
  prior: AxisPrior,
  wholeEnds = ends.length,
): AxisVerdict {
  const sums = ends.map(endSums);
  const look = (count: number) =>
    offsetOfEnds(sums.slice(0, count), prior.scatter, prior.wanderOdds);
  const posterior = look(ends.length);
  if (posterior === null) return { ...NOTHING_YET, toleranceMm };
  const odds = toleranceOdds(posterior, toleranceMm);
  /** The last two whole ends, each as it looked then. */
  const looks = () =>
    [wholeEnds, wholeEnds - 1].map((count) => {
      const seen = count === ends.length ? posterior : count < 1 ? null : look(count);
      return seen === null ? null : toleranceOdds(seen, toleranceMm);
    });
  // Nothing is looked back at where it does not hold now.
  const holds = (side: 'plus' | 'minus') =>
    odds[side] >= OUT_HOLDS_AT && looks().every((one) => one !== null && one[side] >= OUT_HOLDS_AT);
  return {
    call: callOf(odds),
    holds: holds('plus') || holds('minus'),
    done: wholeEnds >= DONE_ENDS && odds.inside >= INSIDE_DONE_AT,
    offsetMm: posterior.centreMm,
    plusMinusMm: offsetHalfWidthMm(posterior),
    odds,
    posterior,
    toleranceMm,
  };
}
