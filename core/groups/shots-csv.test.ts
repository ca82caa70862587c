import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HANDS } from '../craft/bow-terms.ts';
import { ARROW_STATES } from '../craft/range-terms.ts';
import { sessionOf } from '../fixtures/simulated-session.ts';
import { readShots } from './read-shots.ts';
import { writeShots } from './shots-csv.ts';
import { shotsIntoSession } from './shots-into-session.ts';

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
    ['right_mm,up_mm,end\n1,2,0', /whole number, 1 to 500/],
    ['right_mm,up_mm\n0x1F,2', /Line 2: right_mm is “0x1F”, not a number/],
    ['right_mm,up_mm\n1e2,2', /Line 2: right_mm is “1e2”/],
    ['right_mm,up_mm\nInfinity,2', /Line 2: right_mm is “Infinity”/],
    ['right_mm,up_mm,Right_MM\n1,2,3', /column right_mm stands there twice/],
    ['right_mm,up_mm\n10,5,3,2', /Line 2 holds 4 figures under 2 columns.*decimal point/],
    ['right_mm;up_mm\n10,5', /Line 2 holds 1 figure under 2 columns.*decimal point/],
    ['right_mm,up_mm\n1,2\n3', /Line 3 holds 1 figure under 2 columns: “3”\./],
    ['right_mm;up_mm\n1.234,5;2', /Line 2: right_mm is “1.234,5”/],
  ])('refuses %j with the line and the reason', (text, says) => {
    const read = readShots(text, 'right');
    expect(read.kind).toBe('refused');
    if (read.kind === 'refused') expect(read.says).toMatch(says);
  });

  const taken = (text: string) => {
    const read = readShots(text, 'left');
    if (read.kind !== 'shots') throw new Error(read.says);
    return read;
  };

  it.each([
    ['semicolons and decimal commas', 'right_mm;up_mm;arrow\r\n10,5;−3,25;bare\r\n'],
    ['tabs and decimal commas', 'right_mm\tup_mm\tarrow\n10,5\t-3,25\tbare'],
    ['quoted decimal commas', 'right_mm,up_mm,arrow\n"10,5","-3,25",bare'],
    ['semicolons and decimal points', 'right_mm;up_mm;arrow\n10.5;-3.25;bare'],
  ])('is read with %s', (_name, text) => {
    const { shots, commaDoubt } = taken(text);
    expect(commaDoubt).toBeNull();
    expect(shots).toMatchObject([{ line: 2, outwardMm: 10.5, upMm: -3.25, arrow: 'bare' }]);
  });

  it('asks about 10,5 under two columns, and only where every line can be one figure', () => {
    expect(taken('right_mm,up_mm\n10,5\n-3,25').commaDoubt).toEqual({
      line: 2,
      rightMm: 10,
      upMm: 5,
    });
    expect(taken('right_mm,up_mm\n10,5\n-3,-25').commaDoubt).toBeNull();
    expect(taken('right_mm,up_mm\n10,5\n-3,120').commaDoubt).toBeNull();
    expect(taken('right_mm,up_mm,end\n10,5,1').commaDoubt).toBeNull();
  });

  it('of thousands is read at once, and one with more lines than a day has is not', () => {
    const lines = (count: number) =>
      `right_mm,up_mm\n${Array.from({ length: count }, (_, at) => `${at % 300},-1`).join('\n')}`;
    expect(taken(lines(5000)).shots).toHaveLength(5000);
    expect(readShots(lines(5001), 'left').kind).toBe('refused');
  });
});

describe('shots of a file for a session', () => {
  const shot = { arrow: 'bare', outwardMm: -0.04, upMm: 12.34, calledBad: false } as const;
  const session = sessionOf([[shot, shot], [{ ...shot, upMm: -5 }]]);
  const file = (text: string) => {
    const read = readShots(text, 'left');
    if (read.kind !== 'shots') throw new Error(read.says);
    return read.shots;
  };

  it('that were taken from it before are all there already, whichever hand wrote them', () => {
    const again = file(writeShots(session.shots, 'left'));
    expect(shotsIntoSession(again, { session, distanceM: 18 })).toMatchObject({ already: 3 });
    expect(
      shotsIntoSession(again.slice(1), { session: { ...session, shots: [] }, distanceM: 18 }),
    ).toMatchObject({ already: 0 });
  });

  it('count a place as there only as often as it is', () => {
    const thrice = file('right_mm,up_mm,arrow\n0,12.3,bare\n0,12.3,bare\n0,12.3,bare');
    expect(shotsIntoSession(thrice, { session, distanceM: 18 }).already).toBe(2);
    const fletched = file('right_mm,up_mm\n0,12.3');
    expect(shotsIntoSession(fletched, { session, distanceM: 18 }).already).toBe(0);
  });

  it('from another distance are not of it, unless it is a walk back', () => {
    const shots = file('right_mm,up_mm,distance_m\n1,-1,18\n2,-2,30\n3,-3,');
    const split = shotsIntoSession(shots, { session, distanceM: 18 });
    expect(split.here.map(({ line }) => line)).toEqual([2, 4]);
    expect(split.elsewhere.map(({ line }) => line)).toEqual([3]);
    const walk = { ...session, sessionKind: 'walkBack' as const };
    expect(shotsIntoSession(shots, { session: walk, distanceM: 18 }).elsewhere).toEqual([]);
  });
});
