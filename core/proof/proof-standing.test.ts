import { describe, expect, it } from 'vitest';
import { proofMove } from '../advice/proof-move.ts';
import { POINTS_LOOKED_AT } from '../craft/blame-list.ts';
import { type BowLog, bowFor, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { speakMove } from '../words/moves/speak-move.ts';
import { proofStanding } from './proof-standing.ts';

/** A proof at 20 m, good enough 30 mm. */
function openProof(log: BowLog): string {
  log.add({
    kind: 'sessionOpened',
    sessionId: 'proof',
    sessionKind: 'proof',
    distanceM: 20,
    toleranceMm: 30,
    toleranceWhy: '',
    buttMm: 1220,
  });
  return 'proof';
}
function shootEnds(log: BowLog, ends: readonly number[], [outwardMm, upMm]: [number, number]) {
  for (const end of ends) {
    log.shots('proof', end, 'fletched', SIX_FLETCHED.slice(0, 3));
    log.shots('proof', end, 'broadhead', [
      [outwardMm - 4, upMm + 3],
      [outwardMm + 5, upMm - 4],
      [outwardMm, upMm],
    ]);
  }
}
const standing = (log: BowLog) => proofStanding(log.state, log.state.sessions.at(-1)!);
const lookedOver = (log: BowLog) =>
  log.add({
    kind: 'blameChecked',
    sessionId: 'proof',
    items: POINTS_LOOKED_AT.map(({ id }) => id),
  });

describe('the proof at purpose', () => {
  it('wants points first, then practice beside them, then a second end', () => {
    const log = bowFor('right', 'shelfHunting');
    openProof(log);
    expect(standing(log).next).toEqual({ kind: 'shoot', wants: 'first' });
    log.shots('proof', 1, 'broadhead', [
      [0, 0],
      [4, 4],
    ]);
    expect(standing(log).next).toEqual({ kind: 'shoot', wants: 'practice' });
    log.shots('proof', 1, 'fletched', SIX_FLETCHED);
    expect(standing(log).next).toEqual({ kind: 'shoot', wants: 'undecided' });
  });

  it('is proved where they land together on two ends, and the step is confirmed by it', () => {
    const log = bowFor('left', 'shelfHunting');
    openProof(log);
    shootEnds(log, [1, 2], [3, -4]);
    expect(standing(log)).toMatchObject({
      point: 'broadhead',
      counted: { practice: 6, points: 6 },
      ends: 2,
      next: { kind: 'proved' },
    });
    expect(proofMove(log.state, log.state.sessions.at(-1)!).action).toEqual({
      kind: 'confirmStep',
      step: 'proof',
    });
  });

  it('has the points looked over before the bow is blamed, and not twice', () => {
    const log = bowFor('right', 'shelfHunting');
    openProof(log);
    shootEnds(log, [1, 2], [0, 110]);
    expect(standing(log).next).toMatchObject({ kind: 'look', axis: 'bareShaftUp' });
    lookedOver(log);
    // High: the nocking point is low. 110 mm at 20 m are 99 at 18.
    const { next } = standing(log);
    expect(next).toMatchObject({
      kind: 'turn',
      axis: 'bareShaftUp',
      turn: { control: 'nockingPoint' },
    });
    expect(next.kind === 'turn' && next.turn.amount).toBeGreaterThan(0);
    if (next.kind !== 'turn') return;
    // Toward, and not through: the expected remainder is on the same side, and nearer.
    expect(next.turn.after.mm).toBeGreaterThan(0);
    expect(next.turn.after.mm).toBeLessThan(next.turn.before.mm);
    expect(next.turn.after.plusMinusMm).toBeGreaterThan(next.turn.before.plusMinusMm);
  });

  it.each([
    // Stiff off the shelf: a heavier point.
    ['shelfHunting', 120, 'pointMass', 1],
    ['shelfHunting', -120, 'pointMass', -1],
    // With a plunger: softer for stiff, and nothing heavier in front.
    ['barebow', 120, 'plungerPreload', -1],
    ['barebow', -120, 'plungerPreload', 1],
  ] as const)('%s, %d mm outward: %s', (school, outwardMm, control, way) => {
    for (const hand of ['left', 'right'] as const) {
      const log = bowFor(hand, school);
      openProof(log);
      shootEnds(log, [1, 2], [outwardMm, 0]);
      lookedOver(log);
      const { next } = standing(log);
      expect(next).toMatchObject({
        kind: 'turn',
        axis: 'bareShaftOutward',
        turn: { control },
      });
      expect(next.kind === 'turn' && Math.sign(next.turn.amount)).toBe(way);
    }
  });

  it('judges points for use shot among bare shafts as well, which of themselves lead to no move', () => {
    const log = bowFor('right', 'shelfHunting');
    log.add({
      kind: 'sessionOpened',
      sessionId: 'proof',
      distanceM: 20,
      toleranceMm: 30,
      toleranceWhy: '',
      buttMm: 1220,
    });
    shootEnds(log, [1, 2], [90, 0]);
    expect(standing(log).next).toMatchObject({ kind: 'look', axis: 'bareShaftOutward' });
    expect(standing(log).outward.offsetMm).toBeGreaterThan(60);
  });

  it('begins again after a turn: what was shot before says nothing of after', () => {
    const log = bowFor('right', 'shelfHunting');
    openProof(log);
    shootEnds(log, [1, 2], [120, 0]);
    lookedOver(log);
    log.change('pointMass', 25 * G_PER_GR);
    expect(standing(log)).toMatchObject({
      counted: { practice: 0, points: 0 },
      next: { kind: 'shoot', wants: 'first' },
    });
    shootEnds(log, [3, 4], [4, 0]);
    expect(standing(log).next.kind).toBe('proved');
  });

  it('says that nothing is left where the point can get no heavier', () => {
    const log = bowFor('right', 'shelfHunting');
    openProof(log);
    log.change('pointMass', 50 * G_PER_GR);
    shootEnds(log, [1, 2], [120, 0]);
    lookedOver(log);
    expect(standing(log).next).toEqual({ kind: 'spent', axis: 'bareShaftOutward' });
    const said = speakMove(log.state, proofMove(log.state, log.state.sessions.at(-1)!));
    expect(said.title).toContain('Nothing more to turn');
  });

  it('does not shoot for ever: likely inside after four ends is enough, a likely side is turned for', () => {
    const wide = (log: BowLog, ends: readonly number[], outwardMm: number) => {
      for (const end of ends) {
        log.shots('proof', end, 'fletched', [
          [-60, 50],
          [70, -40],
          [-10, -20],
        ]);
        log.shots('proof', end, 'broadhead', [
          [outwardMm - 60, 40],
          [outwardMm + 65, -45],
          [outwardMm - 5, 5],
        ]);
      }
    };
    const near = bowFor('right', 'shelfHunting');
    openProof(near);
    wide(near, [1, 2, 3], 4);
    const before = standing(near);
    wide(near, [4, 5, 6, 7], 4);
    expect([before.next.kind, standing(near).next.kind]).toEqual(['shoot', 'proved']);
  });
});
