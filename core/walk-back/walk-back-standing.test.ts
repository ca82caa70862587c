import { describe, expect, it } from 'vitest';
import { bowFor } from '../fixtures/bow-log.ts';
import { walkBackStanding } from './walk-back-standing.ts';

/** A bow walked back from 10 m, whose plunger was then turned and which was walked back again. */
function walkedTwice(firstLean: number, secondLean: number, aimMovedMm: number) {
  const log = bowFor('right');
  log.openWalkBack();
  let endNumber = 0;
  const shoot = (distanceM: number, outwardMm: number) => {
    endNumber += 1;
    for (const off of [-3, 0, 3])
      log.add({
        kind: 'shotPlaced',
        shotId: `shot-${log.log.length}`,
        sessionId: 'walk',
        endNumber,
        arrow: 'fletched',
        outwardMm: outwardMm + off,
        upMm: off,
        calledBad: false,
        distanceM,
      });
  };
  const walk = (lean: number) => {
    for (const distanceM of [10, 15, 20, 25]) shoot(distanceM, lean * (distanceM - 10));
  };
  log.add({ kind: 'aimSet', sessionId: 'walk' });
  walk(firstLean);
  log.change('plungerReach', -0.25);
  // An end lies aside before the aim is set anew, another is shot nearer than the walk begins.
  shoot(10, aimMovedMm);
  log.add({ kind: 'aimSet', sessionId: 'walk' });
  shoot(4, aimMovedMm + 40);
  walk(secondLean);
  const { state } = log;
  return walkBackStanding(state, state.sessions.at(-1)!).fit!;
}

describe('what a change did to the line of a walk-back', () => {
  it.each([0, 80, -80])('is told by hits of one aim: moved by %i mm', (aimMovedMm) => {
    const { leanMmPerM, reachGain } = walkedTwice(2.5, 2, aimMovedMm);
    expect(reachGain.changes).toBe(1);
    expect(reachGain.mean).toBeGreaterThan(1.6);
    expect(reachGain.mean).toBeLessThan(2.4);
    expect(Math.abs(leanMmPerM.mean - 2)).toBeLessThan(0.25);
    expect(Math.abs(leanMmPerM.mean - 2)).toBeLessThan(leanMmPerM.plusMinus);
  });
});
