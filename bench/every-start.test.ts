import { describe, expect, it } from 'vitest';
import { tuneDrawn } from './adviser-sim.ts';
import { plainBow } from './adviser-truth.ts';

const STARTS_MM = [-300, -110, 0, 40, 300];

describe.each([6, 20, 40])('from every start, scatter %d mm', (scatterMm) => {
  it('next moves end inside, or at a limit that is truly one', { timeout: 400_000 }, () => {
    const astray: unknown[] = [];
    let inside = 0;
    for (const [i, outwardMm] of STARTS_MM.entries())
      for (const [j, upMm] of STARTS_MM.entries()) {
        const bow = plainBow(outwardMm, upMm, scatterMm);
        const { said, spent, trulyInside, ends, badCuts } = tuneDrawn(7001 + 10 * i + j, bow);
        const isDone = said && trulyInside;
        const isTrulySpent = spent && bow.canBeMended !== true;
        if (isDone) inside += 1;
        if ((!isDone && !isTrulySpent) || badCuts > 0)
          astray.push({ outwardMm, upMm, said, spent, trulyInside, ends, badCuts });
      }
    expect(astray).toEqual([]);
    expect(inside).toBeGreaterThan(8);
  });
});
