import type { NormalPrior } from './normal-equations.ts';
import { independentNormals, type JointNormal, updatedBy } from './normal-update.ts';

/** y = row · x + the level at the time + e, e ~ N(0, variance). */
export interface WalkObservation {
  /** As long as there are coefficients. */
  readonly row: readonly number[];
  readonly y: number;
  /** Above 0. */
  readonly variance: number;
  /** How far the level may have gone from its start by then: the sum of the variances of its steps. */
  readonly walked: number;
}

/**
 * Regression on x with a level that takes independent normal steps between observations (a local level model,
 * filtered with Kalman's recursion): what is known of x and of the level at the end of its walk, the level last.
 * The same as a column for every step, in time that grows with the observations, not with their cube.
 *
 * @param seen in the order of the walk
 * @param coefficients priors of x, independent
 * @param level prior of where the walk starts
 * @param walked how far the level may have gone by the end, no less than by the last observation
 * @throws RangeError when a row has another length than the coefficients, or the walk goes back
 */
export function followLevel(
  seen: readonly WalkObservation[],
  coefficients: readonly NormalPrior[],
  level: NormalPrior,
  walked: number,
): JointNormal {
  let known = independentNormals([...coefficients, level]);
  let been = 0;
  const walkTo = (there: number) => {
    if (!(there >= been)) throw new RangeError(`followLevel: back from ${been} to ${there}`);
    const covariance = known.covariance.slice();
    covariance[covariance.length - 1]! += there - been;
    known = { mean: known.mean, covariance };
    been = there;
  };
  for (const { row, y, variance, walked: there } of seen) {
    if (row.length !== coefficients.length)
      throw new RangeError(`followLevel: a row of ${row.length}, not ${coefficients.length}`);
    walkTo(there);
    known = updatedBy(known, [...row, 1], y, variance).known;
  }
  walkTo(walked);
  return known;
}
