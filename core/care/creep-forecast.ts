import { learnedGains } from '../gains/learned-gains.ts';
import { combination } from '../numeric/grid-linear.ts';
import { mixtureQuantile } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { targetFor } from '../setup/targets.ts';

/** Shots from now after which brace height leaves its band; null: not within what is looked at. */
export interface CreepForecast {
  /** The lower edge it leaves by, mm. */
  readonly edgeMm: number;
  readonly likely: number | null;
  /** Nine times in ten it is not before, and not after. */
  readonly soonest: number | null;
  readonly latest: number | null;
}

/** So far ahead it is looked, shots. */
const MOST_SHOTS = 2000;

/**
 * When this string's creep will take the brace out of its band, by what this bow's readings have shown:
 * brace falls by an amount of its own, most of it in the first shots (the model of `gains`).
 *
 * @returns null while brace was never read on this string, there is no band, or it is out of it already
 */
export function creepForecast(state: BowState): CreepForecast | null {
  const band = targetFor(state, 'braceHeight');
  const { plane } = learnedGains(state);
  const onThisString = state.readings
    .get('braceHeight')
    ?.some(({ under }) => under.stringTurn === plane.now.stringTurn);
  if (band === null || onThisString !== true) return null;
  const braceIn = (shots: number, quantile: number) => {
    const { row, special } = plane.rowAt('braceHeight', {
      ...plane.now,
      shots: plane.now.shots + shots,
    });
    return mixtureQuantile(combination(plane.posterior, row, special), quantile, 0);
  };
  if (braceIn(0, 0.5) < band.low) return null;
  const leaves = (quantile: number) => {
    if (braceIn(MOST_SHOTS, quantile) >= band.low) return null;
    let [before, after] = [0, MOST_SHOTS];
    while (after - before > 1) {
      const middle = Math.floor((before + after) / 2);
      if (braceIn(middle, quantile) < band.low) after = middle;
      else before = middle;
    }
    return after;
  };
  return {
    edgeMm: band.low,
    soonest: leaves(0.05),
    likely: leaves(0.5),
    latest: leaves(0.95),
  };
}
