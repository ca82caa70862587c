import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ITEM_TOUCHES } from '../craft/fit-out.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { change, refusalOf as code } from '../fixtures/proposals.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import type { EntryBody } from '../log/entry.ts';
import type { Control } from '../craft/controls.ts';
import { checkChanges, checkProposal } from './check-proposal.ts';

describe('bolts', () => {
  // 1 1/2 turns out of 3.
  it.each([
    ['topBolt', 1.5, null],
    ['topBolt', 1.625, 'beyondBoltTravel'],
    ['topBolt', -1.5, null],
    ['topBolt', -1.625, 'beyondBoltTravel'],
    ['bottomBolt', 1.5, null],
    ['bottomBolt', 1.625, 'beyondBoltTravel'],
    ['bottomBolt', -1.5, null],
    ['bottomBolt', -1.625, 'beyondBoltTravel'],
  ] as const)('%s %f: %s', (control, amount, expected) => {
    expect(code(new BowLog(), change(control, amount))).toBe(expected);
  });

  it('says whose travel it is, where the bolt would stand, and the most that is allowed', () => {
    expect(checkProposal(new BowLog().state, [change('topBolt', -2)])).toEqual({
      code: 'beyondBoltTravel',
      bolt: 'top',
      outTurns: 3.5,
      travelTurns: 3,
      guessed: false,
      at: 0,
      nearest: -1.5,
    });
    const guessed = checkProposal(new BowLog({ maker: {} }).state, [change('bottomBolt', -2)]);
    expect(guessed).toMatchObject({ bolt: 'bottom', travelTurns: 3, guessed: true });
    const past = checkProposal(new BowLog().state, [change('topBolt', 2)]);
    expect(past).toMatchObject({ outTurns: -0.5, nearest: 1.5 });
  });

  it('keeps the two within two turns of each other', () => {
    const one = (top: number, bottom: number) =>
      checkChanges(new BowLog().state, [
        { control: 'topBolt', amount: top },
        { control: 'bottomBolt', amount: bottom },
      ])?.code ?? null;
    expect(one(1, -1)).toBeNull();
    expect(one(1.125, -1)).toBe('boltsTooFarApart');
    expect(one(-1, 1)).toBeNull();
    expect(one(-1, 1.125)).toBe('boltsTooFarApart');
    expect(one(1.5, 1.5)).toBeNull();
  });

  it('turns none that nobody has counted, in or out', () => {
    const uncounted = () => new BowLog({ boltTurnsOutAtStart: undefined });
    expect(code(uncounted(), change('topBolt', -0.125))).toBe('boltsNotCounted');
    expect(code(uncounted(), change('bottomBolt', 0.125))).toBe('boltsNotCounted');
    const counted = uncounted();
    counted.add({ kind: 'positionCounted', control: 'topBolt', value: 1 });
    expect(code(counted, change('topBolt', -0.125))).toBeNull();
    expect(code(counted, change('bottomBolt', -0.125))).toBe('boltsNotCounted');
  });

  it('lets a step back toward the limit through, however far out the bolt stands', () => {
    const far = new BowLog();
    far.change('topBolt', -2.5);
    far.change('bottomBolt', -2.5);
    expect(far.state.positions).toMatchObject({ topBoltTurnsOut: 4, bottomBoltTurnsOut: 4 });
    expect(code(far, change('topBolt', 0.5))).toBeNull();
    expect(code(far, change('topBolt', -0.125))).toBe('beyondBoltTravel');
    expect(code(far, change('topBolt', 4.125))).toBe('beyondBoltTravel');
    const apart = new BowLog();
    apart.change('topBolt', -1.5);
    apart.change('bottomBolt', 1.5);
    expect(code(apart, change('topBolt', 0.5))).toBeNull();
    expect(code(apart, change('bottomBolt', 0.125))).toBe('beyondBoltTravel');
  });
});

