import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { leastArrow } from './arrow-limits.ts';
import { boltsOutNow, boltTravel } from './bolt-limits.ts';
import { checkChanges } from './check-proposal.ts';
import { farthestDistance } from './first-distances.ts';
import { braceLimit, braceTable } from './brace-limit.ts';
import { longestDraw } from './draw-length.ts';
import { safeLength } from './safe-length.ts';
import { shootingBars } from './shooting-bars.ts';
import { sideScrewTravel } from './side-screw-limits.ts';
import { stopsOf } from './stops.ts';

describe('bolts', () => {
  it('may go in as far as they stand out, and out as far as the travel leaves', () => {
    const log = new BowLog({ boltTurnsOutAtStart: 1 });
    log.add({ kind: 'positionCounted', control: 'bottomBolt', value: 2.5 });
    expect(boltsOutNow(log.state)).toEqual({
      top: 1,
      bottom: 2.5,
      travel: 3,
      canGoIn: { top: 1, bottom: 2.5 },
      canGoOut: { top: 2, bottom: 0.5 },
    });
    log.change('topBolt', 1.5);
    log.change('bottomBolt', -1);
    expect(boltsOutNow(log.state)).toMatchObject({
      canGoIn: { top: 0, bottom: 3.5 },
      canGoOut: { top: 3.5, bottom: 0 },
    });
  });
  it('stand nowhere while one of them was not counted', () => {
    const log = new BowLog({ boltTurnsOutAtStart: undefined });
    expect(boltsOutNow(log.state)).toBeNull();
    log.add({ kind: 'positionCounted', control: 'topBolt', value: 1 });
    expect(boltsOutNow(log.state)).toBeNull();
    const other = new BowLog({ boltTurnsOutAtStart: undefined });
    other.add({ kind: 'positionCounted', control: 'bottomBolt', value: 1 });
    expect(boltsOutNow(other.state)).toBeNull();
    expect(stopsOf(other.state)).toEqual([]);
  });
  it('have three turns by guess, or the maker’s; side screws two', () => {
    expect(boltTravel(new BowLog({ maker: {} }).state.bow)).toEqual({ turns: 3, guessed: true });
    expect(boltTravel(new BowLog({ maker: { boltTravelTurns: 5 } }).state.bow)).toEqual({
      turns: 5,
      guessed: false,
    });
    expect(sideScrewTravel(new BowLog().state.bow)).toEqual({ turns: 2, guessed: true });
    expect(sideScrewTravel(new BowLog({ maker: { sideScrewTurns: 4 } }).state.bow)).toEqual({
      turns: 4,
      guessed: false,
    });
  });
});

describe('the brace limit', () => {
  const limit = (maker: object, band?: readonly [number, number, string]) => {
    const log = new BowLog({ maker });
    if (band !== undefined)
      log.add({
        kind: 'targetSet',
        reading: 'braceHeight',
        low: band[0],
        high: band[1],
        name: 'own',
        why: band[2],
      });
    return braceLimit(log.state);
  };
  const both = { braceMinMm: 209, braceMaxMm: 223 };
  it.each<readonly [object, readonly [number, number, string] | undefined, object]>([
    [both, undefined, { low: 209, high: 223, source: 'maker' }],
    [both, [200, 230, 'why'], { low: 209, high: 223, source: 'maker' }],
    [{}, undefined, { low: 204, high: 228, source: 'table' }],
    [{}, [210, 220, 'quiet'], { low: 204, high: 228, source: 'table' }],
    [{}, [204, 228, 'just so'], { low: 204, high: 228, source: 'table' }],
    [{}, [200, 220, ''], { low: 204, high: 228, source: 'table' }],
    [{}, [200, 220, '  '], { low: 204, high: 228, source: 'table' }],
    [{}, [200, 220, 'quiet'], { low: 200, high: 228, source: 'ownBand' }],
    [{}, [210, 232, 'quiet'], { low: 204, high: 232, source: 'ownBand' }],
    [{}, [200, 232, 'quiet'], { low: 200, high: 232, source: 'ownBand' }],
    [{ braceMinMm: 209 }, undefined, { low: 209, high: 228, source: 'table' }],
    [{ braceMaxMm: 223 }, undefined, { low: 204, high: 223, source: 'table' }],
    [{ braceMinMm: 209 }, [200, 232, 'quiet'], { low: 209, high: 232, source: 'ownBand' }],
    [{ braceMaxMm: 223 }, [200, 232, 'quiet'], { low: 200, high: 223, source: 'ownBand' }],
  ])('maker %j, band %j: %j', (maker, band, expected) => {
    expect(limit(maker, band)).toEqual(expected);
  });
  it('says what the table is moved by', () => {
    const table = (facts: object) => braceTable(new BowLog(facts).state.bow);
    expect(table({})).toMatchObject({ low: 210, high: 222 });
    expect(table({}).why).toMatch(/to the throat/);
    const plunger = table({ braceReference: 'plunger' });
    expect(plunger).toMatchObject({ low: 222, high: 234 });
    expect(plunger.why).toMatch(/usual 12 mm are added until tp says/);
    const known = table({ braceReference: 'plunger', throatToPlungerMm: 9 });
    expect(known).toMatchObject({ low: 219, high: 231 });
    expect(known.why).toMatch(/this bow’s own distance/);
  });
});

