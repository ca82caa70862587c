import { describe, expect, it } from 'vitest';
import type { CautionId } from '../craft/cautions.ts';
import type { StepId } from '../craft/steps.ts';
import { bareShaftBow, BowLog, bowFor } from '../fixtures/bow-log.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { causeOf } from '../words/verdict-words.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { remediesFor } from '../bare-shaft/remedies.ts';

const moveOf = (log: BowLog) => {
  const move = spokenMove(log.state, log.nowMs);
  if (move === null) throw new Error('no move');
  return move;
};
/** A settled bow with one step made open again by what is done to it. */
const after = (change: (log: BowLog) => void, facts: object = {}) => {
  const log = new BowLog(facts).settle();
  change(log);
  return moveOf(log);
};

describe('the caution of a move', () => {
  it('weighing: in a safe direction', () => {
    const log = new BowLog();
    for (const step of ['purpose', 'inspect', 'fitOut', 'nockFit'] as const)
      log.add({ kind: 'stepConfirmed', step, note: '' });
    expect(moveOf(log)).toMatchObject({ step: 'drawWeight', caution: 'scale' });
  });

  it.each<readonly [StepId, CautionId | null]>([
    ['purpose', 'holdable'],
    ['inspect', 'inspect'],
    ['fitOut', null],
    ['nockFit', 'dryFire'],
  ])('confirming %s carries its step’s: %s', (step, caution) => {
    const log = new BowLog();
    const order = ['purpose', 'inspect', 'fitOut', 'nockFit'] as const;
    for (const one of order) {
      if (one === step) break;
      log.add({ kind: 'stepConfirmed', step: one, note: '' });
    }
    expect(moveOf(log)).toMatchObject({ step, caution });
  });

  it('twists alone: the stringer; bolts: unstrung, inside the travel, both limbs sit', () => {
    const twists = after((log) => {
      log.change('twists', -1);
      log.read('braceHeight', 211, 211, 211);
      log.read('drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF);
      log.read('tillerTop', 175);
      log.read('tillerBottom', 170.5);
      log.add({
        kind: 'targetSet',
        reading: 'braceHeight',
        low: 215,
        high: 217,
        name: 'quiet',
        why: '',
      });
    });
    expect(twists.title).toMatch(/^\d+ twists? in$/);
    expect(twists).toMatchObject({ caution: 'unstring' });
    const bolts = after((log) => {
      log.change('topBolt', -0.25);
      log.read('drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF);
      log.read('braceHeight', 216, 216, 216);
      log.read('tillerTop', 190);
      log.read('tillerBottom', 175.5);
    });
    expect(bolts.title).toMatch(/bolt/);
    expect(bolts).toMatchObject({ caution: 'bolts' });
    expect(bolts.thenCheck).toMatch(/both limbs sit/);
  });

  it('counting the bolts, and side screws: unstrung', () => {
    const count = after(
      (log) => {
        log.change('twists', 1);
        log.read('drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF);
        log.read('braceHeight', 216, 216, 216);
        log.read('tillerTop', 195);
        log.read('tillerBottom', 175);
      },
      { boltTurnsOutAtStart: undefined },
    );
    expect(count).toMatchObject({ key: 'count:bolts', caution: 'bolts' });
    const screws = after((log) => {
      log.change('topSideScrews', 0.125);
      log.read('limbLineTop', 3);
      log.read('limbLineBottom', 0);
      log.read('limbLineRod', 0);
    });
    expect(screws).toMatchObject({ step: 'limbLine', caution: 'bolts' });
    expect(screws.reasons.join(' ')).toMatch(/Never both screws loose/);
  });

  it('a pocket whose screws have gone as far as they may is for a technician', () => {
    const spent = after((log) => {
      log.read('limbLineTop', 3);
      for (const amount of [1, 1, -1, -1]) {
        log.change('topSideScrews', amount);
        log.read('limbLineTop', 3);
      }
      log.read('limbLineBottom', 0);
      log.read('limbLineRod', 0);
    });
    expect(spent).toMatchObject({ action: { kind: 'nothing' }, caution: 'inspect' });
    expect(spent.title).toMatch(/bow technician/);
    expect(spent.why).toMatch(/2 turns that are allowed/);
  });

  it('shooting in: never without an arrow; bare shafts and walk-back: big butt, range rules', () => {
    const log = bowFor('right');
    log.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'new',
      touches: ['shootIn'],
      string: { stringId: 'new', material: 'lowStretch', shotsBefore: 0, twists: 24 },
    });
    log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' });
    log.read('braceHeight', 216, 216, 216);
    log.read('drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF);
    log.read('tillerTop', 180);
    log.read('tillerBottom', 175.5);
    expect(moveOf(log)).toMatchObject({ step: 'shootIn', caution: 'dryFire' });
    expect(moveOf(bowFor('right'))).toMatchObject({ step: 'bareShaft', caution: 'bareShafts' });
  });
});

describe('what the bare shafts mean, and what is turned against it', () => {
  it.each([
    ['outward', 'plus', 'Stiff'],
    ['outward', 'minus', 'Weak'],
    ['up', 'plus', 'Nocking point low'],
    ['up', 'minus', 'Nocking point high'],
  ] as const)('%s %s: %s', (axis, call, cause) => {
    expect(causeOf(axis, call)).toBe(cause);
    expect(causeOf(axis, 'inside')).toBeNull();
    expect(causeOf(axis, 'undecided')).toBeNull();
  });

  const amountOf = (log: BowLog, axis: 'bareShaftOutward' | 'bareShaftUp', control: string) => {
    const { state } = log;
    const found = remediesFor(state, state.sessions.at(-1)!, axis).find(({ amounts }) =>
      [...amounts.keys()].includes(control as 'twists'),
    );
    return found === undefined ? null : Math.sign([...found.amounts.values()][0]!);
  };
  it('weak: more preload, a lighter point, a shorter shaft, less weight', () => {
    const weak = bareShaftBow(-60, 0);
    expect(amountOf(weak, 'bareShaftOutward', 'plungerPreload')).toBe(1);
    expect(amountOf(weak, 'bareShaftOutward', 'pointMass')).toBe(-1);
    expect(amountOf(weak, 'bareShaftOutward', 'shaftCut')).toBe(1);
    expect(amountOf(weak, 'bareShaftOutward', 'topBolt')).toBe(-1);
    expect(moveOf(weak).why).toMatch(/^Weak/);
  });
  it('stiff: less preload, a heavier point, more weight, and no saw', () => {
    const stiff = bareShaftBow(60, 0);
    expect(amountOf(stiff, 'bareShaftOutward', 'plungerPreload')).toBe(-1);
    expect(amountOf(stiff, 'bareShaftOutward', 'pointMass')).toBe(1);
    expect(amountOf(stiff, 'bareShaftOutward', 'shaftCut')).toBeNull();
    expect(amountOf(stiff, 'bareShaftOutward', 'topBolt')).toBe(1);
    expect(moveOf(stiff).why).toMatch(/^Stiff/);
  });
  it('bare low is nocking point high: lower it; bare high: raise it', () => {
    expect(amountOf(bareShaftBow(0, -60), 'bareShaftUp', 'nockingPoint')).toBe(-1);
    expect(amountOf(bareShaftBow(0, 60), 'bareShaftUp', 'nockingPoint')).toBe(1);
    expect(moveOf(bareShaftBow(0, -60)).why).toMatch(/^Nocking point high/);
    expect(moveOf(bareShaftBow(0, 60)).why).toMatch(/^Nocking point low/);
    expect(moveOf(bareShaftBow(0, 60))).toMatchObject({
      action: { kind: 'change', changes: [{ control: 'nockingPoint' }] },
      caution: 'bareShafts',
    });
  });
});

describe('a remedy set aside', () => {
  const setAside = (log: BowLog, control: string) =>
    log.add({ kind: 'moveSetAside', moveKey: `mend:${control}`, title: control });

  it('is not proposed again in this session, whatever else is; another one set aside changes nothing', () => {
    const log = bareShaftBow(0, 60);
    const { key } = moveOf(log);
    expect(key).toBe('mend:nockingPoint');
    setAside(log, 'plungerPreload');
    expect(moveOf(log).key).toBe(key);
    setAside(log, 'nockingPoint');
    expect(moveOf(log).key).not.toBe(key);
  });

  it('comes back with the session of another day', () => {
    const log = bareShaftBow(0, 60);
    setAside(log, 'nockingPoint');
    log.wait(24);
    const session = log.open();
    const end = (upMm: number) => Array.from({ length: 6 }, (_, at) => [at - 2.5, upMm] as const);
    for (const number of [1, 2]) {
      log.shots(session, number, 'fletched', end(0));
      log.shots(session, number, 'bare', end(60));
    }
    expect(moveOf(log).key).toBe('mend:nockingPoint');
  });
});

describe('at the end of what a bow can turn', () => {
  it('nothing is cut without a coach: every remedy set aside, the saw’s caution stands', () => {
    const log = bareShaftBow(-90, 0);
    for (const control of [
      'plungerPreload',
      'pointMass',
      'twists',
      'topBolt+bottomBolt',
      'shaftCut',
    ])
      log.add({ kind: 'moveSetAside', moveKey: `mend:${control}`, title: control });
    const move = moveOf(log);
    expect(move).toMatchObject({ key: 'spent:outward', caution: 'cutting' });
    expect(move.thenCheck).toMatch(/coach or a bow technician before cutting/);
    expect(move.why).toMatch(/weak/);
  });
});

describe('a walk-back', () => {
  const walk = (leanMmPerM: number) => {
    const log = bowFor('right');
    log.openWalkBack();
    log.add({ kind: 'aimSet', sessionId: 'walk' });
    let end = 0;
    for (let i = 0; i < 12; i += 1) {
      const move = moveOf(log);
      expect(move.caution).toBe('bareShafts');
      if (move.action.kind !== 'shootEnd') return move;
      end += 1;
      const distanceM = Number(/at (\d+) m/.exec(move.title)![1]);
      for (const off of [-3, 0, 3])
        log.add({
          kind: 'shotPlaced',
          shotId: `shot-${log.log.length}`,
          sessionId: 'walk',
          endNumber: end,
          arrow: 'fletched',
          outwardMm: leanMmPerM * (distanceM - 10) + off,
          upMm:
            115 * (distanceM / 10 - 1) -
            (9810 / (2 * 52 ** 2)) * distanceM * (distanceM - 10) +
            off,
          calledBad: false,
          distanceM,
        });
    }
    throw new Error('walked for ever');
  };
  it('drifting outward is centre shot too far out: reach in; inward: reach out', () => {
    expect(walk(6)).toMatchObject({ title: 'Plunger reach 3/4 turn in' });
    expect(walk(6).why).toMatch(/drift outward.*too far out/);
    expect(walk(-6)).toMatchObject({ title: 'Plunger reach 3/4 turn out' });
    expect(walk(-6).why).toMatch(/drift inward.*too far in/);
  });
});