describe('twists', () => {
  // A 66 in recurve takes a 62 in string: 16 to 49 twists. Its brace is not read: only twists speak.
  const strung = (twistsAtStart: number | undefined) => new BowLog({ twistsAtStart });
  it.each([
    [24, -8, null],
    [24, -9, 'twistsOutside'],
    [24, 25, null],
    [24, 26, 'twistsOutside'],
    [10, 4, null],
    [10, -1, 'twistsOutside'],
    [55, -2, null],
    [55, 1, 'twistsOutside'],
    [10, 40, 'twistsOutside'],
  ] as const)('%i twists, %i: %s', (from, amount, expected) => {
    expect(code(strung(from), change('twists', amount))).toBe(expected);
  });

  it('a longbow’s string is 3 in shorter than the bow: 68 in takes 17 to 52', () => {
    const longbow = new BowLog({ bowKind: 'longbow', amoLengthIn: 68, twistsAtStart: 20 });
    expect(checkProposal(longbow.state, [change('twists', -4)])).toMatchObject({
      fewest: 17,
      most: 52,
      nearest: -3,
    });
  });

  it('lets a string nobody has counted be turned by twelve either way in all, and back', () => {
    const log = strung(undefined);
    expect(code(log, change('twists', -12))).toBeNull();
    expect(code(log, change('twists', -13))).toBe('twistsNotCounted');
    log.change('twists', 8);
    expect(code(log, change('twists', 4))).toBeNull();
    expect(code(log, change('twists', 5))).toBe('twistsNotCounted');
    expect(code(log, change('twists', -20))).toBeNull();
    // Other limbs under the same string: it has the twists it had.
    log.add({
      kind: 'itemFitted',
      item: 'limbs',
      described: 'others',
      touches: [],
      limbs: { limbsId: 'others', shotsBefore: 0 },
    });
    expect(code(log, change('twists', 5))).toBe('twistsNotCounted');
    log.fitString('second');
    expect(code(log, change('twists', 12))).toBeNull();
    log.change('twists', 20);
    expect(code(log, change('twists', -1))).toBeNull();
    expect(code(log, change('twists', 1))).toBe('twistsNotCounted');
    log.add({ kind: 'positionCounted', control: 'twists', value: 30 });
    expect(code(log, change('twists', 13))).toBeNull();
  });
});

describe('brace', () => {
  // Maker’s 209.55 to 222.25 mm; a twist is expected to give about 0.64 mm at 24 twists.
  it('is never proposed beyond the maker’s range, and always back into it', () => {
    const at = (mm: number) => new BowLog().settle({ braceHeight: mm });
    expect(code(at(221.9), change('twists', 4))).toBe('braceOutside');
    expect(code(at(221.9), change('twists', -4))).toBeNull();
    expect(code(at(210), change('twists', -4))).toBe('braceOutside');
    expect(code(at(210), change('twists', 4))).toBeNull();
    expect(code(at(207), change('twists', 2))).toBeNull();
    expect(code(at(207), change('twists', -1))).toBe('braceOutside');
    expect(code(at(225), change('twists', -2))).toBeNull();
    expect(code(at(225), change('twists', 1))).toBe('braceOutside');
  });

  it('takes the table and 6 mm while the maker is silent: 204 to 228 for a 66 in recurve', () => {
    const refusal = checkProposal(new BowLog({ maker: {} }).settle({ braceHeight: 227.8 }).state, [
      change('twists', 6),
    ]);
    expect(refusal).toMatchObject({ limit: { low: 204, high: 228, source: 'table' } });
  });

  it('moves the table by 12 mm for a bow read to the plunger, and by its own offset once measured', () => {
    const limit = (facts: object) =>
      checkProposal(
        new BowLog({ maker: {}, braceReference: 'plunger', ...facts }).settle({ braceHeight: 239 })
          .state,
        [change('twists', 12)],
      );
    expect(limit({})).toMatchObject({ limit: { low: 216, high: 240 } });
    expect(limit({ throatToPlungerMm: 5 })).toMatchObject({ limit: { low: 209, high: 233 } });
  });
});

describe('a band of one’s own', () => {
  const band = (low: number, high: number, why = ''): EntryBody => ({
    kind: 'targetSet',
    reading: 'braceHeight',
    low,
    high,
    name: 'your own',
    why,
  });
  it('never leaves the maker’s range, reason or not', () => {
    expect(code(new BowLog(), band(210, 222))).toBeNull();
    expect(code(new BowLog(), band(209, 222))).toBe('braceOutside');
    expect(code(new BowLog(), band(210, 223, 'it was quiet there'))).toBe('braceOutside');
  });
  it('leaves the table’s with a reason only, and the bow may then go there', () => {
    const bow = () => new BowLog({ maker: {} });
    expect(code(bow(), band(200, 220))).toBe('braceOutside');
    expect(code(bow(), band(200, 220, 'as its maker told me'))).toBeNull();
    const told = bow();
    told.add(band(196, 220, 'as its maker told me'));
    told.settle({ braceHeight: 203 });
    expect(code(told, change('twists', -4))).toBeNull();
  });
});

