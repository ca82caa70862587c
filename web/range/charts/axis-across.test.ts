import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { axisAcross, axisUp } from './axis-across.ts';

describe('the axis across a walk-back', () => {
  it('has whole units, the mark in the middle', () => {
    expect(axisAcross(2.4, 'cm')).toEqual({ domain: [-3, 3], ticks: [-3, -2, -1, 0, 1, 2, 3] });
    expect(axisAcross(11, 'cm')).toEqual({
      domain: [-15, 15],
      ticks: [-15, -10, -5, 0, 5, 10, 15],
    });
    expect(axisAcross(0.3, 'in').ticks).toEqual([-1, 0, 1]);
    expect(axisAcross(0, 'cm').ticks).toEqual([-1, 0, 1]);
  });

  it('holds everything drawn, with few ticks, each written once a side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.constantFrom('cm' as const, 'in' as const),
        (reach, unit) => {
          const { domain, ticks } = axisAcross(reach, unit);
          expect(domain[1]).toBeGreaterThanOrEqual(reach);
          expect(ticks.length).toBeLessThanOrEqual(15);
          const right = ticks.filter((tick) => tick >= 0).map((tick) => tick.toFixed(0));
          expect(new Set(right).size).toBe(right.length);
        },
      ),
    );
  });
});

describe('the axis upward', () => {
  it('counts by ones, twos and fives, whatever lies on it', () => {
    expect(axisUp(78).ticks).toEqual([0, 20, 40, 60, 80]);
    expect(axisUp(7.2).ticks).toEqual([0, 2, 4, 6, 8]);
    expect(axisUp(0.9)).toMatchObject({ domain: [0, 1], decimals: 1 });
    expect(axisUp(0).ticks).toHaveLength(2);
  });

  it('holds everything drawn, and writes no two ticks alike', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (most) => {
        const { domain, ticks, decimals } = axisUp(most);
        expect(domain[1]).toBeGreaterThanOrEqual(most - 1e-6);
        expect(ticks.length).toBeLessThanOrEqual(6);
        expect(new Set(ticks.map((tick) => tick.toFixed(decimals))).size).toBe(ticks.length);
      }),
    );
  });
});
