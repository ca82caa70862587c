import { expect, it } from 'vitest';
import { nockToPlungerMm, throatBraceMm } from './brace-reference.ts';
import { PIVOT_TO_AMO_MM } from './draw-datum.ts';
import { handednessNote, outwardFromRight, rightFromOutward, sideOf } from './handedness.ts';

it('nock to plunger is the brace itself when read to it, else with the bow’s offset or 12 mm', () => {
  expect(nockToPlungerMm({ braceReference: 'plunger', throatToPlungerMm: 9 }, 230)).toBe(230);
  expect(nockToPlungerMm({ braceReference: 'throat', throatToPlungerMm: 9 }, 220)).toBe(229);
  expect(nockToPlungerMm({ braceReference: 'throat' }, 220)).toBe(232);
});

it('the brace to the throat is read so, or less by the offset', () => {
  expect(throatBraceMm({ braceReference: 'throat', throatToPlungerMm: 9 }, 220)).toBe(220);
  expect(throatBraceMm({ braceReference: 'plunger', throatToPlungerMm: 9 }, 230)).toBe(221);
  expect(throatBraceMm({ braceReference: 'plunger' }, 232)).toBe(220);
});

it('the AMO draw is 1 3/4 in beyond the pivot', () => {
  expect(PIVOT_TO_AMO_MM).toBeCloseTo(44.45, 9);
});

it('outward is left for a right-hander, right for a left-hander, and nought is no minus nought', () => {
  expect([sideOf(1, 'right'), sideOf(-1, 'right'), sideOf(0, 'right')]).toEqual([
    'left',
    'right',
    'left',
  ]);
  expect([sideOf(1, 'left'), sideOf(-1, 'left'), sideOf(0, 'left')]).toEqual([
    'right',
    'left',
    'right',
  ]);
  expect([rightFromOutward(5, 'right'), outwardFromRight(5, 'right')]).toEqual([-5, -5]);
  expect([rightFromOutward(5, 'left'), outwardFromRight(5, 'left')]).toEqual([5, 5]);
  expect(Object.is(rightFromOutward(0, 'right'), 0)).toBe(true);
  expect(handednessNote('right')).toBe('Right-hander: left of fletched is stiff.');
  expect(handednessNote('left')).toBe('Left-hander: right of fletched is stiff.');
});
