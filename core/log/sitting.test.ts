import { describe, expect, it } from 'vitest';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { sittingOf, sittings, sittingsBefore } from './sitting.ts';

/** Two sessions with a pause between them, the second at a distance of its own. */
function twoSessions(pauseHours: number, distanceM = 18): BowLog {
  const log = new BowLog();
  const first = log.open();
  log.shots(first, 1, 'fletched', SIX_FLETCHED);
  log.shots(first, 2, 'bare', [
    [10, 0],
    [12, 2],
  ]);
  log.add({ kind: 'endNoted', sessionId: first, endNumber: 2, marks: 'shelf' });
  log.add({ kind: 'sessionClosed', sessionId: first });
  log.wait(pauseHours);
  const second = log.open(25, distanceM);
  log.shots(second, 1, 'fletched', SIX_FLETCHED);
  log.add({ kind: 'endNoted', sessionId: second, endNumber: 1, marks: 'rest' });
  return log;
}

describe('a sitting', () => {
  it('goes on over a pause of hours: ends counted on, notes beside their ends', () => {
    const { state } = twoSessions(5);
    const [whole, ...others] = sittings(state);
    expect(others).toEqual([]);
    expect([...new Set(whole!.shots.map(({ endNumber }) => endNumber))]).toEqual([1, 2, 3]);
    expect(whole!.endNotes.get(2)?.marks).toBe('shelf');
    expect(whole!.endNotes.get(3)?.marks).toBe('rest');
    for (const session of state.sessions) expect(sittingOf(state, session)).toBe(whole);
    expect(sittingsBefore(state, state.sessions[1]!)).toEqual([]);
  });

  it('ends with the day, and at another distance', () => {
    for (const log of [twoSessions(8), twoSessions(1, 12)]) {
      const { state } = log;
      expect(sittings(state)).toEqual(state.sessions);
      expect(sittingsBefore(state, state.sessions[1]!)).toEqual([state.sessions[0]]);
    }
  });

  it('is not broken by a walk-back shot between, which stays what it is', () => {
    const log = twoSessions(1);
    log.add({ kind: 'sessionClosed', sessionId: log.state.sessions.at(-1)!.sessionId });
    log.openWalkBack();
    log.add({ kind: 'sessionClosed', sessionId: 'walk' });
    log.open();
    const kinds = sittings(log.state).map(({ sessionKind }) => sessionKind);
    expect(kinds).toEqual(['bareShaft', 'walkBack']);
  });

  it('leaves out all a shaft shot that its newest session set aside', () => {
    const log = new BowLog();
    const place = (sessionId: string) =>
      log.add({
        kind: 'shotPlaced',
        shotId: `shot-${log.log.length}`,
        sessionId,
        endNumber: 1,
        arrow: 'bare',
        arrowNumber: 3,
        outwardMm: 90,
        upMm: 0,
        calledBad: false,
      });
    const first = log.open();
    place(first);
    log.add({ kind: 'sessionClosed', sessionId: first });
    const second = log.open();
    place(second);
    log.add({
      kind: 'shaftSetAside',
      sessionId: second,
      arrow: 'bare',
      arrowNumber: 3,
      aside: true,
    });
    expect(sittings(log.state)[0]!.shots.map(({ setAside }) => setAside)).toEqual([true, true]);
  });
});
