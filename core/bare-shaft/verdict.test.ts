import fc from 'fast-check';
import { randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { outwardFromRight } from '../craft/handedness.ts';
import { seededUniform } from '../numeric/random.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { axisVerdict } from '../groups/axis-verdict.ts';
import { groupEllipse } from '../groups/ellipse.ts';
import { axisSums, NO_SCATTER_PRIOR } from '../groups/offset-posterior.ts';
import { shotsNeeded } from './shots-needed.ts';
import { verdictWords } from '../words/verdict-words.ts';

type ButtPoint = readonly [rightMm: number, upMm: number];

const FLETCHED: readonly ButtPoint[] = [
  [-15, 11],
  [-1, -9],
  [-12, 3],
  [3, 14],
  [-10, -8],
  [2, 0],
];
const BARE_RIGHT: readonly ButtPoint[] = [
  [60, -4],
  [66, 6],
  [58, 2],
];
const mirror = (points: readonly ButtPoint[]) =>
  points.map(([right, up]): ButtPoint => [-right, up]);

function shoot(
  hand: Hand,
  ends: number,
  fletched: readonly ButtPoint[],
  bare: readonly ButtPoint[],
): BowLog {
  const log = bowFor(hand);
  const session = log.open(25);
  const stored = (points: readonly ButtPoint[]) =>
    points.map(([right, up]) => [outwardFromRight(right, hand), up] as const);
  for (let end = 1; end <= ends; end += 1) {
    log.shots(session, end, 'fletched', stored(fletched));
    log.shots(session, end, 'bare', stored(bare));
  }
  return log;
}

function verdictOf(log: BowLog) {
  const session = log.state.sessions.at(-1)!;
  return sessionVerdict(log.state, session);
}
function wordsOf(log: BowLog) {
  return verdictWords(verdictOf(log), {
    hand: log.state.bow.hand,
    unit: 'cm',
    needed: { outward: null, up: null },
  });
}

describe('the bare-shaft verdict', () => {
  it('says stiff for a left-hander’s bare shafts on the right, weak for the same shots of a right-hander', () => {
    expect(wordsOf(shoot('left', 2, FLETCHED, BARE_RIGHT)).says).toBe('Stiff, and it is not you:');
    expect(wordsOf(shoot('right', 2, FLETCHED, BARE_RIGHT)).says).toBe('Weak, and it is not you:');
  });

  it('gives mirrored shots of a left-hander the same cause and size with left and right exchanged', () => {
    const right = wordsOf(shoot('right', 2, FLETCHED, BARE_RIGHT));
    const left = wordsOf(shoot('left', 2, mirror(FLETCHED), mirror(BARE_RIGHT)));
    expect(left.says).toBe(right.says);
    expect(left.figure).toBe(right.figure?.replace('right', 'left'));
  });

  it('is mirrored for any shots at all', () => {
    const point = fc.tuple(
      fc.integer({ min: -300, max: 300 }),
      fc.integer({ min: -300, max: 300 }),
    );
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 2, maxLength: 7 }),
        fc.array(point, { minLength: 2, maxLength: 4 }),
        (fletched, bare) => {
          const one = verdictOf(shoot('right', 1, fletched, bare));
          const other = verdictOf(shoot('left', 1, mirror(fletched), mirror(bare)));
          expect(other.outward.call).toBe(one.outward.call);
          expect(other.outward.offsetMm).toBeCloseTo(one.outward.offsetMm!, 9);
          expect(other.up.call).toBe(one.up.call);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is provisional on one look and holds when a second agrees', () => {
    expect(verdictOf(shoot('right', 1, FLETCHED, BARE_RIGHT)).outward).toMatchObject({
      call: 'minus',
      holds: false,
    });
    expect(verdictOf(shoot('right', 2, FLETCHED, BARE_RIGHT)).outward).toMatchObject({
      call: 'minus',
      holds: true,
    });
    expect(wordsOf(shoot('right', 1, FLETCHED, BARE_RIGHT)).says).toMatch(/one look/);
  });

  it('leaves a called bad shot out of the figures and keeps it', () => {
    const log = shoot('right', 1, FLETCHED, [...BARE_RIGHT, [-140, 40]]);
    const before = verdictOf(log);
    const stray = log.state.sessions[0]!.shots.at(-1)!;
    log.add({ kind: 'shotAmended', shotId: stray.shotId, calledBad: true });
    const after = verdictOf(log);
    expect(after.counted).toEqual({ fletched: 6, bare: 3, calledBad: 1, setAside: 0 });
    expect(after.outward.plusMinusMm!).toBeLessThan(before.outward.plusMinusMm! / 2);
    expect(log.state.sessions[0]!.shots).toHaveLength(10);
  });

  it('says that shots are too few where one axis was emptied by a change, and reckons nothing', () => {
    const log = shoot('right', 2, FLETCHED, BARE_RIGHT);
    log.add({ kind: 'change', control: 'nockingPoint', amount: 1, because: 'test' });
    const { says, also } = wordsOf(log);
    expect(says).toBe('Weak, and it is not you:');
    expect(also).toEqual(['Up and down: too few shots yet.']);
  });

  it('points at a shot far from its kind without dropping it', () => {
    const log = shoot('right', 1, [...FLETCHED, [180, 0]], BARE_RIGHT);
    const verdict = verdictOf(log);
    expect(verdict.farOutShotIds).toHaveLength(1);
    expect(verdict.counted.fletched).toBe(7);
  });

  it('is undecided, not a diagnosis, for −20 −10 0 5 10 15 against −60 and 90', () => {
    const fletched = [-20, -10, 0, 5, 10, 15];
    const axis = axisVerdict([{ fletchedMm: fletched, bareMm: [-60, 90] }], 25, {
      scatter: NO_SCATTER_PRIOR,
    });
    expect(axis.call).toBe('undecided');
    const needed = shotsNeeded(axisSums(fletched, [-60, 90]), 25, NO_SCATTER_PRIOR, 1);
    expect(needed.kind === 'moreThanWorth' || needed.count > 2).toBe(true);
  });

  it('asks for few more shots near a decision and many far from one', () => {
    const near = shotsNeeded(axisSums([-5, 0, 5, 3, -3, 1], [28, 36, 34]), 25, NO_SCATTER_PRIOR, 2);
    const far = shotsNeeded(
      axisSums([-40, 0, 40, 30, -30, 10], [-20, 70, 25]),
      25,
      NO_SCATTER_PRIOR,
      2,
    );
    expect(near.kind).toBe('bareShots');
    const count = (needed: typeof near) => (needed.kind === 'bareShots' ? needed.count : 99);
    expect(count(near)).toBeLessThan(count(far));
    expect(shotsNeeded(axisSums([-5, 0, 5], [28, 36]), 25, NO_SCATTER_PRIOR, 2)).toEqual(
      shotsNeeded(axisSums([-5, 0, 5], [28, 36]), 25, NO_SCATTER_PRIOR, 2),
    );
  });

  it('is done only after two ends that agree', () => {
    const bare: readonly ButtPoint[] = [
      [1, 1],
      [-4, 2],
      [3, -3],
      [0, 0],
    ];
    expect(verdictOf(shoot('right', 1, FLETCHED, bare)).done).toBe(false);
    expect(verdictOf(shoot('right', 2, FLETCHED, bare)).done).toBe(true);
  });

  it('says scattered when bare shafts scatter more than a bow can explain', () => {
    const normal = randomNormal.source(seededUniform(5))();
    const cloud = (count: number, sd: number) =>
      Array.from({ length: count }, (): ButtPoint => [sd * normal(), sd * normal()]);
    const share = (factor: number) => {
      let said = 0;
      for (let i = 0; i < 300; i += 1) {
        if (verdictOf(shoot('right', 1, cloud(12, 15), cloud(6, 15 * factor))).scattered) said += 1;
      }
      return said / 300;
    };
    const [truly, falsely] = [share(2.5), Math.max(share(1), share(1.25))];
    console.log(
      `scattered: said at k = 2.5 in ${100 * truly} %, at k ≤ 1.25 in ${100 * falsely} %`,
    );
    expect(truly).toBeGreaterThanOrEqual(0.7);
    expect(falsely).toBeLessThanOrEqual(0.05);
  });
});

