import type { HeightWorth, JudgedBy } from './next-height.ts';
import type { NoiseCurve } from './noise-curve.ts';

/** What is thought of the noise over a range. */
export interface NoiseBelief {
  readonly curve: NoiseCurve;
  /** Curves as they may be, each as likely as another: noise at the curve's own heights, dB. */
  readonly draws: readonly Float64Array[];
  /** What trying each of these places would be worth, of those that may be settled on. */
  readonly worthOf: (
    at: readonly number[],
    choosable: readonly number[],
    by: JudgedBy,
  ) => readonly HeightWorth[];
}
