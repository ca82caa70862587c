import { describe, expect, it } from 'vitest';
import { bowFor, type BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { bareShaftDecision } from './bare-shaft-decision.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { wholeEndNumbers } from '../groups/whole-ends.ts';

const BARE = [
  [88, 1],
  [93, -3],
  [90, 2],
] as const;
const verdictOf = (log: BowLog) => sessionVerdict(log.state, log.state.sessions.at(-1)!);
const decide = (log: BowLog) => {
  const { state } = log;
  const session = state.sessions.at(-1)!;
  return bareShaftDecision(state, session, verdictOf(log), () => false);
};

describe('a look is a whole end', () => {
  it('one more arrow after the first end is no second look, however many looks it takes', () => {
    const log = bowFor('right');
    const session = log.open(25);
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    log.shots(session, 1, 'bare', BARE);
    expect(verdictOf(log)).toMatchObject({ outward: { call: 'plus', holds: false } });
    log.shots(session, 2, 'fletched', [[1, 1]]);
    expect(verdictOf(log).outward.holds).toBe(false);
    log.shots(session, 2, 'bare', [[91, 0]]);
    expect(verdictOf(log).outward.holds).toBe(false);
    expect(decide(log)).toMatchObject({ kind: 'shoot', why: 'oneLook' });
    log.shots(session, 2, 'fletched', SIX_FLETCHED.slice(1));
    log.shots(session, 2, 'bare', BARE.slice(1));
    expect(verdictOf(log).outward.holds).toBe(true);
    expect(decide(log)).toMatchObject({ kind: 'mend' });
  });

  it('an end is whole when another has begun, or as many are in it as in the smallest before', () => {
    const log = bowFor('right');
    const session = log.open();
    const whole = () => [...wholeEndNumbers(log.state.sessions.at(-1)!)];
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    expect(whole()).toEqual([1]);
    log.shots(session, 2, 'fletched', SIX_FLETCHED.slice(2));
    expect(whole()).toEqual([1]);
    log.shots(session, 3, 'fletched', SIX_FLETCHED.slice(3));
    expect(whole()).toEqual([1, 2]);
    log.shots(session, 3, 'bare', BARE.slice(2));
    expect(whole()).toEqual([1, 2, 3]);
    log.shots(session, 4, 'fletched', SIX_FLETCHED.slice(5));
    expect(whole()).toEqual([1, 2, 3]);
    log.add({ kind: 'sessionClosed', sessionId: session });
    expect(whole()).toEqual([1, 2, 3, 4]);
  });

  it('after a change nothing else is turned before an end was shot, on either axis', () => {
    const log = bowFor('right');
    const session = log.open(25);
    const both = BARE.map(([outward, up]) => [outward, up - 90] as const);
    for (const end of [1, 2]) {
      log.shots(session, end, 'fletched', SIX_FLETCHED);
      log.shots(session, end, 'bare', both);
    }
    expect(decide(log)).toMatchObject({ kind: 'mend', axis: 'bareShaftUp' });
    log.change('nockingPoint', -3);
    expect(decide(log)).toMatchObject({ kind: 'shoot', why: 'proveTheMove' });
    log.shots(session, 3, 'fletched', SIX_FLETCHED);
    log.shots(session, 3, 'bare', BARE);
    expect(decide(log)).not.toMatchObject({ why: 'proveTheMove' });
  });
});
