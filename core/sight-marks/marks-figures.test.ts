import { describe, expect, it } from 'vitest';
import type { AimKind } from '../craft/aiming.ts';
import { LOG_DRAG, LOG_SPEED } from '../priors/flight-priors.ts';
import { simulatedMarks } from '../simulate/simulated-marks.ts';
import { marksFigures, type MarksQuestion } from './marks-figures.ts';
import { stripLines } from './strip-lines.ts';

function shoot(kind: AimKind, seed: number, distances: readonly number[]): MarksQuestion {
  const archer = simulatedMarks(seed, kind);
  const { division } = archer.aiming;
  return {
    aiming: archer.aiming,
    marks: distances.map((distanceM) => {
      const set = Math.round((archer.trueSet(distanceM) ?? 0) / division) * division;
      return archer.shootEnd(distanceM, set, 6);
    }),
    known: { logSpeed: LOG_SPEED, logDrag: LOG_DRAG, changes: [] },
    isStale: false,
    distancesM: [10, 18, 25, 40, 60],
    wantedM: kind === 'sight' ? 70 : 30,
    shots: 6,
    buttMm: 1220,
    windageMmPerM: 0,
    pointOnWantedM: null,
  };
}

describe('all figures of marks', () => {
  it('a sight wants more of a scale that grows down the farther, and hits lower a metre farther', () => {
    const { rows, pointOnM } = marksFigures({
      ...shoot('sight', 3, [18, 30, 50]),
      distancesM: [18, 25, 40, 60],
    });
    expect(pointOnM).toBeNull();
    const falls = rows.map(({ perMetreMm }) => perMetreMm!);
    expect(falls.every((one) => one > 0)).toBe(true);
    expect(falls).toEqual(falls.toSorted((one, other) => one - other));
  });

  it('says what the next distance would leave of the doubt, less than there is now', () => {
    for (const kind of ['sight', 'point', 'crawl'] as const) {
      const question = shoot(kind, 5, kind === 'sight' ? [18, 30] : [10, 18]);
      const { nextLeaves, rows } = marksFigures({ ...question, distancesM: [question.wantedM] });
      const { low, high } = rows[0]!.set!;
      expect(nextLeaves!.half, kind).toBeGreaterThan(0);
      expect(nextLeaves!.half, kind).toBeLessThan((high - low) / 2);
    }
  });

  it('a string-walker crawls deeper the nearer, and lands low a metre farther', () => {
    const { rows, pointOnM } = marksFigures(shoot('crawl', 5, [12, 25]));
    const crawls = rows.slice(0, 3).map(({ set }) => set!.middle);
    expect(crawls).toEqual(crawls.toSorted((one, other) => other - one));
    expect(pointOnM!.middle).toBeGreaterThan(25);
    expect(rows[2]!.perMetreMm).toBeGreaterThan(0);
  });

  it('asks for no distance at which what is not known and three scatters leave the butt', () => {
    const question = shoot('sight', 7, [18]);
    const wide = marksFigures({ ...question, buttMm: 3000 }).choices;
    const narrow = marksFigures({ ...question, buttMm: 600 }).choices;
    const safe = (choices: typeof wide) => choices.filter(({ refused }) => refused === null).length;
    expect(safe(narrow)).toBeLessThan(safe(wide));
    expect(narrow.at(-1)).toMatchObject({ distanceM: 70, refused: 'leavesButt' });
    // Three scatters and a hand's breadth stay on the butt from everywhere that is asked for.
    const known = marksFigures({ ...shoot('sight', 7, [18, 30, 50]), buttMm: 500 });
    const reachMm = (distanceM: number) => (3 * known.scatterMm18 * distanceM) / 18;
    expect(reachMm(70)).toBeGreaterThan(500 / 2 - 100);
    for (const { distanceM, refused } of known.choices)
      if (refused === null) expect(reachMm(distanceM)).toBeLessThanOrEqual(500 / 2 - 100);
    const windy = marksFigures({ ...question, buttMm: 3000, windageMmPerM: 60 }).choices;
    expect(safe(windy)).toBeLessThan(safe(wide));
  });

  it('a strip has its lines as far apart as the bar is travelled, down from the nearest', () => {
    const { rows } = marksFigures(shoot('sight', 3, [18, 30, 50]));
    const { aiming } = shoot('sight', 3, []);
    if (aiming.kind !== 'sight') throw new Error('no sight');
    const { lines, lengthMm } = stripLines(aiming, rows);
    const far = lines.at(-1)!;
    const near = lines[0]!;
    const marks = [near, far].map(
      ({ distanceM }) => rows.find((row) => row.distanceM === distanceM)!.set!.middle,
    );
    expect(far.atMm).toBeCloseTo(Math.abs(marks[1]! - marks[0]!) * aiming.mmPerUnit, 6);
    expect(far.distanceM).toBeGreaterThan(near.distanceM);
    expect(lengthMm).toBe(far.atMm);
  });
});

describe('a mark that cannot be', () => {
  const slipsOf = (seed: number, change: (question: MarksQuestion) => MarksQuestion) =>
    marksFigures(change(shoot('sight', seed, [18, 30, 50, 60]))).slips;
  const withMark = (question: MarksQuestion, at: number, change: object): MarksQuestion => ({
    ...question,
    marks: question.marks.map((mark, place) => (place === at ? { ...mark, ...change } : mark)),
  });

  it('is not seen where all is well', () => {
    for (const seed of [11, 12, 13, 14, 15, 16]) expect(slipsOf(seed, (same) => same)).toEqual([]);
  });

  it('by a scale that grows the other way is said of all of them', () => {
    const turned = slipsOf(11, (question) => ({
      ...question,
      aiming:
        question.aiming.kind === 'sight'
          ? { ...question.aiming, growsDown: !question.aiming.growsDown }
          : question.aiming,
    }));
    expect(turned).toEqual([{ at: null, likely: 'scaleTurned' }]);
  });

  it('by yards among metres is said of the distance', () => {
    // Paced as 55 yards, which are 50.3 m, and typed as metres.
    const found = slipsOf(12, (question) => withMark(question, 2, { distanceM: 50 / 0.9144 }));
    expect(found).toEqual([{ at: 2, likely: 'otherUnit' }]);
  });

  it('by another edge of the scale is said of the reading', () => {
    const found = slipsOf(13, (question) => {
      const unit = question.aiming.kind === 'sight' ? question.aiming.mmPerUnit : 1;
      const { set } = question.marks[1]!;
      return withMark(question, 1, { set: set + 5 / unit });
    });
    expect(found).toMatchObject([{ at: 1 }]);
    expect(['otherEdge', 'otherUnit']).toContain(found[0]?.likely);
  });
});
