import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { combination, fitGridLinear, type LinearObservation } from './grid-linear.ts';
import { mixtureCdf, mixtureMean, mixtureQuantile } from './normal-mixture.ts';

const UNUSED = { low: -1, high: 1, logDensity: () => 0 };

describe('fitGridLinear', () => {
  it('is the conjugate result for one gain: hand-worked', () => {
    // Prior N(0.8, 0.4²), one change of 4 read as 2.0 with variance 0.49.
    const observation = { row: [4], special: 0, y: 2, variance: 0.49 };
    const [part] = combination(
      fitGridLinear([observation], [{ mean: 0.8, sd: 0.4 }], UNUSED),
      [1],
      0,
    );
    const precision = 1 / 0.16 + 16 / 0.49;
    expect(part!.mean).toBeCloseTo((0.8 / 0.16 + (4 * 2) / 0.49) / precision, 10);
    expect(part!.sd).toBeCloseTo(1 / Math.sqrt(precision), 10);
  });

  it('learns a bare-shaft gain no faster than one scalar update after another', () => {
    const step = fc.record({
      x: fc.double({ min: -2, max: 2, noNaN: true }),
      y: fc.double({ min: -60, max: 60, noNaN: true }),
      sd: fc.double({ min: 4, max: 30, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let mean = -20;
        let variance = 12 ** 2;
        for (const { x, y, sd } of steps) {
          const gain = (variance * x) / (x * x * variance + sd * sd);
          mean += gain * (y - x * mean);
          variance *= 1 - gain * x;
        }
        const observations = steps.map(
          ({ x, y, sd }): LinearObservation => ({ row: [x], special: 0, y, variance: sd * sd }),
        );
        const [part] = combination(
          fitGridLinear(observations, [{ mean: -20, sd: 12 }], UNUSED),
          [1],
          0,
        );
        expect(part!.mean).toBeCloseTo(mean, 5);
        expect(part!.sd / Math.sqrt(variance)).toBeCloseTo(1, 6);
        expect(part!.sd).toBeLessThanOrEqual(12 + 1e-9);
      }),
    );
  });

  it('integrates the one parameter that is not normal as a fine sum over it does', () => {
    const special = {
      low: 0.05,
      high: 6,
      logDensity: (v: number) => -Math.log(v) - Math.log(v) ** 2 / 2,
    };
    const observations: readonly LinearObservation[] = [
      { row: [1, 0], special: 0, y: 10.2, variance: 0.3 },
      { row: [1, 1], special: 3, y: 13.9, variance: 0.3 },
      { row: [1, -1], special: 5, y: 17.5, variance: 0.3 },
    ];
    const priors = [
      { mean: 10, sd: 5 },
      { mean: 0, sd: 0.5 },
    ];
    const posterior = fitGridLinear(observations, priors, special);
    // Oracle: for every v a plain two-parameter sum over a lattice of the other two.
    let total = 0;
    let first = 0;
    for (let v = 0.05; v <= 6; v += 0.02) {
      let weight = 0;
      for (let a = 5; a <= 15; a += 0.1) {
        for (let b = -2; b <= 2; b += 0.1) {
          let log = special.logDensity(v) - (a - 10) ** 2 / 50 - b ** 2 / 0.5;
          for (const { row, special: s, y, variance } of observations)
            log -= (y - row[0]! * a - row[1]! * b - s * v) ** 2 / (2 * variance);
          weight += Math.exp(log);
        }
      }
      total += weight;
      first += weight * v;
    }
    expect(mixtureMean(combination(posterior, [0, 0], 1))).toBeCloseTo(first / total, 2);
  });

  it('leaves what is known exactly where it is, and learns the rest as if it were not there', () => {
    const seen = (row: number[]) => ({ row, special: 0, y: 7, variance: 1 });
    for (const sd of [0, 1e-198]) {
      const both = fitGridLinear(
        [seen([1, 2])],
        [
          { mean: 3, sd },
          { mean: 0, sd: 2 },
        ],
        UNUSED,
      );
      // 7 − 3 = 4 = 2 θ + e: precision ¼ + 4, mean 2 · 4 / 4.25.
      expect(both.base).toEqual([3, expect.closeTo(8 / 4.25, 10)]);
      expect(both.covariance).toEqual([
        [0, 0],
        [0, expect.closeTo(1 / 4.25, 10)],
      ]);
    }
  });

  it('refuses a spread that is no number', () => {
    const observation = { row: [1], special: 0, y: 0, variance: 1 };
    expect(() => fitGridLinear([observation], [{ mean: 0, sd: Number.NaN }], UNUSED)).toThrow(
      RangeError,
    );
  });

  it('refuses rows of another length', () => {
    const observation = { row: [1, 2], special: 0, y: 0, variance: 1 };
    expect(() => fitGridLinear([observation], [{ mean: 0, sd: 1 }], UNUSED)).toThrow(RangeError);
  });
});

describe('mixtureQuantile', () => {
  it('undoes the distribution, whole or kept to one side of zero', () => {
    const part = fc.record({
      weight: fc.constant(0.5),
      mean: fc.double({ min: -3, max: 3, noNaN: true }),
      sd: fc.double({ min: 0.1, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.tuple(part, part),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (mixture, p) => {
          expect(mixtureCdf(mixture, mixtureQuantile(mixture, p))).toBeCloseTo(p, 5);
          const above = mixtureQuantile(mixture, p, 1);
          // The tail beyond x is reckoned from its own end: 1 less a distribution near 1 is noise.
          const mirrored = mixture.map((one) => ({ ...one, mean: -one.mean }));
          const beyond = (x: number) => mixtureCdf(mirrored, -x);
          expect(1 - beyond(above) / beyond(0)).toBeCloseTo(p, 4);
        },
      ),
      { numRuns: 500 },
    );
  });
  it('refuses a p that is no probability', () => {
    expect(() => mixtureQuantile([{ weight: 1, mean: 0, sd: 1 }], 1)).toThrow(RangeError);
  });
});
