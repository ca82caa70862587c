import { sinceUpsetWords } from '../words/since-words.ts';
import { describe, expect, it } from 'vitest';
import { bowFor, type BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { stateForSession } from '../log/as-of.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { experimentName } from '../words/fine-tuning-words.ts';
import { fineTuningStanding, steadinessAt } from './fine-tuning-standing.ts';

function begin(control: 'plungerPreload' | 'nockingPoint' = 'plungerPreload') {
  const log = bowFor('right');
  log.change(control, 0.5);
  log.add({
    kind: 'experimentOpened',
    experimentId: 'x',
    control,
    low: -1,
    high: 1,
    step: 0.5,
    distanceM: 30,
    shotsADay: 60,
  });
  return { log, session: day(log) };
}

function day(log: BowLog): string {
  const sessionId = `day-${log.log.length}`;
  log.add({
    kind: 'sessionOpened',
    sessionId,
    sessionKind: 'fineTuning',
    experimentId: 'x',
    distanceM: 30,
    toleranceMm: 30,
    toleranceWhy: '',
    buttMm: 1220,
  });
  return sessionId;
}

const standing = (log: BowLog) => fineTuningStanding(log.state, log.state.sessions.at(-1)!)!;

describe('an experiment', () => {
  it('counts settings from where it began, over several days', () => {
    const { log, session } = begin();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.change('plungerPreload', -0.5);
    log.shots(session, 2, 'fletched', SIX_FLETCHED);
    const second = day(log);
    log.change('plungerPreload', 1);
    log.shots(second, 1, 'fletched', SIX_FLETCHED);
    const { ends, setting, fit } = standing(log);
    expect(ends.map((end) => [end.setting, end.day])).toEqual([
      [0, 0],
      [-0.5, 0],
      [0.5, 1],
    ]);
    expect(setting).toBe(0.5);
    expect(fit.settings.map((one) => one.setting)).toEqual([-1, -0.5, 0, 0.5, 1]);
    const chances = fit.settings.reduce((sum, { isBest }) => sum + isBest, 0);
    expect(chances).toBeCloseTo(1, 6);
  });

  it('leaves called bad shots and broken ends out, and cuts an end the control was turned in', () => {
    const { log, session } = begin();
    const ids = log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.add({ kind: 'shotAmended', shotId: ids[0]!, calledBad: true });
    log.shots(session, 2, 'fletched', SIX_FLETCHED.slice(0, 2));
    log.shots(session, 3, 'fletched', SIX_FLETCHED.slice(0, 3));
    log.change('plungerPreload', 0.5);
    log.shots(session, 3, 'fletched', SIX_FLETCHED.slice(3));
    const { ends } = standing(log);
    expect(ends.map(({ setting, degrees }) => [setting, degrees])).toEqual([
      [0, 8],
      [0, 4],
      [0.5, 4],
    ]);
  });

  it('voids everything from before another control or item was changed', () => {
    const { log, session } = begin();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.change('nockingPoint', 1);
    const { ends, since } = standing(log).voided;
    expect([ends, sinceUpsetWords(since)]).toEqual([1, 'nocking point 1 mm']);
    log.shots(session, 2, 'fletched', SIX_FLETCHED);
    expect(standing(log).ends).toHaveLength(1);
  });

  it('knows wind and tiredness from the notes of the end', () => {
    const { log, session } = begin();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 1, wind: 'gusty', tired: true });
    log.shots(session, 2, 'fletched', SIX_FLETCHED);
    expect(standing(log).ends.map(({ windy, tired }) => [windy, tired])).toEqual([
      [true, true],
      [false, false],
    ]);
  });

  it('finishes one, the other, and the one again', () => {
    const { log, session } = begin();
    log.add({ kind: 'experimentNarrowed', experimentId: 'x', best: 0.5, other: 0 });
    expect(standing(log).finish).toMatchObject({ next: 0.5, comparison: null });
    log.change('plungerPreload', 0.5);
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    expect(standing(log).finish!.next).toBe(0);
    log.change('plungerPreload', -0.5);
    log.shots(
      session,
      2,
      'fletched',
      SIX_FLETCHED.map(([x, y]) => [2 * x, 2 * y] as const),
    );
    expect(standing(log).finish!.next).toBe(0.5);
    log.change('plungerPreload', 0.5);
    log.shots(session, 3, 'fletched', SIX_FLETCHED);
    const { finish } = standing(log);
    expect(finish!.next).toBeNull();
    expect(finish!.comparison!.ratio).toBeCloseTo(0.5, 1);
    expect(finish!.comparison!.oneIsBetter).toBeGreaterThan(0.9);
  });
});

