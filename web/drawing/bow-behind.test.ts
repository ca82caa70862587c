import fc from 'fast-check';
import { expect, it } from 'vitest';
import { bowBehind, type BowBehindInput, OFFSETS_TIMES } from './bow-behind.ts';

const PLACE = { stringX: 300, middleY: 340, pxPerIn: 10 };
const input = (over: Partial<BowBehindInput>): BowBehindInput => ({
  amoLengthIn: 66,
  hand: 'right',
  longbow: false,
  limbLineTopMm: 0,
  limbLineBottomMm: 0,
  limbLineRodMm: 0,
  centreShotMm: 0,
  rod: true,
  ...over,
});

it('draws an offset ten times enlarged, the gauge inward of a string that passes outward', () => {
  const view = bowBehind(input({ limbLineTopMm: 2.54 }), PLACE);
  // Right-hander: outward is left, so the gauge's middle stands to the right of the string.
  expect(view.topGauge[0] - PLACE.stringX).toBeCloseTo((2.54 / 25.4) * 10 * OFFSETS_TIMES, 6);
  expect(view.bottomGauge[0]).toBe(PLACE.stringX);
});

it('mirrors about the string for the other hand, every point of it', () => {
  const mm = fc.double({ min: -5, max: 5, noNaN: true });
  fc.assert(
    fc.property(mm, mm, mm, mm, (top, bottom, rod, centre) => {
      const of = (hand: 'left' | 'right') =>
        bowBehind(
          input({
            hand,
            limbLineTopMm: top,
            limbLineBottomMm: bottom,
            limbLineRodMm: rod,
            centreShotMm: centre,
          }),
          PLACE,
        );
      const right = of('right');
      const left = of('left');
      const mirrored = (x: number) => 2 * PLACE.stringX - x;
      expect(left.topGauge[0]).toBeCloseTo(mirrored(right.topGauge[0]), 6);
      expect(left.rod![0]).toBeCloseTo(mirrored(right.rod![0]), 6);
      expect(left.point[0]).toBeCloseTo(mirrored(right.point[0]), 6);
      const xs = (path: string) =>
        [...path.matchAll(/(-?[\d.]+) -?[\d.]+/g)].map((match) => Number(match[1]));
      const flipped = xs(right.riser).map(mirrored);
      xs(left.riser).forEach((x, index) => expect(x).toBeCloseTo(flipped[index]!, 0));
    }),
  );
});
