import { expect, it } from 'vitest';
import { tuneByAdvice, tuneByHabit } from './adviser-sim.ts';
import { adviserTable } from './adviser-table.ts';

const BOWS = 300;
const seeds = Array.from({ length: BOWS }, (_, index) => 9001 + index);

it('tunes bows truly, in few moves and ends, without the saw', () => {
  const figures = adviserTable(seeds.map(tuneByAdvice), seeds.map(tuneByHabit));
  console.log(figures.words);
  expect(figures.saidShare).toBeGreaterThanOrEqual(0.9);
  expect(figures.saidWideShare).toBeGreaterThanOrEqual(0.85);
  expect(figures.trulyShare).toBeGreaterThanOrEqual(0.95);
  expect(figures.movesRatio).toBeLessThanOrEqual(0.4);
  expect(figures.endsRatio).toBeLessThanOrEqual(1.25);
  expect(figures.cutsHabit).toBeGreaterThan(0);
  expect(figures.cutsAdvice).toBeLessThanOrEqual(figures.cutsHabit / 2);
}, 240_000);
