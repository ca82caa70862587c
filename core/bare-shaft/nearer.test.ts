import { describe, expect, it } from 'vitest';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';

/** One end at a distance, on a butt so wide, with bare shafts this far outward. */
function shotAt(distanceM: number, outwardMm: number, buttMm: number) {
  const log = new BowLog().settle();
  const sessionId = 'far';
  log.add({
    kind: 'sessionOpened',
    sessionId,
    distanceM,
    toleranceMm: 25,
    toleranceWhy: '',
    buttMm,
  });
  log.shots(sessionId, 1, 'fletched', SIX_FLETCHED);
  log.shots(sessionId, 1, 'bare', [
    [outwardMm - 4, 3],
    [outwardMm + 5, -4],
    [outwardMm, 0],
  ]);
  return log;
}

describe('too far to judge', () => {
  it('the move is nearer, to where offset and three scatters stay on the butt', () => {
    const log = shotAt(18, 395, 800);
    const move = spokenMove(log.state, log.nowMs);
    expect(move).toMatchObject({
      key: 'shoot:nearer',
      step: 'bareShaft',
      place: 'butt',
      title: 'Go nearer: 17 m',
      expect: 'Bare shafts on the butt at 17 m',
      doneLabel: 'Begin at 17 m',
      action: { kind: 'shootNearer', sessionId: 'far', distanceM: 17 },
    });
    const farther = shotAt(18, 580, 800);
    expect(spokenMove(farther.state, farther.nowMs)?.action).toMatchObject({ distanceM: 11 });
  });

  it('on a butt that is wide enough it is not', () => {
    const log = shotAt(18, 395, 1220);
    expect(spokenMove(log.state, log.nowMs)?.action.kind).toBe('shootEnd');
  });

  it('nearer than 5 m nobody is sent', () => {
    const near = shotAt(5, 395, 800);
    expect(spokenMove(near.state, near.nowMs)?.action.kind).toBe('shootEnd');
    const wild = shotAt(12, 3000, 800);
    expect(spokenMove(wild.state, wild.nowMs)?.action).toMatchObject({ distanceM: 5 });
  });

  it('begun there, the first end is asked for; and shot, it is judged', () => {
    const log = shotAt(18, 580, 800);
    log.add({ kind: 'sessionClosed', sessionId: 'far' });
    expect(spokenMove(log.state, log.nowMs)?.title).toBe('Go nearer: 11 m');
    log.add({
      kind: 'sessionOpened',
      sessionId: 'near',
      distanceM: 11,
      toleranceMm: 15,
      toleranceWhy: '',
      buttMm: 800,
    });
    expect(spokenMove(log.state, log.nowMs)).toMatchObject({
      title: 'Shoot bare and fletched',
      why: 'From here bare shafts stay on the butt, and the offset can be judged.',
    });
    for (const end of [1, 2]) {
      log.shots('near', end, 'fletched', SIX_FLETCHED);
      log.shots('near', end, 'bare', [
        [350, 3],
        [358, -4],
        [354, 0],
      ]);
    }
    expect(spokenMove(log.state, log.nowMs)?.action.kind).toBe('change');
  });
});
