import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitGridLinear, type LinearObservation } from './grid-linear.ts';
import { followLevel, type WalkObservation } from './level-walk.ts';

const START = { mean: 0, sd: 100 };

describe('a regression whose level walks', () => {
  it('is the conjugate result for one gain and one level: hand-worked', () => {
    // Level N(0, 3²), gain N(2, 1²), seen at 2 as 10 with variance 3: spread 9 + 4 + 3 = 16, surprise 6.
    const seen = [{ row: [2], y: 10, variance: 3, walked: 0 }];
    const { mean, covariance } = followLevel(seen, [{ mean: 2, sd: 1 }], { mean: 0, sd: 3 }, 0);
    expect(mean[0]).toBeCloseTo(2 + (2 / 16) * 6, 12);
    expect(mean[1]).toBeCloseTo((9 / 16) * 6, 12);
    expect(covariance[0]).toBeCloseTo(1 - 4 / 16, 12);
    expect(covariance[1]).toBeCloseTo(-18 / 16, 12);
    expect(covariance[2]).toBeCloseTo(-18 / 16, 12);
    expect(covariance[3]).toBeCloseTo(9 - 81 / 16, 12);
  });

  it('follows a level that steps, as far as steps go: hand-worked', () => {
    // N(0, 4), seen as 6 with variance 4: N(3, 2). A step of variance 2: N(3, 4). Seen as 11 with 4: N(7, 2). 5 more: 7.
    const seen = [
      { row: [], y: 6, variance: 4, walked: 0 },
      { row: [], y: 11, variance: 4, walked: 2 },
    ];
    const { mean, covariance } = followLevel(seen, [], { mean: 0, sd: 2 }, 7);
    expect([...mean]).toEqual([7]);
    expect([...covariance]).toEqual([7]);
  });

  it('is the prior and the whole walk before anything is seen', () => {
    const { mean, covariance } = followLevel([], [{ mean: -20, sd: 12 }], START, 250);
    expect([...mean]).toEqual([-20, 0]);
    expect([...covariance]).toEqual([144, 0, 0, 10_250]);
  });

  it('says what a column for every step says, of every gain and of the present level', () => {
    const number = fc.double({ min: -3, max: 3, noNaN: true });
    const sd = fc.double({ min: 0.5, max: 50, noNaN: true });
    const model = fc.integer({ min: 0, max: 3 }).chain((width) =>
      fc.record({
        gains: fc.array(fc.record({ mean: number, sd }), { minLength: width, maxLength: width }),
        level: fc.record({ mean: number, sd }),
        seen: fc.array(
          fc.record({
            row: fc.array(number, { minLength: width, maxLength: width }),
            y: fc.double({ min: -100, max: 100, noNaN: true }),
            variance: fc.double({ min: 0.2, max: 400, noNaN: true }),
            // Often none: shot at the same level.
            stepSd: fc.oneof(fc.constant(0), sd),
          }),
          { maxLength: 8 },
        ),
        lastStepSd: fc.oneof(fc.constant(0), sd),
      }),
    );
    fc.assert(
      fc.property(model, ({ gains, level, seen, lastStepSd }) => {
        const steps = [...seen.map(({ stepSd }) => stepSd), lastStepSd];
        const walked = steps.map((_, at) =>
          steps.slice(0, at + 1).reduce((sum, step) => sum + step ** 2, 0),
        );
        const here = followLevel(
          seen.map((one, at): WalkObservation => ({ ...one, walked: walked[at]! })),
          gains,
          level,
          walked.at(-1)!,
        );
        const levelAt = (at: number) => steps.map((_, step) => (step <= at ? 1 : 0));
        const there = fitGridLinear(
          seen.map(
            ({ row, y, variance }, at): LinearObservation => ({
              row: [...row, 1, ...levelAt(at)],
              special: 0,
              y,
              variance,
            }),
          ),
          [...gains, level, ...steps.map((step) => ({ mean: 0, sd: step }))],
          null,
        );
        const size = gains.length + 1;
        const rows = Array.from({ length: size }, (_, at) =>
          [...gains, level, ...steps].map((_one, column) =>
            at < gains.length ? Number(column === at) : Number(column >= gains.length),
          ),
        );
        const dot = (one: readonly number[], other: readonly number[]) =>
          one.reduce((sum, value, at) => sum + value * other[at]!, 0);
        for (const [i, row] of rows.entries()) {
          const through = there.covariance.map((column) => dot(column, row));
          const spread = Math.sqrt(dot(row, through));
          expect(Math.abs(here.mean[i]! - dot(row, there.base))).toBeLessThan(1e-6 * (1 + spread));
          for (const [j, other] of rows.entries())
            expect(Math.abs(here.covariance[i * size + j]! - dot(other, through))).toBeLessThan(
              1e-6 * (1 + spread ** 2),
            );
        }
      }),
    );
  });

  it('refuses a row of another length, and a walk that goes back', () => {
    const one = { row: [1], y: 1, variance: 1, walked: 5 };
    const gain = { mean: 0, sd: 1 };
    expect(() => followLevel([{ ...one, row: [1, 2] }], [gain], START, 5)).toThrow(
      /a row of 2, not 1/,
    );
    expect(() => followLevel([one, { ...one, walked: 4 }], [gain], START, 5)).toThrow(RangeError);
    expect(() => followLevel([one], [gain], START, 4)).toThrow(/back from 5 to 4/);
    expect(() => followLevel([one], [gain], START, Number.NaN)).toThrow(RangeError);
  });
});
