import { describe, expect, it } from 'vitest';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { spokenMove } from '#core/fixtures/spoken-move.ts';
import type { Move } from '#core/advice/move.ts';
import { doneEntries } from './done-entries.ts';

const log = new BowLog();
const some = spokenMove(log.state, log.nowMs)!;
const done = (action: Move['action']) => doneEntries({ ...some, action });

describe('what Done writes down', () => {
  it('a step looked at, causes looked at, shots of a string shot in', () => {
    expect(done({ kind: 'confirmStep', step: 'nockFit' })).toEqual([
      { kind: 'stepConfirmed', step: 'nockFit', note: 'Nock fit' },
    ]);
    expect(done({ kind: 'checkBlame', sessionId: 's', items: ['loose', 'aim'] })).toEqual([
      { kind: 'blameChecked', sessionId: 's', items: ['loose', 'aim'] },
    ]);
    expect(done({ kind: 'fireShots', count: 25 })).toEqual([
      { kind: 'shotsFired', count: 25, note: 'shooting in' },
    ]);
  });

  it('a shaft set aside, a session closed to go nearer, an aim set anew', () => {
    expect(done({ kind: 'setShaftAside', sessionId: 's', arrow: 'bare', arrowNumber: 3 })).toEqual([
      { kind: 'shaftSetAside', sessionId: 's', arrow: 'bare', arrowNumber: 3, aside: true },
    ]);
    expect(done({ kind: 'shootNearer', sessionId: 's', distanceM: 9 })).toEqual([
      { kind: 'sessionClosed', sessionId: 's' },
    ]);
    expect(done({ kind: 'setAim', sessionId: 's' })).toEqual([{ kind: 'aimSet', sessionId: 's' }]);
  });

  it('a move that only tells is set aside under its own key', () => {
    expect(done({ kind: 'nothing' })).toEqual([
      { kind: 'moveSetAside', moveKey: some.key, title: some.title },
    ]);
  });

  it('nothing where a door has to be passed first', () => {
    const changes = [{ control: 'twists', amount: 1 }] as const;
    expect(done({ kind: 'change', changes })).toEqual([]);
    expect(done({ kind: 'enterReading', entryText: 'b ' })).toEqual([]);
    expect(done({ kind: 'openStep', step: 'inspect' })).toEqual([]);
    expect(done({ kind: 'shootEnd', fletched: 6, bare: 3 })).toEqual([]);
  });
});
