import { describe, expect, it } from 'vitest';
import { blameList } from '../craft/blame-list.ts';
import { NOCKING_HEIGHT_MM } from '../limits/locator-limits.ts';
import { bowFor, BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { bareShaftDecision } from './bare-shaft-decision.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import type { Remedy } from './remedies.ts';

function end(log: BowLog, session: string, number: number, outwardMm: number, upMm: number): void {
  log.shots(session, number, 'fletched', SIX_FLETCHED);
  log.shots(session, number, 'bare', [
    [outwardMm - 5, upMm + 4],
    [outwardMm + 6, upMm - 5],
    [outwardMm, upMm + 1],
  ]);
}

function decide(log: BowLog, isAside: (remedy: Remedy) => boolean = () => false) {
  const { state } = log;
  const session = state.sessions.at(-1)!;
  return bareShaftDecision(state, session, sessionVerdict(state, session), isAside);
}

describe('turn something, or shoot again?', () => {
  it('touches nothing on one look, however sure it is', () => {
    const log = bowFor('right');
    end(log, log.open(), 1, 90, 0);
    expect(decide(log)).toMatchObject({ kind: 'shoot', why: 'oneLook' });
  });

  it('mends vertical before lateral when both are out on two ends', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 90, -70);
    end(log, session, 2, 88, -74);
    expect(decide(log)).toMatchObject({ kind: 'mend', axis: 'bareShaftUp' });
  });

  it('goes on to lateral when up and down is well inside', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 90, 0);
    end(log, session, 2, 88, 2);
    expect(decide(log)).toMatchObject({ kind: 'mend', axis: 'bareShaftOutward' });
  });

  it('waits a third end where a shot nobody called lies far from its kind, then goes on', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 90, 0);
    end(log, session, 2, 88, 2);
    expect(decide(log).kind).toBe('mend');
    log.shots(session, 2, 'fletched', [[70, 0]]);
    expect(decide(log)).toMatchObject({ kind: 'shoot', why: 'farOutShot' });
    end(log, session, 3, 91, -1);
    expect(decide(log)).toMatchObject({ kind: 'mend', axis: 'bareShaftOutward' });
  });

  it('has bare and fletched mixed in one end before an offset between ends is turned away', () => {
    const log = bowFor('right');
    const session = log.open();
    log.shots(session, 1, 'fletched', SIX_FLETCHED);
    for (const number of [2, 3])
      log.shots(session, number, 'bare', [
        [0, 78],
        [4, 82],
        [-4, 80],
      ]);
    expect(decide(log)).toMatchObject({ kind: 'shoot', why: 'neverMixed' });
    expect(sessionVerdict(log.state, log.state.sessions[0]!).up).toMatchObject({
      call: 'plus',
      holds: false,
    });
    end(log, session, 4, 0, 80);
    end(log, session, 5, 1, 79);
    expect(decide(log)).toMatchObject({ kind: 'mend', axis: 'bareShaftUp' });
  });

  it('is done after two ends inside, and then wants nothing more', () => {
    const log = bowFor('right');
    const session = log.open(30);
    for (const number of [1, 2, 3]) end(log, session, number, 1, -1);
    expect(decide(log)).toEqual({ kind: 'done' });
  });

  it('has the blame list gone through before scattered shafts are blamed, then goes on', () => {
    const log = bowFor('right');
    const session = log.open();
    for (const number of [1, 2]) {
      log.shots(session, number, 'fletched', SIX_FLETCHED);
      log.shots(session, number, 'bare', [
        [90, 60],
        [-70, -80],
        [60, -90],
      ]);
    }
    const first = decide(log);
    expect(first).toMatchObject({ kind: 'checkBlame', why: 'scattered' });
    if (first.kind === 'checkBlame')
      expect(first.items).toEqual(blameList('sighted').map(({ id }) => id));
    log.add({ kind: 'blameChecked', sessionId: session, items: ['arrow', 'nockFit'] });
    const second = decide(log);
    if (second.kind === 'checkBlame') expect(second.items).not.toContain('nockFit');
    log.add({
      kind: 'blameChecked',
      sessionId: session,
      items: blameList('sighted').map(({ id }) => id),
    });
    expect(decide(log).kind).not.toBe('checkBlame');
  });

  it('asks for the list when tears on paper say the opposite of the impact', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 90, 0);
    end(log, session, 2, 88, 0);
    for (const outwardMm of [24, 27])
      log.add({ kind: 'paperTorn', distanceM: 2, outwardMm, upMm: 0, arrow: 'bare' });
    expect(decide(log)).toMatchObject({ kind: 'checkBlame', why: 'conflict' });
  });

  it('asks for the list when the rest shows a touch, not for marks on the shelf', () => {
    for (const [marks, why] of [
      ['rest', 'contact'],
      ['shelf', undefined],
    ] as const) {
      const log = bowFor('right');
      const session = log.open();
      end(log, session, 1, 90, 0);
      end(log, session, 2, 88, 0);
      log.add({ kind: 'endNoted', sessionId: session, endNumber: 2, marks });
      const found = decide(log);
      expect(found.kind === 'checkBlame' ? found.why : undefined).toBe(why);
    }
  });

  it('sees the bounce trap: lower made it worse, so well up', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 0, -60);
    end(log, session, 2, 0, -58);
    log.change('nockingPoint', -2);
    end(log, session, 3, 0, -150);
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 3, marks: 'shelf' });
    log.change('nockingPoint', -2);
    end(log, session, 4, 0, -235);
    const found = decide(log);
    expect(found.kind).toBe('bounce');
    if (found.kind === 'bounce') {
      // It begins between 0 and −2 from the start, and stands at −4: past it by 2 mm and no farther.
      expect(found.raiseMm).toBeGreaterThanOrEqual(5);
      expect(found.raiseMm).toBeLessThanOrEqual(7);
      expect(found.chance).toBeGreaterThan(0.8);
    }
    // The locator goes no higher than it may; with no room at all something else is said.
    log.read('nockingHeight', NOCKING_HEIGHT_MM.high - 3);
    expect(decide(log)).toMatchObject({ kind: 'bounce', raiseMm: 3 });
    log.read('nockingHeight', NOCKING_HEIGHT_MM.high, NOCKING_HEIGHT_MM.high);
    expect(decide(log).kind).not.toBe('bounce');
  });

  it('says when everything is spent or set aside, instead of the impossible', () => {
    const log = bowFor('right');
    const session = log.open();
    end(log, session, 1, 90, 0);
    end(log, session, 2, 88, 0);
    expect(decide(log, () => true)).toMatchObject({ kind: 'spent', axis: 'bareShaftOutward' });
  });

  it('asks the shots again before another shaft is asked for: with nothing to turn, two ends more', () => {
    // Off the shelf with no arrow on record, brace at the maker's most and bolts at their stop.
    const log = new BowLog({ school: 'shelfHunting', boltTurnsOutAtStart: 0 });
    log.settle({ braceHeight: 222 });
    // The heaviest point there is.
    log.change('pointMass', 3.25);
    const session = log.open();
    const kinds = [1, 2, 3, 4].map((number) => {
      end(log, session, number, 150, 0);
      return decide(log).kind;
    });
    expect(kinds.at(-1)).toBe('spent');
    expect(kinds.slice(0, 3)).not.toContain('spent');
  });

  it('tunes to the landing the record knows, not to zero', () => {
    const log = bowFor('right');
    log.add({ kind: 'landingSet', outwardMm: 60, upMm: -40, why: 'groups were best there' });
    const session = log.open(30);
    for (const number of [1, 2, 3]) end(log, session, number, 61, -41);
    expect(decide(log)).toEqual({ kind: 'done' });
  });
});
