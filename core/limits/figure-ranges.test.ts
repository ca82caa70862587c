import { describe, expect, it } from 'vitest';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import type { EntryBody } from '../log/entry.ts';
import { bandRange, FACT_RANGES, impossibleFigure, possibleRange } from './figure-ranges.ts';

const LB = 4.4482216152605;
const GR = 0.06479891;

describe('where a reading may lie before it is asked about', () => {
  it.each<readonly [ReadingKind, number, number]>([
    ['braceHeight', 120, 260],
    ['tillerTop', 100, 260],
    ['tillerBottom', 100, 260],
    ['nockingHeight', -5, 25],
    ['centreShotAtPoint', -8, 15],
    ['centreShotAtPlunger', -8, 15],
    ['drawWeight', 8 * LB, 80 * LB],
  ])('%s: %f to %f', (kind, low, high) => {
    expect(READINGS[kind].plausible[0]).toBeCloseTo(low, 9);
    expect(READINGS[kind].plausible[1]).toBeCloseTo(high, 9);
  });

  it('and half as far again when it is confirmed; nothing that is a length from nought turns minus', () => {
    expect(possibleRange('braceHeight')).toEqual([50, 330]);
    expect(possibleRange('tillerTop')).toEqual([20, 340]);
    expect(possibleRange('nockingHeight')).toEqual([-20, 40]);
    expect(possibleRange('centreShotAtPoint')).toEqual([-19.5, 26.5]);
    expect(possibleRange('drawWeight')[0]).toBe(0);
    expect(possibleRange('drawWeight')[1]).toBeCloseTo(116 * LB, 6);
  });

  it('a band lies where its readings lie; tiller is a difference', () => {
    expect(bandRange('tiller')).toEqual([-25, 25]);
    expect(bandRange('braceHeight')).toEqual([120, 260]);
  });
});

/** At the edge it can be, a hair beyond it cannot: each with the path that is at fault. */
const EDGES: readonly (readonly [
  what: string,
  make: (value: number) => EntryBody,
  low: number,
  high: number,
  path: string,
])[] = [
  ['a brace', (value) => reading('braceHeight', value), 50, 330, 'values.1'],
  ['a draw length', (value) => reading('drawLength', value), 225, 1125, 'values.1'],
  ['twists turned', (value) => change('twists', value), -144, 144, 'amount'],
  ['a bolt turned', (value) => change('topBolt', value), -24, 24, 'amount'],
  ['a locator moved', (value) => change('nockingPoint', value), -72, 72, 'amount'],
  ['twists counted', (value) => counted('twists', value), 0, 90, 'value'],
  ['a bolt counted', (value) => counted('bottomBolt', value), 0, 20, 'value'],
  ['a band’s low end', (value) => band('nockingHeight', value, 25), -5, 25, 'low'],
  ['a band’s high end', (value) => band('tiller', -25, value), -25, 25, 'high'],
  ['a draw written down', (v) => facts({ amoDrawMm: v }), 450, 900, 'facts.amoDrawMm'],
  ['an arrow weighed', (v) => facts({ arrowMassG: v }), 100 * GR, 1000 * GR, 'facts.arrowMassG'],
  ['an offset', (v) => facts({ throatToPlungerMm: v }), -60, 60, 'facts.throatToPlungerMm'],
  ['a maker’s low', (v) => maker({ braceMinMm: v }), 120, 260, 'facts.maker.braceMinMm'],
  ['a maker’s high', (v) => maker({ braceMaxMm: v }), 120, 260, 'facts.maker.braceMaxMm'],
  ['a travel', (v) => maker({ boltTravelTurns: v }), 0.25, 20, 'facts.maker.boltTravelTurns'],
  ['side screws', (v) => maker({ sideScrewTurns: v }), 0.25, 20, 'facts.maker.sideScrewTurns'],
  ['a mark', (v) => maker({ markedWeightN: v }), 8 * LB, 80 * LB, 'facts.maker.markedWeightN'],
  ['its draw', (v) => maker({ markedDrawMm: v }), 508, 863.6, 'facts.maker.markedDrawMm'],
  [
    'the least arrow',
    (v) => maker({ leastArrowMassG: v }),
    100 * GR,
    1000 * GR,
    'facts.maker.leastArrowMassG',
  ],
];
function reading(kind: ReadingKind, value: number): EntryBody {
  const { plausible } = READINGS[kind];
  return {
    kind: 'reading',
    reading: kind,
    values: [(plausible[0] + plausible[1]) / 2, value],
    typed: '',
    datum: '',
    tool: '',
    source: 'measured',
    confirmedUnlikely: true,
  };
}
function change(
  control: 'twists' | 'topBolt' | 'nockingPoint' | 'shaftCut',
  amount: number,
): EntryBody {
  return { kind: 'change', control, amount, because: '' };
}
function counted(control: 'twists' | 'bottomBolt', value: number): EntryBody {
  return { kind: 'positionCounted', control, value };
}
function band(id: 'nockingHeight' | 'tiller', low: number, high: number): EntryBody {
  return { kind: 'targetSet', reading: id, low, high, name: 'own', why: '' };
}
function facts(one: object): EntryBody {
  return { kind: 'factsSet', facts: one };
}
function maker(one: object): EntryBody {
  return { kind: 'factsSet', facts: { maker: one } };
}

