import { expect, it } from 'vitest';
import { unlikeWords } from '../words/fine-tuning-words.ts';
import { compareSettings } from './compare-settings.ts';
import { fitTuning, isSettled } from './fine-tuning.ts';
import type { TunedEnd } from './tuned-end.ts';

const SETTINGS = [-1, -0.5, 0, 0.5, 1];
/** An end exactly as wide as said: squares of ten degrees. */
const end = (setting: number, groupMm: number, day = 0): TunedEnd => ({
  setting,
  squaresMm2: 10 * groupMm ** 2,
  degrees: 10,
  day,
  windy: false,
  tired: false,
});
const ends = (group: (setting: number) => number, each = 3) =>
  SETTINGS.flatMap((setting) =>
    Array.from({ length: each }, (_, day) => end(setting, group(setting), day)),
  );

it('finds a bowl where it lies, and says nothing against it', () => {
  const fit = fitTuning(
    ends((s) => 20 * Math.exp(0.5 * (s - 0.5) ** 2)),
    { settings: SETTINGS },
  );
  expect(fit.best.setting).toBe(0.5);
  expect(fit.unlike).toBeNull();
  expect(unlikeWords({ fit })).toBeNull();
  const { ratio, low, high, oneIsBetter } = fit.compare(0.5, -1);
  expect(ratio).toBeLessThan(0.6);
  expect(low).toBeLessThan(ratio);
  expect(high).toBeLessThan(1);
  expect(oneIsBetter).toBeGreaterThan(0.98);
});

it('notices a hill, a bowl far too steep, and ends that lie on no curve', () => {
  const hill = fitTuning(
    ends((s) => 20 * Math.exp(-0.7 * s ** 2)),
    { settings: SETTINGS },
  );
  expect(hill.unlike).toBe('hill');
  expect(unlikeWords({ fit: hill })).toMatch(/no valley: groups are widest in the middle/);
  expect(Math.abs(hill.best.setting)).toBe(1);
  const steep = fitTuning(
    ends((s) => 20 * Math.exp(2 * s ** 2)),
    { settings: SETTINGS },
  );
  expect(steep.unlike).toBe('steep');
  expect(unlikeWords({ fit: steep })).toMatch(/Far steeper.*contact or a loose part/);
  const rough = fitTuning(
    SETTINGS.flatMap((s) => [end(s, 12, 0), end(s, 34, 0), end(s, 12, 0)]),
    { settings: SETTINGS },
  );
  expect(rough.unlike).toBe('rough');
  expect(unlikeWords({ fit: rough })).toMatch(/do not lie on one curve/);
});

it('compares a setting with itself as the same, and mirrored as the inverse', () => {
  const fit = fitTuning(
    ends((s) => 20 * Math.exp(0.4 * s ** 2)),
    { settings: SETTINGS },
  );
  const same = fit.compare(0.5, 0.5);
  expect(same).toMatchObject({ ratio: 1, low: 1, high: 1 });
  expect(same.oneIsBetter).toBeCloseTo(0.5, 9);
  const [one, other] = [fit.compare(0, 1), fit.compare(1, 0)];
  expect(one.ratio * other.ratio).toBeCloseTo(1, 9);
  expect(one.low * other.high).toBeCloseTo(1, 9);
});

it('finds the corner of a V near where it lies, and a flat control flat', () => {
  const corner = fitTuning(
    ends((s) => 20 * Math.exp(0.6 * Math.abs(s - 0.5)), 4),
    { settings: SETTINGS },
  );
  expect(corner.best.setting).toBe(0.5);
  const flat = fitTuning(
    ends(() => 20, 6),
    { settings: SETTINGS },
  );
  expect(flat.unlike).toBeNull();
  // The least of five that are the same is said to be hardly smaller than what all of them show.
  expect(flat.best.groupMm).toBeGreaterThan(0.96 * 20);
  expect(flat.leftToGain).toBeLessThan(0.03);
});

it('is enough when little is left to gain, never before six ends, and sooner the more were shot', () => {
  const left = (leftToGain: number) => ({
    ...fitTuning(
      ends(() => 20),
      { settings: SETTINGS },
    ),
    leftToGain,
  });
  expect(isSettled(left(0), 5)).toBe(false);
  expect(isSettled(left(0.024), 6)).toBe(true);
  expect(isSettled(left(0.026), 20)).toBe(false);
  expect(isSettled(left(0.026), 21)).toBe(true);
  expect(isSettled(left(0.06), 40)).toBe(false);
});

it('stays apart from what it was shot with before: a setting off the list is no place to go', () => {
  const fit = fitTuning([...ends((s) => 20 * Math.exp(0.4 * s ** 2)), end(2, 60)], {
    settings: SETTINGS,
  });
  expect(SETTINGS).toContain(fit.next);
  expect(fit.best.setting).toBe(0);
});

it('is no surer side by side for twelve shots of one end than ends of one setting differ', () => {
  const many = (groupMm: number): TunedEnd => ({
    ...end(0, groupMm),
    squaresMm2: 22 * groupMm ** 2,
    degrees: 22,
  });
  const { low, high } = compareSettings([many(20), many(20)], [many(26)])!;
  expect(low).toBeLessThan(1);
  expect(high).toBeGreaterThan(1 / 3);
  expect(high).toBeGreaterThan(1);
});
