import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { combination, fitGridLinear, type LinearObservation } from './grid-linear.ts';
import { mixtureMean, mixtureQuantile } from './normal-mixture.ts';

const SPECIAL = { low: 0.1, high: 3, logDensity: (v: number) => -Math.log(v) - Math.log(v) ** 2 };
const PRIORS = [
  { mean: 1, sd: 0.5 },
  { mean: -2, sd: 2 },
];
/** A level of its own, and something it shares with nobody. */
const OWN = [
  { mean: 200, sd: 60 },
  { mean: 0, sd: 1.5 },
];
/** Which string it is, what was turned, how long it was shot, where it read. */
const reading = fc.record({
  string: fc.integer({ min: 0, max: 3 }),
  first: fc.integer({ min: -6, max: 6 }),
  second: fc.double({ min: -2, max: 2, noNaN: true }),
  shot: fc.double({ min: 0, max: 1, noNaN: true }),
  special: fc.double({ min: -4, max: 4, noNaN: true }),
  y: fc.double({ min: 150, max: 250, noNaN: true }),
  variance: fc.constantFrom(0.1, 0.4, 3),
});

describe('observations apart', () => {
  it('say of what all have in common just what they say with their own columns beside the others’', () => {
    const quantiles = [0.05, 0.5, 0.95];
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 30 }), (readings) => {
        const STRINGS = 4;
        const whole = fitGridLinear(
          readings.map(({ string, first, second, shot, ...rest }): LinearObservation => {
            const row = new Array<number>(2 + 2 * STRINGS).fill(0);
            [row[0], row[1]] = [first, second];
            [row[2 + 2 * string], row[3 + 2 * string]] = [1, shot];
            return { row, ...rest };
          }),
          [...PRIORS, ...Array.from({ length: STRINGS }, () => OWN).flat()],
          SPECIAL,
        );
        const ofString = (wanted: number) =>
          readings
            .filter(({ string }) => string === wanted)
            .map(
              ({ first, second, shot, special, y, variance }): LinearObservation => ({
                row: [first, second, 1, shot],
                special,
                y,
                variance,
              }),
            );
        const parted = fitGridLinear(
          ofString(3),
          [...PRIORS, ...OWN],
          SPECIAL,
          [0, 1, 2].map((string) => ({ observations: ofString(string), priors: OWN })),
        );
        for (const [first, second, level, shot, special] of [
          [1, 0, 0, 0, 0],
          [0, 1, 0, 0, 0],
          [2, -1, 1, 0.5, 1],
          [0, 0, 0, 0, 1],
        ] as const) {
          const ofAll = [first, second, 0, 0, 0, 0, 0, 0, level, shot];
          const one = combination(parted, [first, second, level, shot], special);
          const other = combination(whole, ofAll, special);
          expect(mixtureMean(one)).toBeCloseTo(mixtureMean(other), 5);
          for (const p of quantiles)
            expect(mixtureQuantile(one, p)).toBeCloseTo(mixtureQuantile(other, p), 4);
        }
      }),
    );
  });

  it('are refused where a spread of their own is no number', () => {
    const seen = { observations: [{ row: [1, 1], special: 0, y: 3, variance: 1 }] };
    const apart = { ...seen, priors: [{ mean: 0, sd: Number.NaN }] };
    expect(() => fitGridLinear([], [{ mean: 0, sd: 1 }], SPECIAL, [apart])).toThrow(RangeError);
  });
});
