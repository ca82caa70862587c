import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { shootingBars } from '../limits/shooting-bars.ts';
import { stopsOf } from '../limits/stops.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';

const moveOf = (log: BowLog) => spokenMove(log.state, log.nowMs);
const kindsOf = (log: BowLog) => stopsOf(log.state).map(({ kind }) => kind);
const ARROW = { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 8 };

describe('a bolt beyond its travel', () => {
  it('stops the bow until it is turned back, and the move is the way back', () => {
    const log = new BowLog().settle();
    log.add({
      kind: 'change',
      control: 'topBolt',
      amount: -2,
      because: '',
      despite: 'turned by the owner',
    });
    expect(stopsOf(log.state)).toEqual([
      { kind: 'boltBeyondTravel', bolt: 'top', outTurns: 3.5, travelTurns: 3, guessed: false },
    ]);
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      title: 'Top bolt 1/2 turn in',
      caution: 'bolts',
      action: { kind: 'change', changes: [{ control: 'topBolt', amount: 0.5 }] },
    });
    expect(moveOf(log)!.why).toMatch(/3 1\/2 turns out.*maker allows 3 turns out.*lose its seat/);
    log.change('topBolt', 0.5);
    expect(kindsOf(log)).toEqual([]);
    expect(moveOf(log)?.isStop).not.toBe(true);
  });

  it('past the stop is turned out again, the bottom one too; and counting anew can clear it', () => {
    const log = new BowLog().settle();
    log.add({ kind: 'positionCounted', control: 'bottomBolt', value: 4.25 });
    expect(stopsOf(log.state)).toMatchObject([
      { bolt: 'bottom', outTurns: 4.25 },
      { kind: 'boltsTooFarApart', topTurns: 1.5, bottomTurns: 4.25 },
    ]);
    expect(moveOf(log)).toMatchObject({ title: 'Bottom bolt 1 1/4 turns in', isStop: true });
    log.add({ kind: 'positionCounted', control: 'bottomBolt', value: 1.5 });
    expect(kindsOf(log)).toEqual([]);
    log.change('topBolt', 2);
    expect(stopsOf(log.state)).toMatchObject([{ bolt: 'top', outTurns: -0.5 }]);
    expect(moveOf(log)).toMatchObject({ title: 'Top bolt 1/2 turn out' });
    expect(moveOf(log)!.why).toMatch(/past the stop.*pinched/);
  });

  it('at the travel itself, or two turns apart, is none', () => {
    const at = (top: number, bottom: number) => {
      const log = new BowLog({ boltTurnsOutAtStart: top });
      log.add({ kind: 'positionCounted', control: 'bottomBolt', value: bottom });
      return kindsOf(log);
    };
    expect(at(3, 3)).toEqual([]);
    expect(at(3, 1)).toEqual([]);
    expect(at(0, 2)).toEqual([]);
    expect(at(3.125, 3)).toEqual(['boltBeyondTravel']);
    expect(at(3, 0.875)).toEqual(['boltsTooFarApart']);
    expect(moveOf(new BowLog({ boltTurnsOutAtStart: 3 }))?.isStop).not.toBe(true);
  });

  it('two turns and more apart is brought together by the one that stands out', () => {
    const log = new BowLog({ boltTurnsOutAtStart: 3 }).settle();
    log.add({ kind: 'positionCounted', control: 'bottomBolt', value: 0.5 });
    expect(moveOf(log)).toMatchObject({ isStop: true, title: 'Top bolt 1/2 turn in' });
  });
});

describe('a shaft too short', () => {
  it('is not to be shot: not by a cut written down, not by a shaft put on', () => {
    const log = new BowLog({ arrow: ARROW, amoDrawMm: 700 }).settle({ drawLength: 700 });
    expect(kindsOf(log)).toEqual([]);
    log.add({ kind: 'change', control: 'shaftCut', amount: 48, because: '', despite: 'sawn' });
    expect(stopsOf(log.state)).toEqual([
      { kind: 'shaftTooShort', lengthMm: 712, leastMm: 725, rule: 'plain' },
    ]);
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      title: 'Do not shoot this shaft',
      caution: 'shaftLength',
      action: { kind: 'fitItem', item: 'shaft' },
    });
    expect(moveOf(log)!.why).toMatch(/712 mm.*725 mm.*into the hand/);
    log.add({
      kind: 'itemFitted',
      item: 'shaft',
      described: 'longer',
      touches: [],
      arrow: { ...ARROW, lengthMm: 725 },
    });
    expect(kindsOf(log)).toEqual([]);
  });

  it('becomes too short when somebody draws farther, and is safe with its clicker', () => {
    const log = new BowLog({ arrow: { ...ARROW, lengthMm: 724 }, amoDrawMm: 695 });
    expect(kindsOf(log)).toEqual([]);
    log.read('drawLength', 711.2);
    expect(kindsOf(log)).toEqual(['shaftTooShort']);
    log.add({ kind: 'itemFitted', item: 'clicker', described: 'blade', touches: [] });
    expect(kindsOf(log)).toEqual([]);
    // With broadheads on it the clicker does not help: 711.2 + 40.
    log.add({ kind: 'factsSet', facts: { purpose: 'hunting' } });
    expect(stopsOf(log.state)).toMatchObject([{ leastMm: 751.2, rule: 'broadhead' }]);
  });
});