describe('a figure that cannot be', () => {
  it.each(EDGES)('%s', (_what, make, low, high, path) => {
    expect(impossibleFigure(make(low))).toBeNull();
    expect(impossibleFigure(make(high))).toBeNull();
    const step = 0.01 * (high - low);
    expect(impossibleFigure(make(low - step))).toMatchObject({ path, value: low - step });
    expect(impossibleFigure(make(high + step))).toMatchObject({
      path,
      range: [low, high].map((edge) => expect.closeTo(edge, 6) as number),
    });
  });

  it('a saw takes off and puts nothing on', () => {
    expect(impossibleFigure(change('shaftCut', 6))).toBeNull();
    expect(impossibleFigure(change('shaftCut', 400))).toBeNull();
    expect(impossibleFigure(change('shaftCut', 401))).toMatchObject({ path: 'amount' });
    expect(impossibleFigure(change('shaftCut', 0))).toMatchObject({ path: 'amount' });
    expect(impossibleFigure(change('shaftCut', -0.0001))).toMatchObject({ path: 'amount' });
  });

  it('an experiment has at most 40 settings and at least two', () => {
    const tried = (high: number, step: number): EntryBody => ({
      kind: 'experimentOpened',
      experimentId: 'e',
      control: 'twists',
      low: 0,
      high,
      step,
      distanceM: 30,
      shotsADay: 60,
    });
    expect(impossibleFigure(tried(40, 1))).toBeNull();
    expect(impossibleFigure(tried(41, 1))).toMatchObject({ path: 'step' });
    expect(impossibleFigure(tried(200, 0.01))).toMatchObject({ path: 'step' });
    expect(impossibleFigure(tried(1, 2))).toMatchObject({ path: 'step' });
  });

  it('is looked for in nothing else', () => {
    expect(impossibleFigure({ kind: 'note', text: '500' })).toBeNull();
    expect(impossibleFigure(facts({ name: 'Heron' }))).toBeNull();
  });

  it('forms take shafts of 450 to 860 mm, points of 30 to 400 gr, up to 1000 shots', () => {
    expect(FACT_RANGES.shaftMm).toEqual([450, 860]);
    expect(FACT_RANGES.pointMassG.map((g) => g / GR)).toEqual([
      expect.closeTo(30, 6),
      expect.closeTo(400, 6),
    ]);
    expect(FACT_RANGES.shots).toEqual([1, 1000]);
  });
});
