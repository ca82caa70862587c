import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { landingMm } from '../bare-shaft/bare-shaft-outlook.ts';
import { speakMove } from '../words/moves/speak-move.ts';
import { landingMove } from './landing-move.ts';
import { nextMove } from './next-move.ts';

/** A bow whose preload was tuned, and the setting kept or the experiment given up. */
function tuned({ narrowed = true } = {}): BowLog {
  const log = new BowLog({ hand: 'right', lengthUnit: 'mm' }).settle();
  log.add({
    kind: 'experimentOpened',
    experimentId: 'preload',
    control: 'plungerPreload',
    low: -1,
    high: 1,
    step: 0.25,
    distanceM: 30,
    shotsADay: 24,
  });
  if (narrowed)
    log.add({ kind: 'experimentNarrowed', experimentId: 'preload', best: 0.25, other: 0 });
  log.add({ kind: 'experimentClosed', experimentId: 'preload', why: '' });
  return log;
}

function shootEnd(log: BowLog, sessionId: string, end: number): void {
  log.shots(sessionId, end, 'fletched', [
    [0, 0],
    [8, -6],
    [-8, 6],
  ]);
  log.shots(sessionId, end, 'bare', [
    [-40, -25],
    [-36, -20],
    [-44, -30],
  ]);
}

describe('the landing after a tuning', () => {
  it('is shot over two ends, written down as the target, and asked for no more', () => {
    const log = tuned();
    expect(nextMove(log.state, log.nowMs)).toMatchObject({
      key: 'landing:open',
      action: { kind: 'openSession', sessionKind: 'bareShaft' },
    });
    const session = log.open(20, 18);
    shootEnd(log, session, 1);
    // Far off the fletched, and still nothing is turned for it.
    expect(nextMove(log.state, log.nowMs)?.key).toBe('landing:shoot:1');
    shootEnd(log, session, 2);
    log.shots(session, 3, 'fletched', [[0, 0]]);
    const move = nextMove(log.state, log.nowMs)!;
    expect(move.action).toMatchObject({ kind: 'setLanding' });
    if (move.action.kind !== 'setLanding') return;
    expect(move.action.outwardMm).toBeCloseTo(-40, -1);
    expect(move.action.upMm).toBeCloseTo(-25, -1);
    expect(speakMove(log.state, move)).toMatchObject({ title: 'Record where bare shafts land' });
    const { outwardMm, upMm } = move.action;
    log.add({ kind: 'landingSet', outwardMm, upMm, why: '' });
    expect(landingMove(log.state)).toBeNull();
    expect(landingMm(log.state, 'bareShaftOutward')).toBe(outwardMm);
    // The next string is tuned to it as well.
    log.fitString('next', 20);
    expect(landingMm(log.state, 'bareShaftOutward')).toBe(outwardMm);
  });

  it('is never asked for before a tuning, after one given up, or once something was turned', () => {
    expect(landingMove(new BowLog().settle().state)).toBeNull();
    expect(landingMove(tuned({ narrowed: false }).state)).toBeNull();
    const turned = tuned();
    turned.change('plungerPreload', 0.25);
    expect(landingMove(turned.state)).toBeNull();
    const undone = tuned();
    undone.undo(undone.change('plungerPreload', 0.25));
    expect(landingMove(undone.state)).not.toBeNull();
  });
});
