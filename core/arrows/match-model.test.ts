import { describe, expect, it } from 'vitest';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import type { BowFacts } from '../log/entry.ts';
import { G_PER_GR, MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';
import { matchBeforeShooting } from './build-match.ts';
import { fitBuild } from './fit-build.ts';
import { gridAround, mapColumn, mapLines } from './match-map.ts';
import { matchModel, matchOf, whatWouldDo } from './match-model.ts';
import { waysToMatch } from './ways-to-match.ts';

const build = (spine: number, lengthMm = 760, pointGr = 100): ArrowBuild => ({
  ...PLAIN_BUILD,
  insert: null,
  shaft: { ...PLAIN_BUILD.shaft, spine, lengthMm, fullLengthMm: 820 },
  point: { ...PLAIN_BUILD.point, massG: pointGr * G_PER_GR },
});
const USUAL = build(700);

function bow(facts: Partial<BowFacts> = {}, pounds = 34): BowLog {
  return new BowLog(facts).settle({ drawWeight: pounds * N_PER_LBF });
}
let made = 0;
/** Puts an arrow on and shoots it bare, so far outward of the fletched, on three ends. */
function shoot(log: BowLog, parts: ArrowBuild, outwardMm: number): BowLog {
  made += 1;
  log.add(fitBuild(log.state, { buildId: `b${made}`, revisionId: `r${made}`, name: 'x', parts }));
  const session = log.open();
  for (const end of [1, 2, 3]) {
    log.shots(session, end, 'fletched', SIX_FLETCHED);
    log.shots(session, end, 'bare', [
      [outwardMm - 5, 3],
      [outwardMm + 6, -4],
      [outwardMm - 1, 1],
    ]);
  }
  log.add({ kind: 'sessionClosed', sessionId: session });
  return log;
}
const modelOf = (log: BowLog) => {
  const model = matchModel(log.state);
  if (model === null) throw new Error('no model');
  return model;
};

describe('the match of an arrow, by the table', () => {
  it('is the starting table’s guess, whatever its spine, length and point', () => {
    const { state } = bow();
    const model = modelOf(bow());
    expect(model.source).toBe('table');
    for (const one of [USUAL, build(500), build(900, 700, 150), build(650, 800, 70)]) {
      const guess = matchBeforeShooting(state, one)!;
      const match = matchOf(model, one);
      expect(match.outwardMm).toBeCloseTo(guess.outwardMm, 6);
      // Half of a 90 % interval of a normal: 1.645 standard deviations.
      expect(match.plusMinusMm / guess.sdMm).toBeCloseTo(1.645, 1);
    }
  });

  it('the line where it lands right moves to softer shafts for less weight, polyester and a window short of the middle', () => {
    const right = (log: BowLog) => whatWouldDo(modelOf(log), USUAL).spine;
    const plain = right(bow());
    expect(right(bow({}, 30))).toBeGreaterThan(plain);
    const soft = bow();
    soft.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'soft',
      touches: [],
      string: { stringId: 'soft', material: 'polyester', shotsBefore: 100 },
    });
    // A tenth softer for one step.
    expect(right(soft) / plain).toBeCloseTo(Math.exp(0.1), 3);
    const shelf = (windowPastCentreMm: number) =>
      right(bow({ school: 'shelfTarget', windowPastCentreMm }));
    expect(shelf(0) / shelf(3)).toBeCloseTo(Math.exp(0.1), 3);
    expect(shelf(-3) / shelf(3)).toBeCloseTo(Math.exp(0.2), 3);
  });

  it('and to stiffer ones for more length or point', () => {
    const model = modelOf(bow());
    const right = (one: ArrowBuild) => whatWouldDo(model, one).spine;
    expect(right(build(700, 785.4)) / right(USUAL)).toBeCloseTo(Math.exp(-0.1), 3);
    expect(right(build(700, 760, 150)) / right(USUAL)).toBeCloseTo(Math.exp(-0.1), 3);
  });

  it('is not made of nothing', () => {
    expect(matchModel(new BowLog({ maker: {} }).state)).toBeNull();
  });
});

describe('the match of an arrow, by this bow’s own shots', () => {
  it('is where its bare shafts fell, and far narrower than the table', () => {
    const match = matchOf(modelOf(shoot(bow(), USUAL, 40)), USUAL);
    expect(match.outwardMm).toBeGreaterThan(33);
    expect(match.outwardMm).toBeLessThan(44);
    expect(match.plusMinusMm).toBeLessThan(12);
    expect(match.stiff).toBeGreaterThan(0.99);
  });

  it('goes to weak for a softer, longer or heavier-pointed one, and widens with the distance', () => {
    const model = modelOf(shoot(bow(), USUAL, 40));
    const here = matchOf(model, USUAL);
    for (const [near, far] of [
      [build(750), build(850)],
      [build(700, 770), build(700, 800)],
      [build(700, 760, 110), build(700, 760, 140)],
    ] as const) {
      const [one, other] = [matchOf(model, near), matchOf(model, far)];
      expect(one.outwardMm).toBeLessThan(here.outwardMm);
      expect(other.outwardMm).toBeLessThan(one.outwardMm);
      expect(other.plusMinusMm).toBeGreaterThan(one.plusMinusMm);
    }
  });

  it('what one arrow taught counts for the next: the same shot stiffer and softer narrows what lies between', () => {
    const once = modelOf(shoot(bow(), build(600), 60));
    const twice = modelOf(shoot(shoot(bow(), build(600), 60), build(800), -50));
    const between = build(690);
    expect(matchOf(twice, between).plusMinusMm).toBeLessThan(
      0.8 * matchOf(once, between).plusMinusMm,
    );
    expect(Math.abs(matchOf(twice, between).outwardMm)).toBeLessThan(20);
  });

  it('an arrow whose parts nobody knows is not told from another: the table speaks', () => {
    const log = bow({ arrow: { described: 'x', lengthMm: 760, diameterMm: 6, pointMassG: 6.5 } });
    const session = log.open();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.shots(session, 1, 'bare', [
      [40, 0],
      [44, 1],
      [39, -2],
    ]);
    expect(modelOf(log).source).toBe('table');
  });
});

