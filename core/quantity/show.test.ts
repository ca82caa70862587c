import { describe, expect, it } from 'vitest';
import {
  showExact,
  showLength,
  showLengthBoth,
  showNumber,
  showSigned,
  showTurns,
} from './show.ts';

describe('showing numbers', () => {
  it('shows a length the bow’s way, never with false digits', () => {
    expect(showLength(219.075, { lengthUnit: 'in', division: 16 })).toBe('8 5/8 in');
    expect(showLength(8.6249999 * 25.4, { lengthUnit: 'in', division: 16 })).toBe('8 5/8 in');
    expect(showLength(219.075, { lengthUnit: 'mm', division: 16 })).toBe('219.1 mm');
    expect(showLengthBoth(219.075, 16)).toBe('219.1 mm · 8 5/8 in');
  });
  it('carries a fraction that rounds up to the next inch', () => {
    expect(showLength(8.99 * 25.4, { lengthUnit: 'in', division: 16 })).toBe('9 in');
  });
  it('never writes minus zero', () => {
    expect(showNumber(-0.04, 1)).toBe('0.0');
    expect(showSigned(0.04, 1)).toBe('0.0');
    expect(showSigned(-2.5, 1)).toBe('−2.5');
  });
  it('writes turns in eighths', () => {
    expect(showTurns(0.125)).toBe('1/8 turn');
    expect(showTurns(1.5)).toBe('1 1/2 turns');
    expect(showExact(2.5)).toBe('2.5');
    expect(showExact(3)).toBe('3');
  });
});
