import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { stepStates } from '../order/step-states.ts';
import { closingWords } from '../words/moves/fine-tuning-move-words.ts';
import { nextMove } from '../advice/next-move.ts';
import { walkBackStanding } from '../walk-back/walk-back-standing.ts';

/** Opens a session of another kind than bare shafts. */
function openSession(log: BowLog, kind: 'walkBack' | 'fineTuning', experimentId?: string): string {
  const sessionId = `session-${log.log.length}`;
  log.add({
    kind: 'sessionOpened',
    sessionId,
    sessionKind: kind,
    distanceM: kind === 'walkBack' ? 10 : 30,
    toleranceMm: 20,
    toleranceWhy: '',
    buttMm: 1220,
    experimentId,
    markBelowTopMm: 300,
  });
  return sessionId;
}

describe('a walk-back by next moves only', () => {
  it.each([
    [7, 3],
    [7, -3],
    [8, 2],
  ])(
    'ends straight, near to far, the first turn of reach a small one (seed %i, lean %i)',
    (seed, start) => {
      const log = bowFor('right');
      const session = openSession(log, 'walkBack');
      const normal = standardNormal(seededUniform(seed));
      const perTurn = 3;
      let end = 0;
      let turns = 0;
      const walked: number[] = [];
      for (let i = 0; i < 80; i += 1) {
        const move = nextMove(log.state, log.nowMs);
        expect(move?.step).toBe('walkBack');
        const { action } = move!;
        if (action.kind === 'confirmStep') break;
        if (action.kind === 'change') {
          const [change] = action.changes;
          if (change!.control === 'plungerReach') {
            if (turns === 0) expect(Math.abs(change!.amount)).toBeLessThanOrEqual(0.75);
            turns += change!.amount;
          }
          log.change(change!.control, change!.amount);
        } else if (action.kind === 'setAim') {
          log.add({ kind: 'aimSet', sessionId: session });
        } else {
          end += 1;
          const { nextM, fit } = walkBackStanding(log.state, log.state.sessions.at(-1)!);
          for (const distanceM of nextM === null ? [fit!.nearestM, fit!.farthestM] : [nextM]) {
            walked.push(distanceM);
            for (let shot = 0; shot < 3; shot += 1)
              log.add({
                kind: 'shotPlaced',
                shotId: `shot-${log.log.length}`,
                sessionId: session,
                endNumber: end,
                arrow: 'fletched',
                outwardMm:
                  (start + perTurn * turns) * (distanceM - 10) + ((8 * distanceM) / 18) * normal(),
                upMm:
                  110 * (distanceM / 10 - 1) -
                  (9.81 / (2 * 52 ** 2)) * distanceM * (distanceM - 10) * 1000,
                calledBad: false,
                distanceM,
              });
          }
        }
      }
      expect(nextMove(log.state, log.nowMs)!.action).toMatchObject({
        kind: 'confirmStep',
        step: 'walkBack',
      });
      // From near first: nobody has seen yet where the sight points.
      expect(walked[0]).toBeLessThan(10);
      expect([...new Set(walked)].slice(1, 4)).toEqual([10, 13, 16]);
      const drift = Math.abs(start + perTurn * turns) * 12;
      expect(drift).toBeLessThan(30);
      const gain = walkBackStanding(log.state, log.state.sessions.at(-1)!).fit!.reachGain;
      expect(gain.changes).toBeGreaterThan(0);
      expect(Math.abs(gain.mean - perTurn)).toBeLessThan(2 * 1.6449 * gain.sd);
    },
  );
});

describe('a fine tuning by next moves only', () => {
  it('tries settings over days, stops, shoots the best two side by side, and keeps the better', () => {
    const log = bowFor('left');
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
    const normal = standardNormal(seededUniform(61));
    const groupMm = (setting: number) => 25 * Math.exp(0.5 * (setting - 0.5) ** 2);
    let session = openSession(log, 'fineTuning', 'preload');
    let end = 0;
    let setting = 0;
    let days = 1;
    for (let i = 0; i < 120; i += 1) {
      const move = nextMove(log.state, log.nowMs);
      if (move === null || move.step !== 'fineTuning') break;
      const { action } = move;
      if (action.kind === 'closeExperiment') {
        log.add({ kind: 'experimentClosed', experimentId: 'preload', why: closingWords(move) });
        log.add({ kind: 'stepConfirmed', step: 'fineTuning', note: '' });
        log.add({ kind: 'sessionClosed', sessionId: session });
        break;
      }
      if (action.kind === 'narrowExperiment')
        log.add({
          kind: 'experimentNarrowed',
          experimentId: 'preload',
          best: action.best,
          other: action.other,
        });
      else if (action.kind === 'change') {
        for (const { control, amount } of action.changes) {
          expect(control).toBe('plungerPreload');
          setting += amount;
          log.change(control, amount);
        }
      } else if (action.kind === 'shootEnd') {
        end += 1;
        log.shots(
          session,
          end,
          'fletched',
          Array.from(
            { length: 6 },
            () => [groupMm(setting) * normal(), groupMm(setting) * normal()] as const,
          ),
        );
      } else {
        // Enough for today.
        log.add({ kind: 'sessionClosed', sessionId: session });
        session = openSession(log, 'fineTuning', 'preload');
        days += 1;
        end = 0;
      }
    }
    const { experiments } = log.state;
    expect(experiments[0]!.closedWhy).toMatch(/^kept /);
    expect(experiments[0]!.narrowed).not.toBeNull();
    expect(days).toBeGreaterThan(1);
    expect(groupMm(setting) / 25).toBeLessThan(1.1);
    expect(stepStates(log.state).find(({ step }) => step.id === 'fineTuning')!.state).toBe('holds');
  });
});
