import type { ShotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import type { AxisSums, ScatterPrior } from '#core/groups/offset-posterior.ts';

export type ShotsNeededJobs = {
  readonly shotsNeeded: {
    readonly order: {
      readonly sums: AxisSums;
      readonly toleranceMm: number;
      readonly prior: ScatterPrior;
      readonly seed: number;
    };
    readonly answer: ShotsNeeded;
  };
};
