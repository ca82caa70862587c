import { describe, expect, it } from 'vitest';
import { stepWords } from '../words/step-words.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { stepStates } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';

const correct = (log: BowLog, facts: object) => log.add({ kind: 'factsSet', facts });
const wordsOf = (log: BowLog, id: string) =>
  stepWords(stepStates(log.state).find(({ step }) => step.id === id)!);

describe('a hand written down wrongly', () => {
  it('mirrors what was plotted left and right, and nothing else; taken back it is as before', () => {
    const log = new BowLog({ hand: 'right' });
    log.read('centreShotAtPoint', 2);
    const session = log.open();
    const [shotId] = log.shots(session, 1, 'bare', [[30, -5]]);
    log.add({ kind: 'shotAmended', shotId: shotId!, attitude: { outwardDeg: 3, upDeg: -2 } });
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 1, flight: { outward: -1, up: 1 } });
    log.add({ kind: 'paperTorn', distanceM: 2, outwardMm: 12, upMm: 4, arrow: 'bare' });
    log.add({ kind: 'landingSet', outwardMm: 20, upMm: -8, why: '' });
    const seen = () => {
      const { sessions, tears, landing, bow, readings } = log.state;
      const [{ shots, endNotes }] = sessions as [(typeof sessions)[0]];
      return {
        hand: bow.hand,
        shot: [shots[0]!.outwardMm, shots[0]!.upMm],
        attitude: shots[0]!.attitude,
        flight: endNotes.get(1)!.flight,
        tear: [tears[0]!.outwardMm, tears[0]!.upMm],
        landing: [landing!.outwardMm, landing!.upMm],
        centreShot: readings.get('centreShotAtPoint')!.at(-1)!.mean,
      };
    };
    const before = seen();
    const entry = correct(log, { hand: 'left' });
    expect(seen()).toEqual({
      hand: 'left',
      shot: [-30, -5],
      attitude: { outwardDeg: -3, upDeg: -2 },
      flight: { outward: 1, up: 1 },
      tear: [-12, 4],
      landing: [-20, -8],
      centreShot: 2,
    });
    log.undo(entry);
    expect(seen()).toEqual(before);
    correct(log, { hand: 'right' });
    expect(seen()).toEqual(before);
  });
});

describe('another hook or archer', () => {
  it('puts in doubt what another hook does, and forgets how far the first drew', () => {
    const log = new BowLog({ amoDrawMm: 711 }).settle();
    expect(wordsOf(log, 'drawWeight')).toBe('holds');
    correct(log, { hook: 'threeUnder' });
    expect(log.state.bow).toMatchObject({ hook: 'threeUnder', amoDrawMm: undefined });
    expect(wordsOf(log, 'drawWeight')).toMatch(/^stale/);
    expect(wordsOf(log, 'clickerLength')).toMatch(/^stale/);
    expect(wordsOf(log, 'roughBrace')).toBe('holds');
    const other = new BowLog({ amoDrawMm: 711, owner: 'Maren' }).settle();
    correct(other, { owner: 'Mareen' });
    expect(other.state.bow).toMatchObject({ owner: 'Mareen', amoDrawMm: 711.2 });
    expect(wordsOf(other, 'drawWeight')).toBe('holds');
    correct(other, { owner: 'Juno', anotherArcher: true });
    expect(other.state.bow).toMatchObject({ owner: 'Juno', amoDrawMm: undefined });
    expect(wordsOf(other, 'drawWeight')).toMatch(/^stale/);
  });
});

describe('the brace reference', () => {
  const bow = () => {
    const log = new BowLog({ throatToPlungerMm: 12 }).settle();
    log.add({
      kind: 'targetSet',
      reading: 'braceHeight',
      low: 214,
      high: 217,
      name: 'quiet',
      why: '',
    });
    return log;
  };
  it('from now on: readings, band and the maker’s range move by the bow’s own distance, and back', () => {
    const log = bow();
    correct(log, { braceReference: 'plunger', braceFigures: 'convert' });
    expect(log.state.readings.get('braceHeight')!.at(-1)!.mean).toBeCloseTo(228, 9);
    expect(targetFor(log.state, 'braceHeight')).toMatchObject({
      low: 226,
      high: 229,
      limit: { low: 221.55, high: 234.25 },
    });
    correct(log, { braceReference: 'throat', braceFigures: 'convert' });
    expect(log.state.readings.get('braceHeight')!.at(-1)!.mean).toBeCloseTo(216, 9);
    expect(log.state.bow.maker.braceMinMm).toBeCloseTo(209.55, 9);
  });
  it('always had been: every figure stays', () => {
    const log = bow();
    correct(log, { braceReference: 'plunger', braceFigures: 'stay' });
    expect(log.state.bow.braceReference).toBe('plunger');
    expect(log.state.readings.get('braceHeight')!.at(-1)!.mean).toBe(216);
    expect(log.state.bow.maker.braceMinMm).toBe(209.55);
  });
});

