import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { medianOf, momentsOf, sampleSd, withOne } from './moments.ts';
import { drawnIndex } from './random.ts';

describe('what a list of numbers comes to', () => {
  it('is its mean and the squares about it; nothing of an empty one: hand-worked', () => {
    expect(momentsOf([2, 4, 9])).toEqual({ count: 3, mean: 5, squares: 26 });
    expect(momentsOf([])).toEqual({ count: 0, mean: 0, squares: 0 });
    expect(sampleSd([2, 4, 9])).toBeCloseTo(Math.sqrt(13), 12);
    expect(() => sampleSd([2])).toThrow(RangeError);
  });

  it('has the middle one as its median, or lies between two, in whatever order', () => {
    expect(medianOf([10, -3, 2])).toBe(2);
    expect(medianOf([10, -3, 2, 100])).toBe(6);
    expect(medianOf(Float64Array.of(5))).toBe(5);
    expect(() => medianOf([])).toThrow(RangeError);
  });

  it('is the same one by one as all at once', () => {
    const value = fc.double({ min: -500, max: 500, noNaN: true });
    fc.assert(
      fc.property(fc.array(value, { maxLength: 20 }), (values) => {
        const grown = values.reduce(withOne, momentsOf([]));
        const all = momentsOf(values);
        expect(grown.count).toBe(values.length);
        expect(grown.mean).toBeCloseTo(all.mean, 8);
        expect(grown.squares).toBeCloseTo(all.squares, 5);
      }),
    );
  });
});

describe('drawing one of several', () => {
  it('goes by their shares, from the first on', () => {
    const odds = [0.25, 0, 0.5, 0.25];
    const drawn = (uniform: number) => drawnIndex(odds, uniform);
    expect([0, 0.24, 0.25, 0.74, 0.75, 0.999].map(drawn)).toEqual([0, 0, 2, 2, 3, 3]);
  });

  it('takes the last one where the shares fall short of 1 by rounding', () => {
    expect(drawnIndex([0.3, 0.6], 0.95)).toBe(1);
  });
});
