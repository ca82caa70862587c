import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HANDS } from '../craft/bow-terms.ts';
import { ARROW_STATES } from '../craft/range-terms.ts';
import { sessionOf } from '../fixtures/simulated-session.ts';
import { readShots, writeShots } from './shots-csv.ts';

const tenth = (least: number, most: number) =>
  fc.integer({ min: 10 * least, max: 10 * most }).map((value) => value / 10);
const aShot = fc.record({
  arrow: fc.constantFrom(...ARROW_STATES),
  outwardMm: tenth(-600, 600),
  upMm: tenth(-600, 600),
  calledBad: fc.boolean(),
});

describe('a file of shots', () => {
  it('comes back as it went, for either hand', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(aShot, { minLength: 1, maxLength: 9 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...HANDS),
        (ends, hand) => {
          const { shots } = sessionOf(ends);
          const read = readShots(writeShots(shots, hand), hand);
          if (read.kind !== 'shots') throw new Error(read.says);
          expect(read.shots).toHaveLength(shots.length);
          for (const [index, shot] of shots.entries()) {
            expect(read.shots[index]).toMatchObject({
              endNumber: shot.endNumber,
              arrow: shot.arrow,
              calledBad: shot.calledBad,
              distanceM: 18,
              attitude: null,
            });
            expect(read.shots[index]!.outwardMm).toBeCloseTo(shot.outwardMm, 6);
            expect(read.shots[index]!.upMm).toBeCloseTo(shot.upMm, 6);
          }
        },
      ),
    );
  });

  it('means right as the archer sees it: outward for a left-hander, inward for a right-hander', () => {
    const text = 'right_mm,up_mm\n30,-5';
    const of = (hand: 'left' | 'right') => {
      const read = readShots(text, hand);
      return read.kind === 'shots' ? read.shots[0]!.outwardMm : null;
    };
    expect(of('left')).toBe(30);
    expect(of('right')).toBe(-30);
  });

  it.each([
    ['x,y\n1,2', /no column right_mm and no column up_mm/],
    ['right_mm,up_mm\n1,2\n3,far', /Line 3: up_mm is “far”/],
    ['right_mm,up_mm,arrow\n1,2,spoon', /Line 2: arrow is “spoon”/],
    ['right_mm,up_mm\n9000,2', /off any butt/],
    ['right_mm,up_mm\n', /no shots/],
    ['right_mm,up_mm,end\n1,2,0', /whole number from 1/],
  ])('refuses %j with the line and the reason', (text, says) => {
    const read = readShots(text, 'right');
    expect(read.kind).toBe('refused');
    if (read.kind === 'refused') expect(read.says).toMatch(says);
  });
});
