import { describe, expect, it } from 'vitest';
import { type FinishEnd, sideBySide } from './side-by-side.ts';

const MINUTE = 60_000;
const end = (setting: number, minutes: number, windy = false): FinishEnd => ({
  atMs: minutes * MINUTE,
  end: { setting, squaresMm2: 1000 * (1 + setting), degrees: 10, day: 0, windy, tired: false },
});
const A = 0;
const B = 1;
const of = (...ends: readonly FinishEnd[]) => sideBySide(ends, A, B);

describe('sideBySide', () => {
  it('asks for one, the other, and the one again', () => {
    expect(of()).toMatchObject({ next: A, comparison: null, apart: 0 });
    expect(of(end(A, 0))).toMatchObject({ next: B, comparison: null });
    expect(of(end(A, 0), end(B, 8))).toMatchObject({ next: A, bestEnds: 1, otherEnds: 1 });
    const whole = of(end(A, 0), end(B, 8), end(A, 16));
    expect(whole).toMatchObject({ next: null, bestEnds: 2, otherEnds: 1, apart: 0 });
    // Half the variance: a group 0.71 times as large.
    expect(whole.comparison?.ratio).toBeCloseTo(Math.SQRT1_2, 1);
  });

  it('takes two ends of one setting running for one: nothing was gone back to', () => {
    expect(of(end(A, 0), end(A, 5), end(B, 10)).next).toBe(A);
    expect(of(end(B, 0), end(A, 5)).next).toBe(B);
  });

  it('sets nothing beside an end of another half hour or in other wind', () => {
    expect(of(end(A, 0), end(B, 9 * 24 * 60))).toMatchObject({
      comparison: null,
      next: A,
      bestEnds: 0,
      apart: 1,
    });
    expect(of(end(A, 0), end(B, 10, true))).toMatchObject({ comparison: null, apart: 1 });
    expect(of(end(A, 0), end(B, 20), end(A, 31))).toMatchObject({ next: B, apart: 1 });
  });

  it('keeps a whole block when more is shot later', () => {
    const later = of(end(A, 0), end(B, 8), end(A, 16), end(B, 300));
    expect(later).toMatchObject({ next: null, bestEnds: 2, apart: 1 });
  });

  it('knows no other settings', () => {
    expect(of(end(A, 0), end(0.5, 4), end(B, 8), end(A, 16))).toMatchObject({
      next: null,
      apart: 0,
    });
  });
});
