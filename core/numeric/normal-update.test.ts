import { describe, expect, it } from 'vitest';
import { combinationOf, combinationsOf, independentNormals, updatedBy } from './normal-update.ts';

describe('numbers known together', () => {
  /** x ~ N(1, 2²) and y ~ N(5, 3²), and x + y was seen as 9 with variance 3: spread 16, surprise 3. */
  const { known, logEvidence } = updatedBy(
    independentNormals([
      { mean: 1, sd: 2 },
      { mean: 5, sd: 3 },
    ]),
    [1, 1],
    9,
    3,
  );

  it('are corrected by a sum that was seen, each by its share: hand-worked', () => {
    expect(known.mean[0]).toBeCloseTo(1 + (4 / 16) * 3, 12);
    expect(known.mean[1]).toBeCloseTo(5 + (9 / 16) * 3, 12);
    const expected = [4 - 16 / 16, -36 / 16, -36 / 16, 9 - 81 / 16];
    for (const [at, value] of known.covariance.entries())
      expect(value).toBeCloseTo(expected[at]!, 12);
    expect(logEvidence).toBeCloseTo(-(Math.log(2 * Math.PI * 16) + 9 / 16) / 2, 12);
  });

  it('combine with what they have in common', () => {
    // Their difference: 3 − 2·(−2.25) + 3.9375; and with the sum: 3 − 3.9375.
    const both = combinationsOf(known, [
      [1, -1],
      [1, 1],
    ]);
    expect(both.mean[0]).toBeCloseTo(1.75 - 6.6875, 12);
    expect(both.mean[1]).toBeCloseTo(1.75 + 6.6875, 12);
    expect(both.covariance[0]![0]).toBeCloseTo(11.4375, 12);
    expect(both.covariance[0]![1]).toBeCloseTo(-0.9375, 12);
    expect(both.covariance[1]![0]).toBeCloseTo(-0.9375, 12);
    expect(both.covariance[1]![1]).toBeCloseTo(2.4375, 12);
    expect(combinationOf(known, [1, -1])).toEqual({
      mean: both.mean[0],
      variance: both.covariance[0]![0],
    });
  });
});
