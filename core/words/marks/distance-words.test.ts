import { expect, it } from 'vitest';
import { fartherWords } from './distance-words.ts';

it.each([
  [52, 'm', '5 cm low'],
  [-31, 'm', '3 cm high'],
  [4, 'm', '0 cm'],
  [-4, 'm', '0 cm'],
  // A yard farther is nine tenths of a metre.
  [100, 'yd', '9 cm low'],
  [null, 'm', ''],
] as const)('%s mm a metre, in %s: %s', (perMetreMm, unit, says) => {
  expect(fartherWords({ perMetreMm }, unit)).toBe(says);
});
