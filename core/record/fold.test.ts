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
