import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arrowSlopeMm,
  locatorGapMm,
  locatorTurns,
  servingThreadMm,
  slopeEquivalentMm,
} from './locators.ts';
import { armBelowPlungerMm, atPointFromPlunger, diameterEffect } from './rest-geometry.ts';

describe('locators', () => {
  it('climb one thread a turn', () => {
    expect(locatorTurns(2, 0.5)).toBe(4);
    expect(() => locatorTurns(2, 5)).toThrow(RangeError);
  });
  it('leave half a millimetre to either side of the nock', () => {
    expect(locatorGapMm(7)).toBe(8);
  });
  it('keep the slope when shaft and nock change, and come back', () => {
    const arrow = fc.record({
      shaftDiameterMm: fc.double({ min: 4, max: 10, noNaN: true }),
      nockHeightMm: fc.double({ min: 5, max: 10, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), arrow, arrow, (height, from, to) => {
        const other = slopeEquivalentMm(height, from, to);
        expect(arrowSlopeMm(other, to)).toBeCloseTo(arrowSlopeMm(height, from), 9);
        expect(slopeEquivalentMm(other, to, from)).toBeCloseTo(height, 9);
      }),
    );
  });
  it('ask about a thread of 0.19 in and mean 0.019', () => {
    expect(servingThreadMm({ mm: 0.19 * 25.4, typed: '0.19 in' })).toMatchObject({
      kind: 'asks',
      typed: '0.019 in',
    });
    expect(servingThreadMm({ mm: 0.5, typed: '0.5' })).toEqual({ kind: 'thread', mm: 0.5 });
  });
});

describe('rest geometry', () => {
  it('puts a level arm half a shaft below the plunger, a little more when it slopes', () => {
    expect(armBelowPlungerMm(6, 0)).toBe(3);
    expect(armBelowPlungerMm(6, 10)).toBeGreaterThan(3);
  });
  it('lowers the arm and draws the plunger in by half the difference for a fatter shaft', () => {
    const effect = diameterEffect(5.6, 9.3, 0);
    expect(effect.armDownMm).toBeCloseTo(1.85, 9);
    expect(effect.nockingHeightMoreMm).toBeCloseTo(1.85, 9);
    expect(effect.reachInTurns).toBeCloseTo(1.85 / (25.4 / 24), 9);
  });
  it('shows about three times as much at the point as at the plunger', () => {
    expect(atPointFromPlunger(1, 730, 230)).toBeCloseTo(3.17, 2);
    expect(() => atPointFromPlunger(1, 200, 230)).toThrow(RangeError);
  });
});
