import { expect, it } from 'vitest';
import { amountsOfSwap } from './bare-shaft-blocks.ts';

it('one arrow taken for another is a point, a cut and a spine at once', () => {
  const arrow = (pointG: number, lengthMm: number, spine: number, insertG?: number) => ({
    point: { massG: pointG },
    shaft: { lengthMm, spine },
    ...(insertG === undefined ? {} : { insert: { massG: insertG } }),
  });
  const swap = (before: object, after: object) =>
    Object.fromEntries(
      amountsOfSwap(
        before as Parameters<typeof amountsOfSwap>[0],
        after as Parameters<typeof amountsOfSwap>[0],
      ),
    );
  // 2 g more in front, 10 mm shorter; from 600 to 543 is ln 1.105, one step of a tenth stiffer.
  const swapped = swap(arrow(7, 740, 600, 1), arrow(10, 730, 600 / Math.exp(0.1)));
  expect(swapped['pointMass']).toBeCloseTo(2, 9);
  expect(swapped['shaftCut']).toBeCloseTo(10, 9);
  expect(swapped['spineSteps']).toBeCloseTo(1, 9);
  const same = swap(arrow(7, 740, 600), arrow(7, 740, 600));
  expect(Object.values(same).map((one) => Math.abs(one))).toEqual([0, 0, 0]);
});
