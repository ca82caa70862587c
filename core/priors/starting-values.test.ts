import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOW_KINDS, HOOKS, PURPOSES, SCHOOLS } from '../craft/bow-terms.ts';
import {
  BRACE_LIMIT_MARGIN_MM,
  likelySchool,
  startingBraceBand,
  startingCentreShotBand,
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

describe('a crawl', () => {
  const walker = (crawlMm?: number) => ({
    bowKind: 'targetRecurve' as const,
    amoLengthIn: 68,
    hook: 'stringWalk' as const,
    school: 'barebow' as const,
    purpose: 'field' as const,
    crawlMm,
  });
  it.each([
    [0, -2, 4],
    [25, -8, -2],
    [30, -9, -3],
    [45, -13, -7],
    [55, -15.5, -9.5],
  ])('of %d mm begins with tiller %d to %d mm', (crawlMm, low, high) => {
    expect(startingTillerBand(walker(crawlMm))).toMatchObject({ low, high });
  });
  it.each([
    [0, 3.5, 8.5],
    [30, 6.5, 11.5],
    [50, 8.5, 13.5],
  ])('of %d mm begins with the nocking point at %d to %d mm', (crawlMm, low, high) => {
    expect(startingNockingBand(walker(crawlMm))).toMatchObject({ low, high });
  });
  it('nobody has said leaves the bands wide', () => {
    expect(startingTillerBand(walker())).toMatchObject({ low: -6, high: 0 });
    expect(startingNockingBand(walker())).toMatchObject({ low: 6, high: 12 });
  });
  it('is nothing to who does not walk the string', () => {
    const split = { ...walker(30), hook: 'split' as const, school: 'sighted' as const };
    expect(startingTillerBand(split)).toMatchObject({ low: 3, high: 6 });
  });
});

it('a longbow’s point may stand well outward: its handle is not cut to the middle', () => {
  const bow = {
    bowKind: 'longbow' as const,
    amoLengthIn: 66,
    hook: 'threeUnder' as const,
    school: 'shelfHunting' as const,
    purpose: 'hunting' as const,
  };
  expect(startingCentreShotBand(bow, 8)).toMatchObject({ low: -0.5, high: 16 });
  expect(startingCentreShotBand({ ...bow, bowKind: 'takedownRecurve' }, 8).high).toBe(6);
});
