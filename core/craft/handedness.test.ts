import fc from 'fast-check';
import { expect, it } from 'vitest';
import { HANDS } from './bow-terms.ts';
import { handednessNote, outwardFromRight, rightFromOutward, sideOf } from './handedness.ts';

it('puts outward on the left for a right-hander and on the right for a left-hander', () => {
  expect(sideOf(3, 'right')).toBe('left');
  expect(sideOf(3, 'left')).toBe('right');
  expect(sideOf(-3, 'right')).toBe('right');
  expect(handednessNote('left')).toBe('Left-hander: right of fletched is stiff.');
});

it('mirrors between hands and comes back the way it went', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1000, max: 1000, noNaN: true }),
      fc.constantFrom(...HANDS),
      (mm, hand) => {
        expect(outwardFromRight(rightFromOutward(mm, hand), hand) + 0).toBe(mm + 0);
        expect(rightFromOutward(mm, 'left') + rightFromOutward(mm, 'right')).toBe(0);
      },
    ),
  );
});
