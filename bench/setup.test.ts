import { expect, it } from 'vitest';
import { type SetupOutcome, setUpByAdvice, setUpTheUsualWay } from './setup-sim.ts';

const BOWS = 160;
const seeds = Array.from({ length: BOWS }, (_, index) => 7001 + index);
const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
const offs = (outcomes: readonly SetupOutcome[]) => outcomes.map(({ stringOffs }) => stringOffs);

it('sets bows up with at most half the habit’s string-offs, truly in band, inside every limit', () => {
  const advice = seeds.map(setUpByAdvice);
  const habit = seeds.map(setUpTheUsualWay);
  expect(mean(offs(advice)) / mean(offs(habit))).toBeLessThanOrEqual(0.5);
  expect(mean(advice.map(({ trulyInBand }) => Number(trulyInBand)))).toBeGreaterThanOrEqual(0.95);
  expect(Math.max(...offs(advice))).toBeLessThanOrEqual(6);
  expect(advice.reduce((sum, one) => sum + one.limitsPassed, 0)).toBe(0);
}, 120_000);
