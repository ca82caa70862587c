import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { defaultTolerance } from './default-tolerance.ts';
import { AIM_WANDER_ODDS, AIM_WANDERS } from './ends-posterior.ts';
import { aimWanderOdds, ordinarySquares, scatterPrior } from './scatter-history.ts';

/** Three ends of six, so far apart on each axis, aimed so far from each other. */
function archer(acrossMm: number, upMm: number, aimMm = 0, ends = 3): BowLog {
  const normal = standardNormal(seededUniform(7));
  const log = new BowLog();
  const session = log.open();
  for (let end = 1; end <= ends; end += 1) {
    const aim = aimMm * normal();
    const shot = () => [aim + acrossMm * normal(), upMm * normal()] as const;
    log.shots(session, end, 'fletched', Array.from({ length: 6 }, shot));
  }
  return log;
}

describe('what earlier groups say of an archer', () => {
  it('one flyer nobody called hardly moves what is good enough', () => {
    const log = archer(18, 18);
    const before = defaultTolerance(log.state, 18);
    log.shots('session-1', 3, 'fletched', [[240, -190]]);
    const after = defaultTolerance(log.state, 18);
    expect(after.outwardMm).toBeLessThanOrEqual(before.outwardMm + 3);
    expect(after.upMm).toBeLessThanOrEqual(before.upMm + 3);
    expect(scatterPrior(log.state.sessions, 18, 'outwardMm', log.state.lastAt).sdMm).toBeLessThan(
      30,
    );
  });

  it('each axis has its own, and the purpose’s where that is larger', () => {
    const { outwardMm, upMm, why } = defaultTolerance(archer(8, 45, 0, 6).state, 18);
    expect(outwardMm).toBe(20);
    expect(upMm).toBeGreaterThan(30);
    expect(why).toMatch(/your own scatter/);
    expect(defaultTolerance(archer(8, 45, 0, 6).state, 36).outwardMm).toBe(40);
    expect(defaultTolerance(new BowLog().state, 18)).toEqual({
      outwardMm: 20,
      upMm: 20,
      why: 'rule of thumb for target',
    });
  });

  it('an aim that wanders far from end to end is learned, and one that does not', () => {
    const expected = (log: BowLog) =>
      aimWanderOdds(log.state.sessions, 'outwardMm').reduce(
        (sum, odds, index) => sum + odds * AIM_WANDERS[index]!,
        0,
      );
    const [still, wide] = [expected(archer(15, 15, 0, 8)), expected(archer(15, 15, 30, 8))];
    expect(still).toBeLessThan(0.4);
    expect(wide).toBeGreaterThan(0.8);
  });

  it('weighs every wander by the chance of the ends’ means about a middle nobody knows', () => {
    const { sessions, lastAt } = archer(15, 15, 9, 3).state;
    const sdMm = scatterPrior(sessions, 18, 'outwardMm', lastAt).sdMm;
    const ends = [1, 2, 3].map((end) => {
      const shots = sessions[0]!.shots.filter(({ endNumber }) => endNumber === end);
      return shots.reduce((sum, { outwardMm }) => sum + outwardMm, 0) / shots.length;
    });
    // The middle is summed over, a millimetre at a time.
    const chances = AIM_WANDERS.map((wander) => {
      const sd = sdMm * Math.sqrt(1 / 6 + wander ** 2);
      let sum = 0;
      for (let middle = -400; middle <= 400; middle += 1)
        sum += ends.reduce(
          (all, mean) => (all * Math.exp(-(((mean - middle) / sd) ** 2) / 2)) / sd,
          1,
        );
      return sum;
    });
    const odds = chances.map((chance, index) => AIM_WANDER_ODDS[index]! * chance);
    const all = odds.reduce((sum, one) => sum + one, 0);
    for (const [index, one] of aimWanderOdds(sessions, 'outwardMm').entries())
      expect(one).toBeCloseTo(odds[index]! / all, 4);
  });

  /** Ends of fletched shots along one axis, all at one distance. */
  function squaresOf(ends: readonly (readonly number[])[], distanceM = 18, askedM = distanceM) {
    const log = new BowLog();
    const session = log.open(25, distanceM);
    for (const [at, values] of ends.entries())
      log.shots(
        session,
        at + 1,
        'fletched',
        values.map((outwardMm) => [outwardMm, 0] as const),
      );
    return ordinarySquares(log.state.sessions, askedM, 'outwardMm');
  }

  it('is an angle: half as far away it is half as wide', () => {
    const ends = Array.from({ length: 4 }, () => [-20, 0, 20]);
    expect(squaresOf(ends, 36).squares).toBeCloseTo(4 * 800, 6);
    expect(squaresOf(ends, 36, 18).squares).toBeCloseTo(4 * 200, 6);
    expect(squaresOf(ends, 36, 18).degrees).toBe(8);
  });

  it('takes for a flyer what lies 3.5 spreads from its end, the middle shots left out of the spread', () => {
    const ends = Array.from({ length: 4 }, () => [-10, 0, 20]);
    // Distances of 10, 20 and one more: their median is 15, 3.5 spreads are 78 mm.
    const kept = squaresOf([...ends, [-10, 0, 60]]);
    expect(kept.degrees).toBe(10);
    expect(kept.squares).toBeCloseTo(4 * (1400 / 3) + 8600 / 3, 6);
    const without = squaresOf([...ends, [-10, 0, 90]]);
    expect(without.degrees).toBe(9);
    expect(without.squares).toBeCloseTo(4 * (1400 / 3) + 50, 6);
  });

  it('leaves nothing out where most shots lie in one place', () => {
    const { squares, degrees } = squaresOf([
      [7, 7, 7],
      [7, 7, 7],
      [7, 7, 7],
      [7, 7, 12],
    ]);
    expect(degrees).toBe(8);
    expect(squares).toBeCloseTo(50 / 3, 6);
  });
});