describe('a brace outside the limits', () => {
  it('stops the bow with the first reading, and until it is read inside again', () => {
    const log = new BowLog().settle();
    log.change('twists', 6);
    log.read('braceHeight', 223);
    expect(stopsOf(log.state)).toMatchObject([
      { kind: 'braceOutside', turnedSince: false, limit: { source: 'maker', high: 222.25 } },
    ]);
    const back = moveOf(log);
    expect(back).toMatchObject({ isStop: true, action: { kind: 'change' }, caution: 'unstring' });
    expect(back?.why).toMatch(/outside the maker’s range.*Do not shoot it/);
    log.change('twists', -4);
    expect(stopsOf(log.state)).toMatchObject([{ kind: 'braceOutside', turnedSince: true }]);
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      title: 'Measure brace height before a shot',
      action: { kind: 'enterReading', entryText: 'b ' },
    });
    log.read('braceHeight', 219);
    expect(kindsOf(log)).toEqual([]);
  });

  it('below as above; inside and at the edge it is none', () => {
    const read = (mm: number) => {
      const log = new BowLog();
      log.read('braceHeight', mm);
      return kindsOf(log);
    };
    expect(read(209.55)).toEqual([]);
    expect(read(222.25)).toEqual([]);
    expect(read(209.5)).toEqual(['braceOutside']);
    expect(read(222.3)).toEqual(['braceOutside']);
  });

  it('says nothing of another string’s brace', () => {
    const log = new BowLog();
    log.read('braceHeight', 224);
    log.fitString('second', 20);
    expect(kindsOf(log)).toEqual([]);
  });
  it('is read again before another string is asked for: what the twists did is not known yet', () => {
    const log = new BowLog().settle();
    log.read('braceHeight', 200, 200, 200);
    log.change('twists', 5);
    expect(stopsOf(log.state)).toMatchObject([
      { kind: 'braceOutside', readMm: 200, turnedSince: true },
    ]);
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      title: 'Measure brace height before a shot',
      action: { kind: 'enterReading', entryText: 'b ' },
    });
    expect(moveOf(log)?.why).toMatch(/It was read at 7 7\/8 in and has been turned since/);
  });
  it('asks how many twists are in before another string', () => {
    const log = new BowLog({
      bowKind: 'longbow',
      school: 'shelfHunting',
      twistsAtStart: undefined,
    }).settle();
    log.read('braceHeight', 200, 200, 200);
    for (let turned = 0; turned < 12; ) {
      const action = moveOf(log)!.action;
      if (action.kind !== 'change') throw new Error(action.kind);
      for (const { amount } of action.changes) {
        log.change('twists', amount);
        turned += amount;
      }
      expect(turned).toBeLessThanOrEqual(12);
      log.read('braceHeight', 200, 200, 200);
    }
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      action: { kind: 'enterReading', entryText: 'tc ' },
    });
    log.add({ kind: 'positionCounted', control: 'twists', value: 49 });
    expect(moveOf(log)).toMatchObject({ action: { kind: 'fitItem', item: 'string' } });
  });
  it('is another string where twists cannot bring it back, under the range’s own caution', () => {
    const log = new BowLog({ bowKind: 'longbow', school: 'shelfHunting' }).settle();
    log.add({ kind: 'positionCounted', control: 'twists', value: 50 });
    log.read('braceHeight', 200, 200, 200);
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      doneLabel: 'Fit another string',
      action: { kind: 'fitItem', item: 'string' },
      caution: 'braceLimit',
    });
  });
});

