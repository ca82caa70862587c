import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { foldLog } from './fold.ts';
import { undoneEntryIds } from './undo.ts';

describe('foldLog', () => {
  it('sums up replicates with the n − 1 spread', () => {
    const log = new BowLog();
    log.read('braceHeight', 219, 218.5, 219.5);
    const [measured] = log.state.readings.get('braceHeight') ?? [];
    expect(measured).toMatchObject({ mean: 219, n: 3, sd: 0.5 });
  });

  it('is empty without a bow and leaves out what names nothing', () => {
    expect(foldLog([])).toBeNull();
    const log = new BowLog();
    log.add({ kind: 'shotAmended', shotId: 'never placed', calledBad: true });
    expect(log.state.sessions).toEqual([]);
  });

  it('keeps a shot called bad, and an amendment changes only what it names', () => {
    const log = new BowLog();
    const session = log.open();
    const [shotId = ''] = log.shots(session, 1, 'bare', [[10, -5]]);
    log.add({ kind: 'shotAmended', shotId, calledBad: true });
    log.add({ kind: 'shotAmended', shotId, upMm: 7 });
    expect(log.state.sessions[0]?.shots).toMatchObject([
      { outwardMm: 10, upMm: 7, calledBad: true },
    ]);
  });

  it('takes back by a visible entry, and takes that back too', () => {
    const log = new BowLog();
    const change = log.change('twists', 4);
    const undo = log.undo(change);
    expect(log.state.changes).toHaveLength(0);
    expect(log.state.undoneIds.has(change)).toBe(true);
    log.undo(undo);
    expect(log.state.changes).toHaveLength(1);
    expect(log.log).toHaveLength(4);
  });

  it('says how the bow stood at each reading: equal settings are one object', () => {
    const event = fc.oneof(
      fc.record({
        control: fc.constantFrom('twists', 'topBolt', 'bottomBolt', 'plungerReach'),
        amount: fc.constantFrom(-1, 1),
      }),
      fc.record({ shots: fc.integer({ min: 1, max: 3 }) }),
      fc.record({ string: fc.constantFrom('red', 'black') }),
      fc.constant('read' as const),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        const log = new BowLog();
        const seen: object[] = [];
        let stands = { twists: 0, topTurns: 0, bottomTurns: 0, shots: 0, stringTurn: 0 };
        for (const one of events) {
          if (one === 'read') {
            log.read('braceHeight', 217);
            seen.push(stands);
          } else if ('control' in one) {
            const { control, amount } = one;
            log.change(control, amount);
            if (control === 'twists') stands = { ...stands, twists: stands.twists + amount };
            if (control === 'topBolt') stands = { ...stands, topTurns: stands.topTurns + amount };
            if (control === 'bottomBolt')
              stands = { ...stands, bottomTurns: stands.bottomTurns + amount };
          } else if ('shots' in one) {
            log.add({ kind: 'shotsFired', count: one.shots, note: '' });
            stands = { ...stands, shots: stands.shots + one.shots };
          } else {
            log.fitString(one.string);
            stands = { ...stands, twists: 0, shots: 0, stringTurn: stands.stringTurn + 1 };
          }
        }
        const { readings, stringTurns } = log.state;
        const settings = (readings.get('braceHeight') ?? []).map(({ under }) => under);
        expect(settings).toEqual(seen);
        expect(stringTurns.at(-1)?.last).toEqual(stands);
        expect(new Set(settings).size).toBe(
          new Set(settings.map((one) => JSON.stringify(one))).size,
        );
      }),
    );
  });

  it('gives the state before, when the newest entry is undone', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -5, max: 5 }), { minLength: 1, maxLength: 20 }),
        (twists) => {
          const log = new BowLog();
          for (const amount of twists) log.change('twists', amount);
          const before = log.state.moved.get('twists');
          log.undo(log.read('braceHeight', 217));
          log.undo(log.change('twists', 3));
          expect(log.state.moved.get('twists')).toBe(before);
          expect(log.state.readings.size).toBe(0);
        },
      ),
    );
  });

  it('settles a chain of undos as alternating, however long', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), (length) => {
        const log = new BowLog();
        let target = log.change('twists', 1);
        for (let i = 0; i < length; i += 1) target = log.undo(target);
        expect(undoneEntryIds(log.log).has('entry-2')).toBe(length % 2 === 1);
      }),
    );
  });
});
