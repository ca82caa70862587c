import {
  axisSums,
  FEWEST_EACH,
  offsetHalfWidthMm,
  type OffsetPosterior,
  offsetPosterior,
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
const INSIDE_AT = 0.8;
/** Chance needed, over at least two ends, to call an axis done. */
const INSIDE_DONE_AT = 0.9;
/** Ends needed before an axis can be called done. */
const DONE_ENDS = 2;

/** Shots of one axis, grouped by end, in shooting order; called bad shots already left out. */
export interface AxisEnd {
  readonly fletchedMm: readonly number[];
  readonly bareMm: readonly number[];
}

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
}

const NOTHING_YET: AxisVerdict = {
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

/**
 * Judges one axis: the pooled shots of all ends, with the last two looks (one look per end)
 * deciding whether an “out” holds.
 *
 * @param ends in shooting order
 * @param toleranceMm half width, above 0
 */
export function axisVerdict(
  ends: readonly AxisEnd[],
  toleranceMm: number,
  prior: ScatterPrior,
): AxisVerdict {
  const posterior = pooledPosterior(ends, prior);
  if (posterior === null) return NOTHING_YET;
  const odds = toleranceOdds(posterior, toleranceMm);
  const before = pooledPosterior(ends.slice(0, -1), prior);
  const oddsBefore = before === null ? null : toleranceOdds(before, toleranceMm);
  return {
    call: callOf(odds),
    holds:
      oddsBefore !== null &&
      (bothAtLeast(odds.plus, oddsBefore.plus, OUT_HOLDS_AT) ||
        bothAtLeast(odds.minus, oddsBefore.minus, OUT_HOLDS_AT)),
    done: ends.length >= DONE_ENDS && odds.inside >= INSIDE_DONE_AT,
    offsetMm: posterior.centreMm,
    plusMinusMm: offsetHalfWidthMm(posterior),
    odds,
    posterior,
  };
}

function bothAtLeast(one: number, other: number, level: number): boolean {
  return one >= level && other >= level;
}

function pooledPosterior(ends: readonly AxisEnd[], prior: ScatterPrior): OffsetPosterior | null {
  const fletched = ends.flatMap((end) => end.fletchedMm);
  const bare = ends.flatMap((end) => end.bareMm);
  if (fletched.length < FEWEST_EACH || bare.length < FEWEST_EACH) return null;
  return offsetPosterior(axisSums(fletched, bare), prior);
}
