import { expect, it } from 'vitest';
import { practiceHeightMm } from './practice-turn.ts';

const SEARCH = { practiceSeed: 11, lowMm: 205, highMm: 220 };
const standing = (heightMm: number, visits: number) =>
  ({
    here: { heightMm },
    twistMm: 0.8,
    visits: Array.from({ length: visits }),
  }) as unknown as Parameters<typeof practiceHeightMm>[1];

it('a turn of the stand-in goes the way of its sign, near what was expected, and stays inside', () => {
  for (let visits = 1; visits < 8; visits += 1)
    for (const twists of [-5, -2, 2, 5]) {
      const after = practiceHeightMm(SEARCH, standing(212, visits), twists);
      expect(Math.abs(after - (212 + 0.8 * twists))).toBeLessThanOrEqual(0.4 + 0.051);
      expect(Math.sign(after - 212)).toBe(Math.sign(twists));
    }
  expect(practiceHeightMm(SEARCH, standing(212, 1), 40)).toBe(220);
  expect(practiceHeightMm(SEARCH, standing(212, 1), -40)).toBe(205);
});
