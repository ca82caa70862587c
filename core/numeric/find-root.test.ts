import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findRisingRoot } from './find-root.ts';

describe('the root finder', () => {
  it('finds the cube root of two, and √2 where a parabola rises', () => {
    const cube = findRisingRoot((x) => x ** 3 - 2, 0, 2, 1e-12);
    expect(cube.kind === 'converged' && cube.at).toBeCloseTo(Math.cbrt(2), 11);
    const square = findRisingRoot((x) => x * x - 2, 0, 2, 1e-9);
    expect(square.kind === 'converged' && square.at).toBeCloseTo(Math.SQRT2, 8);
  });

  it('comes within the tolerance it is given, wherever the root lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        fc.double({ min: 1e-6, max: 1, noNaN: true }),
        (root, below, above, tolerance) => {
          const found = findRisingRoot((x) => x - root, root - below, root + above, tolerance);
          expect(found.kind).toBe('converged');
          if (found.kind === 'converged')
            expect(Math.abs(found.at - root)).toBeLessThanOrEqual(tolerance + 1e-9);
        },
      ),
    );
  });

  it('takes a step of the function for its root', () => {
    const found = findRisingRoot((x) => (x < 3 ? -1 : 1), 0, 10, 1e-9);
    expect(found.kind === 'converged' && found.at).toBeCloseTo(3, 8);
  });

  /** How often a function is asked for its root between `low` and `high`. */
  function asked(f: (x: number) => number, low: number, high: number, tolerance: number): number {
    let times = 0;
    findRisingRoot(
      (x) => {
        times += 1;
        return f(x);
      },
      low,
      high,
      tolerance,
    );
    return times;
  }

  it('never looks oftener than both ends and twice as often as halving would, whatever the function', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(1e-9, 1e-3, 1, 1e3, Number.POSITIVE_INFINITY),
        fc.constantFrom(1e-9, 1, 1e9),
        fc.constantFrom(1, 3, 25, 0.04),
        (root, below, above, power) => {
          const bent = (x: number) =>
            (x < root ? -below : above) * Math.max(1e-200, Math.abs(x - root) ** power);
          expect(asked(bent, 0, 1, 2 ** -21)).toBeLessThanOrEqual(2 + 2 * 20);
        },
      ),
    );
  });

  it('takes a handful of looks at what is smooth, where halving takes thirty', () => {
    const logistic = (x: number) => 1 / (1 + Math.exp(-x)) - 0.95;
    expect(asked(logistic, -40, 40, 80 * 2 ** -31)).toBeLessThanOrEqual(14);
    expect(asked((x) => x ** 3 - 2, 0, 2, 2 ** -30)).toBeLessThanOrEqual(12);
  });

  it('says so when there is no root between the ends, or the function is no number', () => {
    expect(findRisingRoot((x) => x + 1, 0, 1, 1e-6)).toEqual({ kind: 'noBracket' });
    expect(findRisingRoot((x) => x - 2, 0, 1, 1e-6)).toEqual({ kind: 'noBracket' });
    // Falling: not what it was made for.
    expect(findRisingRoot((x) => 0.5 - x, 0, 1, 1e-6)).toEqual({ kind: 'noBracket' });
    expect(findRisingRoot(() => Number.NaN, 0, 1, 1e-6)).toEqual({ kind: 'noBracket' });
  });

  it('says so when the numbers end before the tolerance is met', () => {
    const found = findRisingRoot((x) => (x > 1.5e15 ? 1 : -1), 1e15, 2e15, 1e-9);
    expect(found.kind).toBe('stalled');
    if (found.kind === 'stalled') {
      expect(found.low).toBeLessThanOrEqual(1.5e15);
      expect(found.high).toBeGreaterThanOrEqual(1.5e15);
      expect(found.high - found.low).toBeLessThan(1);
    }
  });

  it.each([
    [1, 1, 1e-6],
    [2, 1, 1e-6],
    [0, Number.POSITIVE_INFINITY, 1e-6],
    [Number.NaN, 1, 1e-6],
    [0, 1, 0],
    [0, 1, Number.NaN],
  ])('refuses the bracket %d to %d with the tolerance %d', (low, high, tolerance) => {
    expect(() => findRisingRoot((x) => x, low, high, tolerance)).toThrow(RangeError);
  });
});