describe('what must change', () => {
  it('lands right once it is changed, each way by itself', () => {
    const model = modelOf(shoot(bow(), USUAL, 40));
    const would = whatWouldDo(model, USUAL);
    const off = (one: ArrowBuild) => Math.abs(matchOf(model, one).outwardMm);
    const { shaft, point } = USUAL;
    expect(off({ ...USUAL, shaft: { ...shaft, spine: would.spine } })).toBeLessThan(1e-6);
    expect(off({ ...USUAL, shaft: { ...shaft, lengthMm: would.lengthMm } })).toBeLessThan(1e-6);
    expect(off({ ...USUAL, point: { ...point, massG: would.pointG } })).toBeLessThan(1e-6);
    // 40 mm stiff: a heavier point, a longer or a softer shaft; at 35 lb 638 is where this length and point begin.
    const stiff = build(550);
    const log = shoot(bow(), stiff, 40);
    const kinds = (one: ArrowBuild) =>
      waysToMatch(log.state, modelOf(log), one, matchOf(modelOf(log), one)).map(({ kind }) => kind);
    expect(kinds(stiff)).toEqual(['point', 'longer', 'spine']);
  });

  it('never an arrow more than two steps softer than the table begins with, which can break', () => {
    // 900 would be the spine for 160 mm stiff; from 638 e^0.2 = 779 on it is too soft, and so it is longer.
    const log = shoot(bow(), build(600), 160);
    const model = modelOf(log);
    expect(whatWouldDo(model, build(600)).spine).toBeGreaterThan(779);
    const ways = waysToMatch(log.state, model, build(600), matchOf(model, build(600)));
    expect(ways.map(({ kind }) => kind)).not.toContain('spine');
    expect(ways.map(({ kind }) => kind)).not.toContain('longer');
  });

  it('never a cut below the safe length, nor a point that makes it too light; to be shot where no side is known', () => {
    // 711.2 mm drawn and 25 in front: 736.2 mm are the least.
    const short = build(900, 740);
    const log = shoot(bow(), short, -60);
    const model = modelOf(log);
    const kinds = (one: ArrowBuild) =>
      waysToMatch(log.state, model, one, matchOf(model, one)).map(({ kind }) => kind);
    expect(whatWouldDo(model, short).lengthMm).toBeLessThan(736);
    expect(kinds(short)).not.toContain('cut');
    const light = { ...short, shaft: { ...short.shaft, massPerLengthGPerM: 8.5 } };
    expect(kinds(light)).not.toContain('point');
    expect(
      kinds({ ...short, shaft: { ...short.shaft, spine: whatWouldDo(model, short).spine } }),
    ).toEqual(['shoot']);
  });
});

describe('the map', () => {
  it('has its lines where single matches have them', () => {
    const model = modelOf(shoot(bow(), USUAL, 20));
    const grid = gridAround(USUAL, 15, 12);
    expect(grid.lengthsMm).toHaveLength(15);
    expect(grid.lengthsMm.at(-1)).toBeLessThanOrEqual(820);
    const cells = grid.lengthsMm.map((mm) => mapColumn(model, USUAL, mm, grid.pointsG));
    const { right, weakest, stiffest } = mapLines({ ...grid, cells });
    const at = grid.lengthsMm.findIndex((mm) => mm > 755);
    const lengthMm = grid.lengthsMm[at]!;
    const massG = right[at]!;
    const there = {
      ...USUAL,
      shaft: { ...USUAL.shaft, lengthMm },
      point: { ...USUAL.point, massG },
    };
    expect(Math.abs(matchOf(model, there).outwardMm)).toBeLessThan(0.5);
    expect(weakest[at]! < massG || weakest[at] === null).toBe(true);
    expect(stiffest[at]! > massG || stiffest[at] === null).toBe(true);
    // Longer wants a lighter point.
    const said = right.filter((one) => one !== null);
    expect(said).toEqual(said.toSorted((one, other) => other - one));
  });

  it('is lengths in inches of the shaft there is', () => {
    const { lengthsMm } = gridAround(build(700, 30 * MM_PER_IN), 5, 3);
    expect(lengthsMm.at(-1)).toBe(820);
  });
});
