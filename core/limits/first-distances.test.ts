import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { ArrowState } from '../craft/range-terms.ts';
import type { SessionKind } from '../craft/session-kinds.ts';
import { checkProposal } from './check-proposal.ts';
import { farthestDistance } from './first-distances.ts';

const BUTT = 1220;
const shoot = (
  log: BowLog,
  distanceM: number,
  points: readonly (readonly [number, number])[],
  arrow: ArrowState = 'bare',
) => {
  const session = log.open(40, distanceM);
  log.shots(session, 1, arrow, points);
};
const farthest = (log: BowLog, kind: SessionKind = 'bareShaft') =>
  farthestDistance(log.state, kind, BUTT);
const THREE = [
  [20, 10],
  [-30, 0],
  [10, -20],
] as const;

describe('a build nobody has shot', () => {
  it('starts at 6 m, goes to 10 after three, and then as far as its shots allow', () => {
    const log = new BowLog();
    expect(farthest(log)).toEqual({ farthestM: 6, why: 'neverShot' });
    shoot(log, 6, THREE.slice(0, 2));
    expect(farthest(log)).toEqual({ farthestM: 6, why: 'neverShot' });
    shoot(log, 6, THREE);
    expect(farthest(log)).toEqual({ farthestM: 10, why: 'shotNear' });
    shoot(log, 10, THREE);
    // Widest 30 mm at 6 m: it reaches 510 mm, a hand inside the edge, at 102 m.
    expect(farthest(log)).toEqual({ farthestM: 102, why: 'strayed' });
  });

  it('never goes where one that strayed as it did could leave the butt', () => {
    const log = new BowLog();
    shoot(log, 10, [...THREE, [0, -255]]);
    // 255 mm at 10 m: 510 at 20.
    expect(farthest(log)).toEqual({ farthestM: 20, why: 'strayed' });
    shoot(log, 10, [[340, 0]]);
    expect(farthest(log)).toEqual({ farthestM: 15, why: 'strayed' });
    const wild = new BowLog();
    shoot(wild, 6, [...THREE, [510, 0]]);
    expect(farthest(wild)).toEqual({ farthestM: 6, why: 'strayed' });
    const wilder = new BowLog();
    shoot(wilder, 6, [...THREE, [3000, 0]]);
    expect(farthest(wilder).farthestM).toBe(2);
  });

  it('begins anew with another shaft, spine, insert or fletching; not with another rest', () => {
    for (const item of ['shaft', 'spine', 'insert', 'fletching', 'rest'] as const) {
      const log = new BowLog();
      shoot(log, 10, THREE);
      log.add({ kind: 'itemFitted', item, described: 'another', touches: [] });
      expect(farthest(log).why).toBe(item === 'rest' ? 'strayed' : 'neverShot');
    }
  });

  it('fletched shots say nothing of bare ones; a bow that was shot in may shoot fletched', () => {
    const log = new BowLog();
    shoot(log, 18, THREE, 'fletched');
    expect(farthest(log)).toEqual({ farthestM: 6, why: 'neverShot' });
    expect(farthest(log, 'walkBack')).toEqual({
      farthestM: Number.POSITIVE_INFINITY,
      why: 'proved',
    });
    expect(farthest(new BowLog(), 'fineTuning')).toEqual({ farthestM: 6, why: 'neverShot' });
    const shotIn = new BowLog();
    shotIn.add({ kind: 'shotsFired', count: 30, note: '' });
    expect(farthest(shotIn, 'fineTuning').why).toBe('proved');
    const near = new BowLog();
    shoot(near, 5, THREE, 'fletched');
    expect(farthest(near, 'walkBack')).toEqual({ farthestM: 10, why: 'shotNear' });
  });
});

describe('a session', () => {
  const opened = (distanceM: number, rest: object = {}) =>
    ({
      kind: 'sessionOpened',
      sessionId: 's',
      distanceM,
      toleranceMm: 40,
      toleranceWhy: '',
      buttMm: BUTT,
      ...rest,
    }) as const;
  it('is opened as far as that, farther only with how it came', () => {
    const { state } = new BowLog();
    expect(checkProposal(state, [opened(6)])).toBeNull();
    expect(checkProposal(state, [opened(7)])).toEqual({
      code: 'distanceTooFar',
      distanceM: 7,
      farthestM: 6,
      why: 'neverShot',
      at: 0,
      nearest: null,
    });
    expect(checkProposal(state, [opened(60, { despite: 'shot elsewhere' })])).toBeNull();
    expect(checkProposal(state, [opened(60, { despite: ' ' })])).not.toBeNull();
    const fletched = { sessionKind: 'fineTuning' };
    expect(checkProposal(state, [opened(18, fletched)])?.code).toBe('distanceTooFar');
    const shotIn = new BowLog();
    shotIn.add({ kind: 'shotsFired', count: 30, note: '' });
    expect(checkProposal(shotIn.state, [opened(18, fletched)])).toBeNull();
  });
  it('is not opened for a bow that is not to be shot', () => {
    const unsafe = new BowLog({ twistsAtStart: 2 });
    expect(checkProposal(unsafe.state, [opened(5)])).toMatchObject({
      code: 'notToBeShot',
      first: 'stop',
    });
    const inParts = new BowLog({ inParts: true });
    expect(checkProposal(inParts.state, [opened(5)])).toMatchObject({ first: 'notAssembled' });
  });
});
