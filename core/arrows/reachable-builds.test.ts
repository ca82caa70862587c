import { describe, expect, it } from 'vitest';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { readArrowGoal } from './arrow-goal.ts';
import type { ShaftThereIs } from './arrow-steps.ts';
import type { MatchModel } from './match-model.ts';
import { type ArrowGoal, reachableBuilds, wayTo } from './reachable-builds.ts';

const { shaft, point } = PLAIN_BUILD;
const parts = (spine: number, lengthMm: number, pointGr: number): ArrowBuild => ({
  ...PLAIN_BUILD,
  insert: null,
  shaft: { ...shaft, spine, lengthMm, massPerLengthGPerM: 18 },
  point: { ...point, massG: pointGr * G_PER_GR },
});
/** Drawn 711.2 mm: 736.2 mm are safe, so that 780 may lose 42 in threes. */
const { state } = new BowLog().settle();
const HERE: ShaftThereIs = { buildId: 'here', parts: parts(600, 780, 100) };
const STIFFER: ShaftThereIs = { buildId: 'stiffer', parts: parts(500, 780, 100) };

/** Known exactly: so far outward with HERE, 1.7 mm weaker a grain, 1.25 stiffer a millimetre, 37 a step. */
const known = (outwardMm: number): MatchModel => ({
  source: 'shots',
  from: HERE.parts,
  fits: [
    {
      weight: 1,
      degrees: 200,
      mean: [outwardMm, -1.7 / G_PER_GR, 1.25, 37],
      covariance: [
        [64, 0, 0, 0],
        [0, 0, 0, 0],
        [0, 0, 0, 0],
        [0, 0, 0, 0],
      ],
    },
  ],
  landingMm: 0,
  toleranceMm: 30,
});
const grains = (...all: readonly number[]) => all.map((one) => one * G_PER_GR);
const reach = (outwardMm: number, goal: ArrowGoal, shafts = [HERE], pointsG = grains(75, 100)) =>
  reachableBuilds(state, known(outwardMm), { fitted: HERE, shafts, pointsG, goal });

describe('what the shafts and points there are could become', () => {
  it('lands right as it is: it is the first, and nothing is to be done', () => {
    const [best] = reach(0, { kind: 'straight' });
    expect(best).toMatchObject({ buildId: 'here', cutMm: 0, parts: HERE.parts });
    expect(wayTo(HERE, best!)).toEqual([]);
  });

  it('weak by 85 mm: 25 gr less give 43, 34 mm of saw the rest, six at a time', () => {
    const [best] = reach(-85, { kind: 'straight' });
    expect(best?.parts.point.massG).toBeCloseTo(75 * G_PER_GR, 6);
    // Inside 30 mm surely; no more is sawn than that asks for.
    expect(best?.cutMm).toBeGreaterThanOrEqual(9);
    expect(best?.cutMm).toBeLessThanOrEqual(36);
    const way = wayTo(HERE, best!);
    expect(way[0]).toMatchObject({ kind: 'point' });
    const cuts = way.flatMap((step) => (step.kind === 'cut' ? [step.cutMm] : []));
    expect(Math.max(...cuts)).toBeLessThanOrEqual(6);
    expect(cuts.reduce((sum, one) => sum + one, 0)).toBe(best?.cutMm);
  });

  it('one point weighed on two scales is one point', () => {
    const found = reach(0, { kind: 'straight' }, [HERE], [6.48, ...grains(100), 6.479]);
    expect(found).toHaveLength(1);
  });

  it('takes the stiffer shaft that lies there before the saw', () => {
    const [best] = reach(-67, { kind: 'straight' }, [HERE, STIFFER]);
    expect(best).toMatchObject({ buildId: 'stiffer', cutMm: 0 });
    expect(wayTo(HERE, best!)[0]).toEqual({ kind: 'otherShaft', buildId: 'stiffer' });
  });

  it('never goes below the safe length, nor under the least mass', () => {
    for (const outwardMm of [-300, -85, 0, 120])
      for (const one of reach(outwardMm, { kind: 'straight' }, [HERE, STIFFER], grains(30, 100))) {
        expect(one.parts.shaft.lengthMm).toBeGreaterThanOrEqual(736.2);
        // Shaft and point of 30 gr weigh 262 gr: over the 210 of this bow.
        expect(one.massG / G_PER_GR).toBeGreaterThan(210);
      }
  });

  it('cuts nothing with the draw unknown', () => {
    const unknown = new BowLog({ amoDrawMm: undefined, maker: {} }).state;
    const found = reachableBuilds(unknown, known(-85), {
      fitted: HERE,
      shafts: [],
      pointsG: grains(75),
      goal: { kind: 'straight' },
    });
    expect(found.length).toBeGreaterThan(0);
    expect(found.every(({ cutMm }) => cutMm === 0)).toBe(true);
  });

  it('for a mass, and for a balance, what comes nearest among what lands right', () => {
    const [as] = reach(0, { kind: 'straight' });
    const [heavy] = reach(
      0,
      { kind: 'mass', massG: as!.massG + 10 * G_PER_GR },
      [HERE],
      grains(100, 110, 125),
    );
    expect(heavy?.parts.point.massG).toBeCloseTo(110 * G_PER_GR, 6);
    const [front] = reach(
      0,
      { kind: 'foc', percent: as!.focPercent + 2 },
      [HERE],
      grains(100, 112, 125),
    );
    expect(front?.parts.point.massG).toBeGreaterThan(as!.parts.point.massG);
  });
});

describe('a goal as it is typed', () => {
  it.each([
    ['mass', '420', 'gr', 420 * G_PER_GR],
    ['mass', '27,2 g', 'gr', 27.2],
    ['mass', '27.2', 'g', 27.2],
    ['foc', '14', 'gr', 14],
    ['foc', '14,5 %', 'g', 14.5],
  ] as const)('%s %s', (kind, typed, unit, value) => {
    const goal = readArrowGoal(kind, typed, unit);
    const read = goal?.kind === 'mass' ? goal.massG : goal?.kind === 'foc' ? goal.percent : null;
    expect(read).toBeCloseTo(value, 6);
  });

  it.each([
    ['mass', ''],
    ['mass', 'heavy'],
    ['mass', '-420'],
    ['mass', '5000'],
    ['mass', '28 in'],
    ['mass', '400 420'],
    ['foc', '0'],
    ['foc', '60'],
    ['foc', '14 gr'],
  ] as const)('%s “%s” is none', (kind, typed) => {
    expect(readArrowGoal(kind, typed, 'gr')).toBeNull();
  });
});
