import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOW_KINDS } from '#core/craft/bow-terms.ts';
import { startingBraceBand } from '#core/priors/starting-values.ts';
import { bowSide, typicalSide } from './bow-side.ts';
import { limbCurve } from './limb-curve.ts';

const PLACE = { stringX: 200, middleY: 300, pxPerIn: 10 };

describe('limbCurve', () => {
  it('touches the string, turns its tip forward, and is as long as its string says', () => {
    const curve = limbCurve({
      rootXIn: 7,
      rootYIn: 12.3,
      rootLeanRad: 0.2356,
      halfStringIn: 31,
      recurve: true,
    })!;
    expect(Math.min(...curve.x)).toBeCloseTo(0.05, 2);
    expect(curve.lean.at(-1)!).toBeCloseTo((-40 * Math.PI) / 180, 3);
    const wrap = curve.lengthIn - 0.55 - curve.s[curve.contact]!;
    expect(curve.y[curve.contact]! + wrap).toBeCloseTo(31, 1);
  });
  it('draws every kind and length anyone braces', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...BOW_KINDS),
        fc.integer({ min: 52, max: 72 }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        (bowKind, amoLengthIn, offMm) => {
          const band = startingBraceBand(bowKind, amoLengthIn);
          const input = typicalSide({ bowKind, amoLengthIn, hand: 'right' }, band.low + offMm);
          expect(bowSide(input, PLACE)).not.toBeNull();
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('bowSide', () => {
  const input = typicalSide({ bowKind: 'targetRecurve', amoLengthIn: 66, hand: 'left' }, 217);

  it('is mirrored about the string for the other hand', () => {
    const left = bowSide(input, PLACE)!;
    const right = bowSide({ ...input, hand: 'right' }, PLACE)!;
    for (const key of ['throat', 'topRoot', 'bottomRoot', 'plunger', 'topTip'] as const) {
      expect(right[key][0] - 200).toBeCloseTo(-(left[key][0] - 200), 9);
      expect(right[key][1]).toBeCloseTo(left[key][1], 9);
    }
  });
  it('moves the throat by what the brace moves, to scale', () => {
    const lower = bowSide(input, PLACE)!;
    const higher = bowSide({ ...input, braceMm: 217 + 25.4 }, PLACE)!;
    expect(higher.throat[0] - lower.throat[0]).toBeCloseTo(10, 9);
  });
  it('is symmetric top to bottom when the tillers are equal', () => {
    const view = bowSide(input, PLACE)!;
    expect(view.topTip[0]).toBeCloseTo(view.bottomTip[0], 9);
    expect(view.topTip[1] - 300).toBeCloseTo(-(view.bottomTip[1] - 300), 9);
  });
  it('says no rather than draw nonsense', () => {
    expect(bowSide({ ...input, tillerTopMm: 2000 }, PLACE)).toBeNull();
  });
});