describe('the shaft', () => {
  const ARROW = { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 8 };
  const bow = (facts: object = {}) => new BowLog({ arrow: ARROW, amoDrawMm: 700, ...facts });
  // Longest draw 700 AMO: 725 plain, 740 with a broadhead, 700 − 44.45 + 15 = 670.55 with a clicker.
  it('is cut to 25 mm in front of the longest draw, 40 with broadheads, and no further', () => {
    expect(code(bow(), change('shaftCut', 35))).toBeNull();
    expect(code(bow(), change('shaftCut', 36))).toBe('shaftTooShort');
    expect(code(bow({ purpose: 'hunting' }), change('shaftCut', 20))).toBeNull();
    expect(code(bow({ purpose: 'hunting' }), change('shaftCut', 21))).toBe('shaftTooShort');
  });

  it('has the clicker’s rule only while a clicker stands in the fit-out', () => {
    const clicker = bow();
    const fit = (described: string) =>
      clicker.add({ kind: 'itemFitted', item: 'clicker', described, touches: [] });
    fit('on the window');
    expect(code(clicker, change('shaftCut', 89))).toBeNull();
    expect(code(clicker, change('shaftCut', 90))).toBe('shaftTooShort');
    fit('');
    expect(code(clicker, change('shaftCut', 36))).toBe('shaftTooShort');
  });

  it('goes by the longest draw read, not the last, until archer or hook changes', () => {
    const log = bow();
    log.read('drawLength', 690, 711.2);
    log.read('drawLength', 660.4);
    // 711.2 + 25 = 736.2: 23.8 mm are left.
    expect(code(log, change('shaftCut', 23.5))).toBeNull();
    expect(code(log, change('shaftCut', 24.5))).toBe('shaftTooShort');
    log.add({
      kind: 'itemFitted',
      item: 'hook',
      described: 'three under',
      touches: ITEM_TOUCHES.hook,
    });
    expect(code(log, change('shaftCut', 3))).toBe('shaftNotMeasured');
    log.read('drawLength', 660.4);
    expect(code(log, change('shaftCut', 74))).toBeNull();
    log.add({ kind: 'factsSet', facts: { owner: 'Juno', anotherArcher: true } });
    expect(code(log, change('shaftCut', 3))).toBe('shaftNotMeasured');
  });

  it('is not cut with shaft or draw unknown, and never grows', () => {
    expect(code(new BowLog({ amoDrawMm: 700 }), change('shaftCut', 3))).toBe('shaftNotMeasured');
    expect(code(bow({ amoDrawMm: undefined }), change('shaftCut', 3))).toBe('shaftNotMeasured');
    expect(code(bow(), change('shaftCut', -12))).toBe('shaftCannotGrow');
  });

  it('is not fitted too short either, but that it was can be written down', () => {
    const fitted = (lengthMm: number, despite?: string): EntryBody => ({
      kind: 'itemFitted',
      item: 'shaft',
      described: 'new',
      touches: [],
      arrow: { ...ARROW, lengthMm },
      ...(despite === undefined ? {} : { despite }),
    });
    expect(code(bow(), fitted(725))).toBeNull();
    expect(code(bow(), fitted(720))).toBe('shaftTooShort');
    expect(code(bow(), fitted(720, 'bought so'))).toBeNull();
    expect(code(bow(), change('shaftCut', 60, { despite: 'sawn before asking' }))).toBeNull();
  });
});

