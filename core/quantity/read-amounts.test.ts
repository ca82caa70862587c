import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toRuleFraction, writeRuleFraction } from './fraction.ts';
import { readAmounts } from './read-amounts.ts';
import { toStored } from './units.ts';

function valuesOf(text: string): readonly number[] {
  const read = readAmounts(text);
  if (!read.ok) throw new Error(read.refusal.says);
  return read.amounts.map((amount) => amount.value);
}

describe('readAmounts', () => {
  it.each([
    ['8 5/8', [8.625]],
    ['8-5/8"', [8.625]],
    ['8.625', [8.625]],
    ['7⅞', [7.875]],
    ['7 ⅞', [7.875]],
    ['½', [0.5]],
    ['-1/4', [-0.25]],
    ['−1/4', [-0.25]],
    ['+4', [4]],
    ['219 218.5 219', [219, 218.5, 219]],
    ['8 5/8 8 11/16', [8.625, 8.6875]],
    ['8 9 5/8', [8, 9.625]],
    ['.5', [0.5]],
  ])('reads %s', (text, expected) => {
    expect(valuesOf(text)).toEqual(expected);
  });

  it.each([
    ['219 mm', 'mm'],
    ['21.9cm', 'cm'],
    ['8 5/8 inches', 'in'],
    ['34#', 'lb'],
    ['34 lbs', 'lb'],
    ['1/4 turn', 'turn'],
    ['100gr', 'gr'],
  ])('knows the unit of %s', (text, unit) => {
    const read = readAmounts(text);
    expect(read.ok && read.amounts[0]?.unit).toBe(unit);
  });

  it('lets a unit at the end hold for every replicate', () => {
    const read = readAmounts('219 218.5 219 mm');
    expect(read.ok && read.amounts.map((amount) => amount.unit)).toEqual(['mm', 'mm', 'mm']);
  });

  it.each([
    ['8 9/', 2, 2, /stops/],
    ['8 9/0', 4, 1, /rule/],
    ['8,5,5', 3, 1, /comma/],
    ['219,218', 0, 7, /one number or two/],
    ['8 5/7', 4, 1, /rule/],
    ['8⅓', 1, 1, /rule/],
    ['8 9/8', 2, 3, /whole/],
    ['8 x', 2, 1, /not part/],
    ['8..5', 1, 1, /point/],
    ['+', 1, 1, /missing/],
  ])('points at what is wrong in %s', (text, at, length, says) => {
    const read = readAmounts(text);
    expect(read.ok).toBe(false);
    if (read.ok) return;
    expect(read.refusal).toMatchObject({ at, length });
    expect(read.refusal.says).toMatch(says);
    expect(read.refusal.remedy.length).toBeGreaterThan(5);
  });

  it('counts positions from the start of the whole field', () => {
    const read = readAmounts('b 8 9/', 1);
    expect(!read.ok && 'b 8 9/'.slice(read.refusal.at)).toBe('9/');
  });

  it('reads back every fraction it writes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 * 64 }),
        fc.constantFrom(8 as const, 16 as const, 32 as const, 64 as const),
        (parts, division) => {
          const value = parts / division;
          const written = writeRuleFraction(toRuleFraction(value, division));
          expect(valuesOf(written)).toEqual([value]);
        },
      ),
    );
  });

  it('never loses more than half a division in writing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.constantFrom(16 as const, 32 as const),
        (value, division) => {
          const [back = Number.NaN] = valuesOf(writeRuleFraction(toRuleFraction(value, division)));
          expect(Math.abs(back - value)).toBeLessThanOrEqual(0.5 / division + 1e-12);
        },
      ),
    );
  });

  it('either reads or points inside the text, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 24, unit: 'grapheme' }), (text) => {
        const read = readAmounts(text);
        if (read.ok) {
          for (const amount of read.amounts) expect(Number.isFinite(amount.value)).toBe(true);
        } else {
          expect(read.refusal.at).toBeGreaterThanOrEqual(0);
          expect(read.refusal.at).toBeLessThanOrEqual(text.length);
        }
      }),
      { numRuns: 500 },
    );
  });
});

describe('toStored', () => {
  it('takes an inch as exactly 25.4 mm and a pound as the standard one', () => {
    expect(toStored(8.625, 'in')).toBeCloseTo(219.075, 10);
    expect(toStored(34, 'lb')).toBeCloseTo(151.2395, 3);
    expect(toStored(100, 'gr')).toBeCloseTo(6.479891, 9);
  });
});
