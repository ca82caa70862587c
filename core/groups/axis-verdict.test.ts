import { describe, expect, it } from 'vitest';
import type { AxisEnd } from './ends-posterior.ts';
import { axisVerdict } from './axis-verdict.ts';

const PRIOR = { scatter: { degrees: 6, sdMm: 10 } };
/** Bare shafts so far out of the fletched. */
const end = (offsetMm: number): AxisEnd => ({
  fletchedMm: [-6, 5, 1],
  bareMm: [offsetMm - 4, offsetMm + 6, offsetMm - 2],
});

describe('whether an axis is surely out', () => {
  it('holds once two whole ends have said so', () => {
    expect(axisVerdict([end(80)], 25, PRIOR).holds).toBe(false);
    expect(axisVerdict([end(80), end(80)], 25, PRIOR).holds).toBe(true);
    expect(axisVerdict([end(-80), end(-80)], 25, PRIOR).holds).toBe(true);
  });

  it('holds no more when the end being shot says otherwise', () => {
    const back: AxisEnd = { fletchedMm: [-6, 5, 1], bareMm: [-70, -90] };
    const { call, holds } = axisVerdict([end(80), end(80), back], 25, PRIOR, 2);
    expect(call).toBe('undecided');
    expect(holds).toBe(false);
  });
});
