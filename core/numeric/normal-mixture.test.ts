import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mixtureCdf, mixtureQuantile, type NormalMixture } from './normal-mixture.ts';

const part = fc.record({
  weight: fc.double({ min: 0.05, max: 1, noNaN: true }),
  mean: fc.double({ min: -40, max: 40, noNaN: true }),
  sd: fc.double({ min: 0.01, max: 10, noNaN: true }),
});
const mixture = fc.array(part, { minLength: 1, maxLength: 4 }).map((parts): NormalMixture => {
  const sum = parts.reduce((total, { weight }) => total + weight, 0);
  return parts.map((one) => ({ ...one, weight: one.weight / sum }));
});
const share = fc.double({ min: 0.01, max: 0.99, noNaN: true });
const mirrored = (one: NormalMixture): NormalMixture =>
  one.map(({ weight, mean, sd }) => ({ weight, mean: -mean, sd }));

describe('mixtureQuantile', () => {
  it('is where the distribution function reaches p', () => {
    fc.assert(
      fc.property(mixture, share, (one, p) => {
        expect(mixtureCdf(one, mixtureQuantile(one, p))).toBeCloseTo(p, 4);
      }),
    );
  });

  it('kept to one side, is the quantile of what is left there', () => {
    fc.assert(
      fc.property(mixture, share, (one, p) => {
        const below = mixtureCdf(one, 0);
        if (below > 1e-3) {
          const x = mixtureQuantile(one, p, -1);
          expect(mixtureCdf(one, x) / below).toBeCloseTo(p, 3);
        }
        if (1 - below > 1e-3) {
          const x = mixtureQuantile(one, p, 1);
          expect((mixtureCdf(one, x) - below) / (1 - below)).toBeCloseTo(p, 3);
        }
      }),
    );
  });

  it('never leaves the side it is kept to, rises with p and mirrors, however thin that side is', () => {
    const thin = fc.record({
      mean: fc.double({ min: 1, max: 1e4, noNaN: true }),
      sd: fc.double({ min: 0.01, max: 1, noNaN: true }),
      second: fc.boolean(),
    });
    fc.assert(
      fc.property(thin, ({ mean, sd, second }) => {
        const far: NormalMixture = second
          ? [
              { weight: 0.5, mean, sd },
              { weight: 0.5, mean: mean * 1.1, sd },
            ]
          : [{ weight: 1, mean, sd }];
        const [low, high] = [0.05, 0.95].map((p) => mixtureQuantile(far, p, -1)) as [
          number,
          number,
        ];
        expect(low).toBeLessThanOrEqual(high);
        expect(high).toBeLessThanOrEqual(0);
        expect(Number.isFinite(low)).toBe(true);
        // What is kept lies within a few standard deviations of zero.
        expect(low).toBeGreaterThanOrEqual(-12 * sd);
        expect(mixtureQuantile(mirrored(far), 0.95, 1)).toBeCloseTo(-low, 9);
        expect(mixtureQuantile(mirrored(far), 0.05, 1)).toBeCloseTo(-high, 9);
      }),
    );
  });

  it('refuses a share that is none', () => {
    for (const p of [0, 1, -0.1, Number.NaN])
      expect(() => mixtureQuantile([{ weight: 1, mean: 0, sd: 1 }], p)).toThrow(RangeError);
  });
});