describe('groupEllipse', () => {
  it('lies along the spread and grows with it', () => {
    const flat = groupEllipse([
      { outwardMm: -20, upMm: 0 },
      { outwardMm: 20, upMm: 0 },
      { outwardMm: 0, upMm: 2 },
      { outwardMm: 0, upMm: -2 },
    ])!;
    expect(Math.abs(Math.sin(flat.angleRad))).toBeLessThan(1e-9);
    expect(flat.majorMm / flat.minorMm).toBeCloseTo(10, 6);
    expect(groupEllipse([{ outwardMm: 0, upMm: 0 }])).toBeNull();
  });

  it('holds the next shot 9 times in 10 for a large group', () => {
    const normal = randomNormal.source(seededUniform(8))();
    const points = Array.from({ length: 400 }, () => ({
      outwardMm: 20 * normal(),
      upMm: 8 * normal(),
    }));
    const { centre, majorMm, minorMm, angleRad } = groupEllipse(points)!;
    let inside = 0;
    for (let i = 0; i < 4000; i += 1) {
      const [x, y] = [20 * normal() - centre.outwardMm, 8 * normal() - centre.upMm];
      const along = x * Math.cos(angleRad) + y * Math.sin(angleRad);
      const across = -x * Math.sin(angleRad) + y * Math.cos(angleRad);
      if ((along / majorMm) ** 2 + (across / minorMm) ** 2 <= 1) inside += 1;
    }
    expect(inside / 4000).toBeGreaterThan(0.87);
    expect(inside / 4000).toBeLessThan(0.93);
  });
});