describe('names, purpose, the maker’s figures', () => {
  it('are put right one by one, and the rest stays', () => {
    const log = new BowLog({ name: 'Heron', purpose: 'target' });
    correct(log, { name: 'Grey heron' });
    correct(log, { purpose: 'hunting', described: 'quiet' });
    correct(log, { maker: { boltTravelTurns: 4 } });
    expect(log.state.bow).toMatchObject({
      name: 'Grey heron',
      purpose: 'hunting',
      described: 'quiet',
      maker: { boltTravelTurns: 4, braceMinMm: 209.55 },
    });
  });
});

describe('a step skipped with a reason', () => {
  it('stays skipped until what it rests on changes', () => {
    const log = new BowLog().settle();
    log.add({ kind: 'stepSkipped', step: 'limbLine', why: 'no gauges' });
    log.change('nockingPoint', 1);
    expect(wordsOf(log, 'limbLine')).toBe('skipped: no gauges');
    log.change('topSideScrews', 0.5);
    expect(wordsOf(log, 'limbLine')).not.toMatch(/skipped/);
  });
});

describe('what a correction reaches', () => {
  const ARROW = { described: '', lengthMm: 740, diameterMm: 6, pointMassG: 8 };
  it('a cut and another point change the arrow that is there; its mass goes with its point', () => {
    const log = new BowLog({ arrow: { ...ARROW, massG: 25 } });
    log.change('shaftCut', 12);
    log.change('pointMass', -1.5);
    log.change('nockingPoint', 2);
    expect(log.state.bow.arrow).toEqual({ ...ARROW, lengthMm: 728, pointMassG: 6.5, massG: 23.5 });
    const unweighed = new BowLog({ arrow: ARROW });
    unweighed.change('pointMass', 1);
    expect(unweighed.state.bow.arrow).toEqual({ ...ARROW, pointMassG: 9, massG: undefined });
    const none = new BowLog();
    none.change('shaftCut', 12);
    none.change('pointMass', 1);
    expect(none.state.bow.arrow).toBeUndefined();
    correct(none, { arrowMassG: 25 });
    expect(none.state.bow.arrow).toBeUndefined();
    correct(log, { arrowMassG: 26 });
    expect(log.state.bow.arrow?.massG).toBe(26);
    correct(log, { name: 'Other' });
    expect(log.state.bow.arrow?.massG).toBe(26);
  });
  it('the hook as it is, and a draw said with another hook, forget nothing', () => {
    const log = new BowLog({ amoDrawMm: 711, hook: 'split' });
    correct(log, { hook: 'split' });
    expect(log.state.bow.amoDrawMm).toBe(711);
    expect(log.state.archerSince).toBe(-1);
    correct(log, { hook: 'threeUnder', amoDrawMm: 700 });
    expect(log.state.bow.amoDrawMm).toBe(700);
    expect(log.state.archerSince).toBe(2);
    correct(log, { anotherArcher: false, owner: 'Juno' });
    expect(log.state.bow.amoDrawMm).toBe(700);
  });
  it('the brace reference as it is, or with its distance said in the same breath', () => {
    const log = new BowLog().settle();
    correct(log, { braceReference: 'throat', braceFigures: 'convert', throatToPlungerMm: 12 });
    expect(log.state.readings.get('braceHeight')!.at(-1)!.mean).toBe(216);
    correct(log, { braceReference: 'plunger', braceFigures: 'convert', throatToPlungerMm: 10 });
    expect(log.state.readings.get('braceHeight')!.at(-1)!.mean).toBe(226);
    expect(log.state.bow.throatToPlungerMm).toBe(10);
    const unknown = new BowLog({ maker: {} }).settle();
    correct(unknown, { braceReference: 'plunger', braceFigures: 'convert' });
    expect(unknown.state.readings.get('braceHeight')!.at(-1)!.mean).toBe(216);
    expect(unknown.state.bow.maker.braceMinMm).toBeUndefined();
    const half = new BowLog({ maker: { braceMinMm: 210 }, throatToPlungerMm: 12 });
    correct(half, { braceReference: 'plunger', braceFigures: 'convert' });
    expect(half.state.bow.maker).toEqual({ braceMinMm: 222, braceMaxMm: undefined });
  });
});
