import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitLeastSquares } from './least-squares.ts';
import { meanOf } from './moments.ts';
import { seededUniform, standardNormal } from './random.ts';
import { studentMixtureHalfWidth, studentMixtureMean } from './student-mixture.ts';

const NO_PRIOR = { degrees: 0, sd: 0 };
const line = (xs: readonly number[]) => xs.map((x) => [1, x]);
const even = (xs: readonly number[]) => xs.map(() => 1);

describe('fitLeastSquares', () => {
  it('agrees with the school formulas of a straight line, slope and its standard error', () => {
    const points = fc.array(
      fc.tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -500, max: 500 })),
      { minLength: 4, maxLength: 25 },
    );
    fc.assert(
      fc.property(points, (pairs) => {
        const xs = pairs.map(([x]) => x);
        const ys = pairs.map(([, y]) => y);
        const [xm, ym] = [meanOf(xs), meanOf(ys)];
        const sxx = xs.reduce((sum, x) => sum + (x - xm) ** 2, 0);
        fc.pre(sxx > 0);
        const slope = pairs.reduce((sum, [x, y]) => sum + (x - xm) * (y - ym), 0) / sxx;
        const rest = pairs.reduce((sum, [x, y]) => sum + (y - ym - slope * (x - xm)) ** 2, 0);
        const degrees = pairs.length - 2;
        // Less noise than half a unit is never believed; the formulas know no such floor.
        fc.pre(rest / degrees > 0.3);
        const fit = fitLeastSquares(line(xs), ys, even(xs), NO_PRIOR);
        const [found] = fit!.combination([0, 1]);
        expect(found!.mean).toBeCloseTo(slope, 6);
        expect(found!.scale).toBeCloseTo(Math.sqrt(rest / degrees / sxx), 6);
        expect(fit!.degrees).toBe(degrees);
      }),
    );
  });

  it('does not mind the unit the weights are in', () => {
    const xs = [0, 1, 2, 3, 5];
    const ys = [3, 9, 8, 20, 17];
    const weights = [1, 2, 1, 0.5, 3];
    const half = (factor: number) => {
      const scaled = weights.map((weight) => weight * factor);
      const fit = fitLeastSquares(line(xs), ys, scaled, NO_PRIOR)!;
      return [...fit.coefficients, studentMixtureHalfWidth(fit.combination([0, 1]))];
    };
    for (const [index, value] of half(7).entries()) expect(value).toBeCloseTo(half(1)[index]!, 8);
  });

  it('says nothing where the observations cannot tell the columns apart, or are too few', () => {
    expect(fitLeastSquares(line([4, 4, 4]), [1, 2, 3], [1, 1, 1], NO_PRIOR)).toBeNull();
    expect(fitLeastSquares(line([1, 2]), [1, 2], [1, 1], NO_PRIOR)).toBeNull();
    expect(fitLeastSquares(line([1]), [1], [1], { degrees: 6, sd: 20 })).toBeNull();
    expect(fitLeastSquares([], [], [], NO_PRIOR)).toBeNull();
  });

  it('claims no certainty from points that lie on the line to the digit', () => {
    const fit = fitLeastSquares(line([1, 2, 3]), [10, 20, 30], [1, 1, 1], NO_PRIOR)!;
    expect(studentMixtureHalfWidth(fit.combination([0, 1]))).toBeGreaterThan(0.3);
  });

  it('holds the true slope nine times in ten, also when noise grows with distance', () => {
    const normal = standardNormal(seededUniform(11));
    const runs = 2000;
    let held = 0;
    for (let run = 0; run < runs; run += 1) {
      const xs = [5, 8, 11, 14, 17, 5, 8, 11, 14, 17];
      const ys = xs.map((x) => 4 - 3 * x + x * normal());
      const weights = xs.map((x) => 1 / x ** 2);
      const slope = fitLeastSquares(line(xs), ys, weights, NO_PRIOR)!.combination([0, 1]);
      const off = Math.abs(studentMixtureMean(slope) + 3);
      if (off <= studentMixtureHalfWidth(slope)) held += 1;
    }
    expect(held / runs).toBeGreaterThan(0.88);
    expect(held / runs).toBeLessThan(0.92);
  });
});