describe('point, arrow, locator, side screws', () => {
  const arrow = { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 6.48, massG: 20 };
  it('keeps points between 30 and 400 gr', () => {
    const bow = new BowLog({ arrow: { ...arrow, massG: undefined } });
    expect(code(bow, change('pointMass', -4.5))).toBeNull();
    expect(code(bow, change('pointMass', -4.6))).toBe('pointOutside');
    expect(code(bow, change('pointMass', 19))).toBeNull();
    expect(code(bow, change('pointMass', 20))).toBe('pointOutside');
  });
  it('proposes nothing under 6 grains a pound on the fingers, or under the maker’s mass', () => {
    // 39 lb on the hook, 40 on the fingers: 240 gr = 15.55 g.
    const bow = new BowLog({ arrow });
    bow.read('drawWeight', 39 * N_PER_LBF);
    expect(code(bow, change('pointMass', -4.4))).toBeNull();
    expect(code(bow, change('pointMass', -4.5))).toBe('arrowTooLight');
    bow.add({ kind: 'factsSet', facts: { maker: { leastArrowMassG: 19.5 } } });
    expect(code(bow, change('pointMass', -0.4))).toBeNull();
    expect(checkProposal(bow.state, [change('pointMass', -0.6)])).toMatchObject({
      code: 'arrowTooLight',
      source: 'maker',
    });
  });
  it('keeps the locator between square and 25 mm, and within 15 mm of where it began unread', () => {
    const read = new BowLog();
    read.read('nockingHeight', 5);
    expect(code(read, change('nockingPoint', -5))).toBeNull();
    expect(code(read, change('nockingPoint', -5.5))).toBe('locatorOutside');
    expect(code(read, change('nockingPoint', 20))).toBeNull();
    expect(code(read, change('nockingPoint', 20.5))).toBe('locatorOutside');
    expect(code(new BowLog(), change('nockingPoint', 15))).toBeNull();
    expect(code(new BowLog(), change('nockingPoint', -15.5))).toBe('locatorOutside');
  });
  it('turns side screws two turns in all from where they stood, or as far as the maker says', () => {
    const bow = new BowLog();
    for (const amount of [1, 0.5]) bow.change('topSideScrews', amount);
    expect(code(bow, change('topSideScrews', 0.5))).toBeNull();
    expect(code(bow, change('topSideScrews', 0.625))).toBe('sideScrewsSpent');
    expect(code(bow, change('bottomSideScrews', -2.125))).toBe('sideScrewsSpent');
    bow.add({ kind: 'factsSet', facts: { maker: { sideScrewTurns: 3 } } });
    expect(code(bow, change('topSideScrews', 1.5))).toBeNull();
  });
});

describe('several entries at once', () => {
  it('are held to the limits one after another: there and back does not pass', () => {
    const bow = new BowLog();
    expect(
      checkProposal(bow.state, [change('topBolt', -150), change('topBolt', 150)]),
    ).toMatchObject({
      code: 'beyondBoltTravel',
      at: 0,
    });
    const oneMove = { moveId: 'm' };
    expect(code(bow, change('topBolt', -150, oneMove), change('topBolt', 150, oneMove))).toBe(
      'beyondBoltTravel',
    );
    expect(checkProposal(bow.state, [change('topBolt', -1), change('topBolt', -1)])).toMatchObject({
      at: 1,
      nearest: -0.5,
    });
  });

  it('hold the bolts to each other at the end of a move, not within it', () => {
    const bow = new BowLog();
    bow.change('topBolt', -1);
    const both = [
      change('topBolt', 2, { moveId: 'm' }),
      change('bottomBolt', 1.5, { moveId: 'm' }),
    ];
    expect(checkProposal(bow.state, both)).toBeNull();
    const apart = [change('topBolt', 1.75), change('bottomBolt', -1.5)];
    expect(checkProposal(bow.state, apart)).toMatchObject({ code: 'boltsTooFarApart', at: 1 });
  });
});

it('never lets any run of accepted turns leave the travel', () => {
  const eighths = fc.integer({ min: -12, max: 12 }).map((count) => count / 8);
  const turn = fc.tuple(fc.constantFrom('topBolt' as const, 'bottomBolt' as const), eighths);
  fc.assert(
    fc.property(fc.array(turn, { maxLength: 25 }), (turns) => {
      const log = new BowLog();
      for (const [control, amount] of turns) {
        if (amount !== 0 && checkChanges(log.state, [{ control, amount }]) === null)
          log.change(control, amount);
      }
      const { topBoltTurnsOut: top, bottomBoltTurnsOut: bottom } = log.state.positions;
      for (const out of [top!, bottom!]) {
        expect(out).toBeGreaterThanOrEqual(-1e-9);
        expect(out).toBeLessThanOrEqual(3 + 1e-9);
      }
      expect(Math.abs(top! - bottom!)).toBeLessThanOrEqual(2 + 1e-9);
    }),
  );
});

describe('an experiment', () => {
  const tried = (control: Control, low: number, high: number): EntryBody => ({
    kind: 'experimentOpened',
    experimentId: 'e',
    control,
    low,
    high,
    step: 1,
    distanceM: 30,
    shotsADay: 60,
  });
  it('is not opened over settings that may not be turned to', () => {
    const bow = new BowLog().settle();
    expect(code(bow, tried('twists', -4, 4))).toBeNull();
    expect(code(bow, tried('twists', -9, 2))).toBe('twistsOutside');
    expect(code(new BowLog().settle({ braceHeight: 221 }), tried('twists', -2, 4))).toBe(
      'braceOutside',
    );
  });
});
