import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isLateral, readingFigure, showReading } from './show-reading.ts';
import { READING_KINDS } from './readings.ts';

const INCHES = { lengthUnit: 'in', division: 16, hand: 'left' } as const;

describe('showReading', () => {
  it('shows lengths in the bow’s unit, weight in pounds', () => {
    expect(showReading('braceHeight', 219.075, INCHES)).toBe('8 5/8 in');
    expect(showReading('braceHeight', 219.075, { ...INCHES, lengthUnit: 'mm' })).toBe('219.1 mm');
    expect(showReading('drawWeight', 34 * 4.4482216152605, INCHES)).toBe('34.0 lb');
  });
  it('never rounds half a millimetre of centre shot to a sixteenth', () => {
    expect(showReading('centreShotAtPoint', 0.6, INCHES)).toBe('0.6 mm right');
    expect(showReading('restHeight', 0.6, INCHES)).toBe('+0.6 mm');
    expect(readingFigure('limbLineTop', 0, INCHES)).toEqual({ figure: '0.0', unit: 'mm' });
  });
  it('names the other side for the other hand, with the same figure', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...READING_KINDS.filter(isLateral)),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        fc.boolean(),
        (kind, size, inward) => {
          const value = inward ? -size : size;
          const left = readingFigure(kind, value, INCHES);
          const right = readingFigure(kind, value, { ...INCHES, hand: 'right' });
          expect(left.figure).toBe(right.figure);
          expect(new Set([left.unit, right.unit])).toEqual(new Set(['mm left', 'mm right']));
          expect(readingFigure(kind, -value, INCHES).unit).toBe(right.unit);
        },
      ),
    );
  });
});