describe('tiller, by both bolts against each other', () => {
  function tiller() {
    const log = bowFor('right');
    log.add({
      kind: 'experimentOpened',
      experimentId: 'x',
      control: 'topBolt',
      opposed: true,
      low: -0.25,
      high: 0.25,
      step: 0.125,
      distanceM: 30,
      shotsADay: 60,
    });
    return { log, session: day(log) };
  }
  const turn = (log: BowLog, amount: number) => {
    log.change('topBolt', amount, `m${log.log.length}`);
    log.change('bottomBolt', -amount, `m${log.log.length - 1}`);
  };
  const noted = (log: BowLog, sessionId: string, endNumber: number, steady: number) =>
    log.add({ kind: 'endNoted', sessionId, endNumber, steady });

  it('is one setting, and neither bolt voids it; one bolt by itself is no such step', () => {
    const { log, session } = tiller();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    turn(log, 0.125);
    log.shots(session, 2, 'fletched', SIX_FLETCHED);
    const { ends, setting, voided, fit } = standing(log);
    expect(ends.map((end) => end.setting)).toEqual([0, 0.125]);
    expect([setting, voided.ends]).toEqual([0.125, 0]);
    expect(fit.settings.map((one) => one.setting)).toEqual([-0.25, -0.125, 0, 0.125, 0.25]);
  });

  it('is turned in eighths at both bolts, in one move, and named for what it is', () => {
    const { log, session } = tiller();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.shots(session, 2, 'fletched', SIX_FLETCHED);
    const move = spokenMove(log.state, log.nowMs);
    if (move?.action.kind !== 'change') throw new Error(move?.title);
    const [top, bottom] = move.action.changes;
    expect([top?.control, bottom?.control]).toEqual(['topBolt', 'bottomBolt']);
    expect(top!.amount).toBe(-bottom!.amount);
    expect(move.caution).toBe('bolts');
    expect(move.title).toMatch(/^Top bolt \d\/\d turn (in|out), bottom bolt \d\/\d turn (in|out)$/);
    expect(experimentName(log.state.experiments[0]!)).toBe('Tiller, bolts against each other');
  });

  it('where groups say neither, the setting is kept at which it sat stiller on aim', () => {
    const kept = (steadyThere: number, steadyFirst: number) => {
      const { log, session } = tiller();
      log.add({ kind: 'experimentNarrowed', experimentId: 'x', best: 0.125, other: 0 });
      turn(log, 0.125);
      log.shots(session, 1, 'fletched', SIX_FLETCHED);
      noted(log, session, 1, steadyThere);
      turn(log, -0.125);
      log.shots(session, 2, 'fletched', SIX_FLETCHED);
      noted(log, session, 2, steadyFirst);
      turn(log, 0.125);
      log.shots(session, 3, 'fletched', SIX_FLETCHED);
      noted(log, session, 3, steadyThere);
      return { log, move: spokenMove(log.state, log.nowMs) };
    };
    const stiller = kept(2, 5);
    expect(steadinessAt(standing(stiller.log), 0.125)).toEqual({ mean: 2, ends: 2 });
    expect(steadinessAt(standing(stiller.log), 0)).toEqual({ mean: 5, ends: 1 });
    expect(steadinessAt(standing(stiller.log), 0.25)).toBeNull();
    expect(stiller.move?.expect).toBe('Keep the first setting');
    expect(stiller.move?.action).toMatchObject({ kind: 'change' });
    expect(stiller.move?.reasons.join(' ')).toContain('on aim 5.0 of 5');
    expect(kept(5, 2).move?.action.kind).toBe('closeExperiment');
  });
});

describe('a session that is closed', () => {
  it('is looked at as it ended, whatever was changed since; an open one is not', () => {
    const { log, session } = begin();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.change('nockingPoint', 1);
    const open = log.state;
    expect(stateForSession(open, open.sessions.at(-1)!)).toBe(open);
    log.add({ kind: 'sessionClosed', sessionId: session });
    const { state } = log;
    const closed = stateForSession(state, state.sessions.at(-1)!);
    expect(closed.upsets).toHaveLength(state.upsets.length - 1);
    expect(fineTuningStanding(closed, closed.sessions.at(-1)!)!.voided.ends).toBe(0);
  });
});
