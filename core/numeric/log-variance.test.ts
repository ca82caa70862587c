import { describe, expect, it } from 'vitest';
import { logVariance } from './log-variance.ts';
import { meanOf, sampleSd, squaresAboutMean } from './moments.ts';
import { seededUniform, standardNormal } from './random.ts';

describe('logVariance', () => {
  it.each([1, 2, 5, 30])('is unbiased and as uncertain as it says, %i degrees', (degrees) => {
    const normal = standardNormal(seededUniform(3 + degrees));
    const sd = 17;
    const seen = Array.from({ length: 4000 }, () => {
      const values = Array.from({ length: degrees + 1 }, () => sd * normal());
      return logVariance(squaresAboutMean(values), degrees);
    });
    const means = seen.map(({ mean }) => mean);
    const spread = Math.sqrt(seen[0]!.variance);
    expect(meanOf(means)).toBeCloseTo(Math.log(sd ** 2), 1);
    expect(sampleSd(means) / spread).toBeGreaterThan(0.95);
    expect(sampleSd(means) / spread).toBeLessThan(1.05);
  });
});

describe('squares about the mean', () => {
  it('lose no digits far from zero', () => {
    const values = [1, 2, 4].map((value) => value + 1e9);
    expect(squaresAboutMean(values)).toBeCloseTo(squaresAboutMean([1, 2, 4]), 6);
  });
  it('are refused where there is nothing to take them of', () => {
    expect(squaresAboutMean([])).toBe(0);
    expect(() => meanOf([])).toThrow(RangeError);
    expect(() => sampleSd([3])).toThrow(RangeError);
  });
});
