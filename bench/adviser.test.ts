import { expect, it } from 'vitest';
import { tuneByAdvice, tuneByHabit } from './adviser-sim.ts';
import { adviserFigures } from './adviser-table.ts';

const BOWS = 120;
const MISFIT_SD_MM = 100;
const seeds = Array.from({ length: BOWS }, (_, index) => 4001 + index);

/** The whole bench is `npm run bench:adviser`; these are its bounds as far as so few bows can tell. */
it('tunes bows it was not made for, far off ones too, or says that they are spent', () => {
  const tuned = (tune: typeof tuneByAdvice) => seeds.map((seed) => tune(seed, MISFIT_SD_MM));
  const figures = adviserFigures(tuned(tuneByAdvice), tuned(tuneByHabit));
  const figure = (start: string) =>
    figures.find(({ name }) => name.trim().startsWith(start))?.figure ?? Number.NaN;
  console.log(figures.map((one) => `${one.name}: ${one.figure.toFixed(1)}`).join('\n'));
  expect(figure('of them, said to be spent')).toBeGreaterThanOrEqual(85);
  expect(figure('in tolerance and said so')).toBeGreaterThanOrEqual(86);
  expect(figure('the habit')).toBeLessThan(80);
  expect(figure('truly in tolerance')).toBeGreaterThanOrEqual(94);
  expect(figure('share of the habit')).toBeLessThanOrEqual(40);
  expect(figure('moves the wrong way')).toBeLessThanOrEqual(9);
  expect(figure('too short, or far past')).toBe(0);
  expect(figure('cuts')).toBeGreaterThan(0);
}, 240_000);
