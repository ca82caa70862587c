import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitGridLinear, type LinearObservation } from './grid-linear.ts';
import { fitAmongObservations } from './observation-space.ts';

/** Makes no difference: no observation has a special parameter in it. */
const UNUSED = { low: -1, high: 1, logDensity: () => 0 };

describe('a regression solved among its observations', () => {
  it('is the conjugate result for one gain and one level: hand-worked', () => {
    // Level N(0, 3²), gain N(2, 1²), seen at 2 as 10 with variance 3: K = 9 + 4 + 3 = 16, surprise 6.
    const seen = [{ row: [1, 2], special: 0, y: 10, variance: 3 }];
    const { mean, covariance } = fitAmongObservations(seen, [
      { mean: 0, sd: 3 },
      { mean: 2, sd: 1 },
    ]);
    expect(mean[0]).toBeCloseTo((9 / 16) * 6, 12);
    expect(mean[1]).toBeCloseTo(2 + (2 / 16) * 6, 12);
    expect(covariance[0]![0]).toBeCloseTo(9 - 81 / 16, 12);
    expect(covariance[0]![1]).toBeCloseTo(-18 / 16, 12);
    expect(covariance[1]![0]).toBeCloseTo(-18 / 16, 12);
    expect(covariance[1]![1]).toBeCloseTo(1 - 4 / 16, 12);
  });

  it('is the prior before anything is seen', () => {
    const { mean, covariance } = fitAmongObservations([], [{ mean: -20, sd: 12 }]);
    expect(mean).toEqual([-20]);
    expect(covariance).toEqual([[144]]);
  });

  it('says what the same regression says among its columns', () => {
    const number = fc.double({ min: -3, max: 3, noNaN: true });
    const model = fc.integer({ min: 1, max: 6 }).chain((width) =>
      fc.record({
        priors: fc.array(
          fc.record({ mean: number, sd: fc.double({ min: 0.05, max: 50, noNaN: true }) }),
          { minLength: width, maxLength: width },
        ),
        seen: fc.array(
          fc.record({
            row: fc.array(number, { minLength: width, maxLength: width }),
            special: fc.constant(0),
            y: fc.double({ min: -100, max: 100, noNaN: true }),
            variance: fc.double({ min: 0.2, max: 400, noNaN: true }),
          }),
          { maxLength: 8 },
        ),
      }),
    );
    fc.assert(
      fc.property(model, ({ priors, seen }) => {
        const here = fitAmongObservations(seen, priors);
        const there = fitGridLinear(seen, priors, UNUSED);
        for (const [i, mean] of there.base.entries()) {
          const sd = Math.sqrt(there.covariance[i]![i]!);
          expect(Math.abs(here.mean[i]! - mean)).toBeLessThan(1e-6 * (1 + sd));
          for (const [j, value] of there.covariance[i]!.entries())
            expect(Math.abs(here.covariance[i]![j]! - value)).toBeLessThan(1e-6 * (1 + sd ** 2));
        }
      }),
    );
  });

  it('refuses what is no number, and a row of another length', () => {
    const seen = (one: Partial<LinearObservation>): readonly LinearObservation[] => [
      { row: [1], special: 0, y: 1, variance: 1, ...one },
    ];
    const prior = [{ mean: 0, sd: 1 }];
    expect(() => fitAmongObservations(seen({ variance: Number.NaN }), prior)).toThrow(RangeError);
    expect(() => fitAmongObservations(seen({ row: [1, 2] }), prior)).toThrow(/a row of 2, not 1/);
  });
});