describe('twists and arrow', () => {
  it('too few or too many twists stop the bow, and are turned toward the range', () => {
    const log = new BowLog({ twistsAtStart: 12 });
    expect(stopsOf(log.state)).toEqual([
      { kind: 'twistsOutside', twists: 12, fewest: 16, most: 49 },
    ]);
    expect(moveOf(log)).toMatchObject({ title: '4 twists in', caution: 'unstring', isStop: true });
    expect(kindsOf(new BowLog({ twistsAtStart: 16 }))).toEqual([]);
    expect(kindsOf(new BowLog({ twistsAtStart: 49 }))).toEqual([]);
    const many = new BowLog({ twistsAtStart: 50 });
    expect(moveOf(many)).toMatchObject({ title: '1 twist out', isStop: true });
  });

  it('twists that the brace forbids lead to another string instead', () => {
    const log = new BowLog({ twistsAtStart: 14 }).settle({ braceHeight: 222.2 });
    expect(moveOf(log)).toMatchObject({
      isStop: true,
      title: 'Too few twists',
      action: { kind: 'fitItem', item: 'string' },
      doneLabel: 'Fit another string',
    });
  });

  it('an arrow under five grains a pound is a dry shot; under the maker’s mass too', () => {
    const log = new BowLog({ arrow: { ...ARROW, massG: 200 * G_PER_GR } });
    log.read('drawWeight', 39 * N_PER_LBF);
    // 40 lb on the fingers: 200 gr are just five grains a pound.
    expect(kindsOf(log)).toEqual([]);
    log.add({ kind: 'factsSet', facts: { arrowMassG: 199 * G_PER_GR } });
    expect(kindsOf(log)).toEqual(['arrowTooLight']);
    expect(moveOf(log)).toMatchObject({ title: 'Do not shoot this arrow', caution: 'dryFire' });
    log.add({ kind: 'factsSet', facts: { arrowMassG: 300 * G_PER_GR } });
    expect(kindsOf(log)).toEqual([]);
    log.add({ kind: 'factsSet', facts: { maker: { leastArrowMassG: 310 * G_PER_GR } } });
    expect(kindsOf(log)).toEqual(['arrowTooLight']);
  });
});

describe('before a shot', () => {
  it('a bow in parts is looked over, its nock fit tried and its brace read', () => {
    const log = new BowLog({ inParts: true });
    expect(shootingBars(log.state)).toEqual(['notAssembled', 'nockFitOpen', 'braceUnread']);
    log.add({ kind: 'stepConfirmed', step: 'inspect', note: '' });
    log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' });
    log.read('braceHeight', 216);
    expect(shootingBars(log.state)).toEqual([]);
  });

  it('a new string has its nock fit and its brace, whatever session is open', () => {
    const log = new BowLog().settle();
    const session = log.open();
    log.shots(session, 1, 'fletched', [
      [0, 0],
      [5, 5],
      [-4, 2],
    ]);
    expect(moveOf(log)?.action.kind).toBe('shootEnd');
    log.fitString('second', 24);
    expect(shootingBars(log.state)).toEqual(['nockFitOpen', 'braceUnread']);
    log.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'third',
      touches: ['nockFit', 'roughBrace'],
      string: { stringId: 'third', material: 'lowStretch', shotsBefore: 0, twists: 24 },
    });
    const first = moveOf(log)!;
    expect(first).toMatchObject({ step: 'nockFit', action: { kind: 'confirmStep' } });
    // Set aside it is not forgotten: nothing is shot before it.
    log.add({ kind: 'moveSetAside', moveKey: first.key, title: first.title });
    for (let i = 0; i < 12; i += 1) {
      const move = moveOf(log);
      if (move === null || move.key === first.key) break;
      expect(['shootEnd', 'fireShots']).not.toContain(move.action.kind);
      log.add({ kind: 'moveSetAside', moveKey: move.key, title: move.title });
    }
    expect(moveOf(log)).toMatchObject({ step: 'nockFit' });
    log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' });
    expect(shootingBars(log.state)).toEqual(['braceUnread']);
    expect(moveOf(log)).toMatchObject({ action: { kind: 'enterReading', entryText: 'b ' } });
    log.read('braceHeight', 216);
    expect(shootingBars(log.state)).toEqual([]);
  });

  it('then the way back to the bow’s own height is the next move, before it is drawn for anything', () => {
    const log = new BowLog().settle();
    log.add({
      kind: 'targetSet',
      reading: 'braceHeight',
      low: 218,
      high: 220,
      name: 'quiet',
      why: '',
    });
    log.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'second',
      touches: ['nockFit', 'drawWeight', 'roughBrace', 'roughTiller', 'bareShaftVertical'],
      string: { stringId: 'second', material: 'lowStretch', shotsBefore: 0, twists: 20 },
    });
    expect(moveOf(log)).toMatchObject({ step: 'nockFit' });
    log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' });
    expect(moveOf(log)).toMatchObject({ action: { kind: 'enterReading', entryText: 'b ' } });
    log.read('braceHeight', 213, 213, 213);
    expect(moveOf(log)?.title).toMatch(/^\d+ twists in$/);
    expect(moveOf(log)?.why).toMatch(/below band.*quiet/);
    log.change('twists', 8);
    log.read('braceHeight', 219, 219, 219);
    expect(moveOf(log)).toMatchObject({ step: 'drawWeight', caution: 'scale' });
  });

  it('anything unsafe is a bar as well', () => {
    expect(shootingBars(new BowLog({ twistsAtStart: 2 }).state)).toEqual(['stop']);
  });
});
