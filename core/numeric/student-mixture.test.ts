import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type StudentMixture,
  studentMixtureCdf,
  studentMixtureHalfWidth,
  studentMixtureMean,
  studentMixtureScaled,
} from './student-mixture.ts';

const part = fc.record({
  weight: fc.double({ min: 0.05, max: 1, noNaN: true }),
  degrees: fc.integer({ min: 2, max: 200 }),
  mean: fc.double({ min: -200, max: 200, noNaN: true }),
  scale: fc.double({ min: 0.1, max: 60, noNaN: true }),
});
const mixture = fc.array(part, { minLength: 1, maxLength: 4 }).map((parts): StudentMixture => {
  const sum = parts.reduce((total, { weight }) => total + weight, 0);
  return parts.map((one) => ({ ...one, weight: one.weight / sum }));
});

describe('a mixture of Student t', () => {
  it('with one part, has the half width of the table: t₀.₉₅(ν) times its scale', () => {
    fc.assert(
      fc.property(part, (one) => {
        const half = studentMixtureHalfWidth([{ ...one, weight: 1 }]);
        expect(half / one.scale).toBeCloseTo(tQuantile(0.95, one.degrees), 5);
      }),
    );
  });

  it('holds about its middle what the level says, when its parts share their mean', () => {
    fc.assert(
      fc.property(
        mixture,
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (parts, level, mean) => {
          const one = parts.map((each) => ({ ...each, mean }));
          const half = studentMixtureHalfWidth(one, level);
          const held = studentMixtureCdf(one, mean + half) - studentMixtureCdf(one, mean - half);
          expect(held).toBeCloseTo(level, 5);
        },
      ),
    );
  });

  it('finds a quantile however heavy its tails and near its middle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.3, max: 6, noNaN: true }),
        fc.double({ min: 1e-6, max: 0.9999, noNaN: true }),
        fc.double({ min: 1, max: 8, noNaN: true }),
        (powerOfTen, level, wider) => {
          const alike = { mean: 30, degrees: 10 ** powerOfTen };
          const one: StudentMixture = [
            { ...alike, weight: 0.75, scale: 4 },
            { ...alike, weight: 0.25, scale: 4 * wider },
          ];
          const half = studentMixtureHalfWidth(one, level);
          const held = studentMixtureCdf(one, 30 + half) - studentMixtureCdf(one, 30 - half);
          expect(held).toBeCloseTo(level, 7);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('has a distribution function that rises from 0 to 1 and mirrors', () => {
    fc.assert(
      fc.property(mixture, fc.array(fc.integer({ min: -900, max: 900 })), (one, at) => {
        const mirrored = one.map((each) => ({ ...each, mean: -each.mean }));
        const values = at.toSorted((a, b) => a - b).map((x) => studentMixtureCdf(one, x));
        for (const [index, value] of values.entries())
          expect(value).toBeGreaterThanOrEqual((values[index - 1] ?? 0) - 1e-12);
        for (const [index, x] of at.toSorted((a, b) => a - b).entries()) {
          expect(values[index]).toBeGreaterThanOrEqual(0);
          expect(values[index]).toBeLessThanOrEqual(1 + 1e-12);
          expect(studentMixtureCdf(mirrored, -x)).toBeCloseTo(1 - values[index]!, 9);
        }
      }),
    );
  });

  it('scales as lengths do', () => {
    fc.assert(
      fc.property(mixture, fc.double({ min: 0.1, max: 5, noNaN: true }), (one, factor) => {
        const scaled = studentMixtureScaled(one, factor);
        expect(studentMixtureMean(scaled)).toBeCloseTo(factor * studentMixtureMean(one), 6);
        const ratio = studentMixtureHalfWidth(scaled) / studentMixtureHalfWidth(one);
        expect(ratio).toBeCloseTo(factor, 5);
      }),
    );
  });

  it('refuses a level that is none', () => {
    for (const level of [0, 1, -1, Number.NaN])
      expect(() =>
        studentMixtureHalfWidth([{ weight: 1, degrees: 4, mean: 0, scale: 1 }], level),
      ).toThrow(RangeError);
  });
});
