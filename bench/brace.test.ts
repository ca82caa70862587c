import { expect, it } from 'vitest';
import { searchByAdvice, searchByHabit, type SearchOutcome } from './brace-sim.ts';

const BOWS = 40;
const seeds = Array.from({ length: BOWS }, (_, index) => 83_001 + index);
const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
const offs = (outcomes: readonly SearchOutcome[]) => mean(outcomes.map((one) => one.stringOffs));
const above = (outcomes: readonly SearchOutcome[]) => mean(outcomes.map((one) => one.aboveDb));

/** The whole bench is `npm run bench:brace`; these are its bounds as far as so few bows can tell. */
it.each(['random', 'valley'] as const)(
  'finds the quiet height with fewer string-offs and less noise than the habit, curve %s',
  (kind) => {
    const advice = seeds.map((seed) => searchByAdvice(seed, kind));
    const habit = seeds.map((seed) => searchByHabit(seed, kind));
    expect(offs(advice) / offs(habit)).toBeLessThanOrEqual(0.9);
    expect(above(advice) / above(habit)).toBeLessThanOrEqual(0.7);
    expect(advice.every(({ limitsPassed }) => limitsPassed === 0)).toBe(true);
    const held = advice.filter(({ claimHeld }) => claimHeld === true).length;
    // Nine in ten over both kinds: rough curves hold it less often than single valleys.
    expect(held).toBeGreaterThanOrEqual(0.7 * BOWS);
  },
  120_000,
);

it('finds it by ear with one answer in five wrong, in eight string-offs at most', () => {
  const byEar = seeds.map((seed) =>
    searchByAdvice(seed, 'valley', { byEar: true, wrongAnswers: 0.2 }),
  );
  expect(byEar.filter(({ aboveDb }) => aboveDb <= 0.5).length).toBeGreaterThanOrEqual(0.75 * BOWS);
  expect(Math.max(...byEar.map(({ stringOffs }) => stringOffs))).toBeLessThanOrEqual(8);
}, 120_000);
