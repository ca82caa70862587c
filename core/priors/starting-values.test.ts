import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOW_KINDS, HOOKS, PURPOSES, SCHOOLS } from '../craft/bow-terms.ts';
import {
  BRACE_LIMIT_MARGIN_MM,
  likelySchool,
  startingBraceBand,
  startingNockingBand,
  startingTillerBand,
} from './starting-values.ts';

describe('startingBraceBand', () => {
  it.each([
    ['targetRecurve', 62, 205, 216],
    ['targetRecurve', 64, 205, 216],
    ['targetRecurve', 66, 210, 222],
    ['targetRecurve', 67, 213, 227],
    ['targetRecurve', 68, 216, 232],
    ['targetRecurve', 70, 222, 238],
    ['takedownRecurve', 56, 165, 190],
    ['takedownRecurve', 58, 165, 190],
    ['takedownRecurve', 60, 190, 210],
    ['takedownRecurve', 62, 190, 210],
    ['longbow', 66, 155, 180],
    ['longbow', 68, 155, 180],
  ] as const)('%s of %d in: %d to %d mm', (kind, length, low, high) => {
    expect(startingBraceBand(kind, length)).toMatchObject({ low, high });
  });
  it('is followed by a limit 6 mm beyond', () => {
    expect(BRACE_LIMIT_MARGIN_MM).toBe(6);
  });
  it('never falls as a bow gets longer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...BOW_KINDS),
        fc.integer({ min: 41, max: 80 }),
        (kind, length) => {
          const shorter = startingBraceBand(kind, length - 1);
          const longer = startingBraceBand(kind, length);
          expect(longer.low).toBeGreaterThanOrEqual(shorter.low);
          expect(longer.high).toBeGreaterThan(longer.low);
        },
      ),
    );
  });
  it('refuses a length no bow has', () => {
    expect(() => startingBraceBand('longbow', 6.6)).toThrow(RangeError);
    expect(() => startingBraceBand('longbow', Number.NaN)).toThrow(RangeError);
  });
});

it('fills every band for every combination and calls each a rule of thumb', () => {
  for (const bowKind of BOW_KINDS)
    for (const hook of HOOKS)
      for (const purpose of PURPOSES)
        for (const school of SCHOOLS) {
          const from = { bowKind, amoLengthIn: 66, hook, purpose, school };
          for (const band of [startingTillerBand(from), startingNockingBand(from)]) {
            expect(band.high).toBeGreaterThan(band.low);
            expect(band.source).toBe('rule of thumb');
            expect(band.why).not.toBe('');
          }
        }
});

it('suggests barebow to string-walkers and the shelf to hunters', () => {
  expect(likelySchool('targetRecurve', 'stringWalk', 'field')).toBe('barebow');
  expect(likelySchool('longbow', 'split', 'hunting')).toBe('shelfHunting');
  expect(likelySchool('targetRecurve', 'split', 'target')).toBe('sighted');
});