describe('draw and shaft', () => {
  it('the draw written down stands in until one is read, and then does not', () => {
    const log = new BowLog({ amoDrawMm: 720 });
    expect(longestDraw(log.state)).toEqual({ amoMm: 720, measured: false });
    log.read('drawLength', 700);
    expect(longestDraw(log.state)).toEqual({ amoMm: 700, measured: true });
    expect(longestDraw(new BowLog().state)).toBeNull();
  });
  it('a safe length says by which rule, what is left, what is short, or what is missing', () => {
    const arrow = { described: '', lengthMm: 730, diameterMm: 6, pointMassG: 8 };
    expect(safeLength(new BowLog({ arrow, amoDrawMm: 700 }).state)).toEqual({
      kind: 'known',
      leastMm: 725,
      leftMm: 5,
      shortMm: 0,
      rule: 'plain',
      drawMm: 700,
      drawMeasured: false,
    });
    expect(safeLength(new BowLog({ arrow, amoDrawMm: 710 }).state)).toMatchObject({
      leftMm: 0,
      shortMm: 5,
    });
    expect(safeLength(new BowLog({ arrow }).state)).toEqual({ kind: 'unknown', missing: 'draw' });
    expect(safeLength(new BowLog({ amoDrawMm: 700 }).state)).toEqual({
      kind: 'unknown',
      missing: 'shaft',
    });
  });
});

describe('the least arrow', () => {
  it('is six grains a pound proposed, five a dry shot, or the maker’s, whichever is more', () => {
    const log = new BowLog({ maker: {} });
    expect(leastArrow(log.state)).toBeNull();
    log.read('drawWeight', 39 * N_PER_LBF);
    const { proposedG, dryShotG, source } = leastArrow(log.state)!;
    expect([proposedG / G_PER_GR, dryShotG / G_PER_GR]).toEqual([
      expect.closeTo(240, 6),
      expect.closeTo(200, 6),
    ]);
    expect(source).toBe('rule of thumb');
    log.add({ kind: 'factsSet', facts: { maker: { leastArrowMassG: 300 * G_PER_GR } } });
    expect(leastArrow(log.state)).toMatchObject({ source: 'maker' });
    expect(leastArrow(log.state)!.proposedG / G_PER_GR).toBeCloseTo(300, 6);
    expect(leastArrow(log.state)!.dryShotG / G_PER_GR).toBeCloseTo(300, 6);
    log.add({ kind: 'factsSet', facts: { maker: { leastArrowMassG: 150 * G_PER_GR } } });
    expect(leastArrow(log.state)!.proposedG / G_PER_GR).toBeCloseTo(200, 6);
    const unweighed = new BowLog({ maker: { leastArrowMassG: 20 } });
    expect(leastArrow(unweighed.state)).toEqual({
      cautionG: 20,
      proposedG: 20,
      dryShotG: 20,
      source: 'maker',
    });
  });
});

describe('what bars a shot', () => {
  it('another item than a string bars nothing, and a turn after the string does not lift its bars', () => {
    const log = new BowLog().settle();
    log.add({ kind: 'itemFitted', item: 'rest', described: 'another', touches: [] });
    expect(shootingBars(log.state)).toEqual([]);
    log.fitString('second', 24);
    log.add({ kind: 'itemFitted', item: 'rest', described: 'third', touches: [] });
    log.change('plungerReach', 0.25);
    expect(shootingBars(log.state)).toEqual(['nockFitOpen', 'braceUnread']);
    const unread = new BowLog();
    unread.fitString('second', 24);
    unread.add({ kind: 'stepSkipped', step: 'nockFit', why: 'same nocks' });
    expect(shootingBars(unread.state)).toEqual(['braceUnread']);
  });
});

describe('what nobody knows', () => {
  it('stops nothing: twists, bolts or a weight that were never counted or read', () => {
    const log = new BowLog({
      maker: {},
      twistsAtStart: undefined,
      boltTurnsOutAtStart: undefined,
      arrow: { described: '', lengthMm: 700, diameterMm: 6, pointMassG: 8, massG: 5 },
    });
    expect(stopsOf(log.state)).toEqual([]);
    expect(checkChanges(log.state, [{ control: 'pointMass', amount: -1 }])).toBeNull();
    expect(checkChanges(log.state, [{ control: 'twists', amount: -12 }])).toBeNull();
  });
  it('a bottom pocket is named as one; a locator is counted from where it began, not the rest', () => {
    expect(
      checkChanges(new BowLog().state, [{ control: 'bottomSideScrews', amount: 2.125 }]),
    ).toMatchObject({ code: 'sideScrewsSpent', limb: 'bottom', turns: 2.125, nearest: 2 });
    expect(
      checkChanges(new BowLog().state, [{ control: 'topSideScrews', amount: 2.125 }]),
    ).toMatchObject({ limb: 'top' });
    const log = new BowLog();
    log.change('nockingPoint', 15);
    expect(checkChanges(log.state, [{ control: 'restHeight', amount: 3 }])).toBeNull();
    log.add({
      kind: 'change',
      control: 'nockingPoint',
      amount: 3,
      because: '',
      despite: 'tied anew',
    });
    expect(checkChanges(log.state, [{ control: 'nockingPoint', amount: -1 }])).toBeNull();
    expect(checkChanges(log.state, [{ control: 'nockingPoint', amount: 1 }])?.code).toBe(
      'locatorOutside',
    );
  });
  it('a bow shot in with one of its strings was shot in', () => {
    const log = new BowLog();
    log.fitString('second', 24);
    log.add({ kind: 'shotsFired', count: 30, note: '' });
    expect(farthestDistance(log.state, 'fineTuning', 1220).why).toBe('proved');
  });
});
