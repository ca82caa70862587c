import { learnedGains } from '../gains/learned-gains.ts';
import { presentSpread } from '../gains/repeatability.ts';
import type { BowState } from '../log/bow-state.ts';
import type { TargetId } from './targets.ts';

/**
 * The band that counts: about the same middle, never narrower to either side than one spread of
 * whoever reads it with their tool. Less than that is no difference worth chasing.
 */
export function countedBand(
  state: BowState,
  id: TargetId,
  band: { readonly low: number; readonly high: number },
): { readonly low: number; readonly high: number } {
  const { repeatability } = learnedGains(state);
  const spread =
    id === 'tiller'
      ? Math.hypot(
          presentSpread(state, 'tillerTop', repeatability).sd,
          presentSpread(state, 'tillerBottom', repeatability).sd,
        )
      : presentSpread(state, id, repeatability).sd;
  const middle = (band.low + band.high) / 2;
  const half = Math.max((band.high - band.low) / 2, spread);
  return { low: middle - half, high: middle + half };
}
