import { fitBuild } from '../arrows/fit-build.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { CONTROL_FACTS } from '../craft/controls.ts';
import { presentReading } from '../gains/present-reading.ts';
import { STEPS } from '../craft/steps.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { checkChanges } from '../limits/check-proposal.ts';

const GROUP = [
  [-3, 2],
  [2, -3],
  [0, 4],
  [4, 0],
  [-4, -2],
  [1, -1],
] as const;
const at = (outward: number, up: number) =>
  [
    [-3, 2],
    [3, -2],
    [0, 1],
  ].map(([x = 0, y = 0]) => [outward + x, up + y] as const);

function shot(log: BowLog, ends: number, outward: number, up: number): BowLog {
  const session = log.open(25);
  for (let end = 1; end <= ends; end += 1) {
    log.shots(session, end, 'fletched', GROUP);
    log.shots(session, end, 'bare', at(outward, up));
  }
  return log;
}
const CHOSEN = { buildId: 'b', revisionId: 'r', name: 'chosen', parts: PLAIN_BUILD };
const moveOf = (log: BowLog) => spokenMove(log.state, log.nowMs);
function changesOf(move: ReturnType<typeof moveOf>) {
  return move?.action.kind === 'change' ? move.action.changes : [];
}

describe('nextMove', () => {
  it('begins at the beginning and leads step by step to the end', () => {
    const log = new BowLog();
    const seen: string[] = [];
    for (let i = 0; i < 60; i += 1) {
      const move = moveOf(log);
      if (move?.step == null || move.step === 'bareShaft') break;
      if (!seen.includes(move.step)) seen.push(move.step);
      switch (move.action.kind) {
        case 'openStep':
        case 'confirmStep':
          log.add({ kind: 'stepConfirmed', step: move.action.step, note: '' });
          break;
        case 'fireShots':
          log.add({ kind: 'shotsFired', count: move.action.count, note: '' });
          break;
        case 'enterReading':
          new ReadingHand(log).enter(move.action.entryText.trim());
          break;
        case 'openArrows':
          log.add(fitBuild(log.state, CHOSEN));
          break;
        case 'openSearch':
          log.add({ kind: 'stepConfirmed', step: 'braceSearch', note: '' });
          break;
        default:
          throw new Error(`unexpected ${move.title}`);
      }
    }
    const upToBareShaft = STEPS.map((step) => step.id).slice(0, 14);
    expect(seen).toEqual(upToBareShaft);
    expect(log.state.bow.arrow?.described).toBe('chosen');
    expect(moveOf(log)?.action.kind).toBe('shootEnd');
  });

  it('puts vertical before lateral when both are out', () => {
    const move = moveOf(shot(bowFor('right'), 2, 80, 70));
    expect(changesOf(move)).toEqual([{ control: 'nockingPoint', amount: 2.5 }]);
    expect(move?.title).toBe('Nocking point 2.5 mm up');
  });

  it('lowers the nocking point when bare shafts land low', () => {
    expect(moveOf(shot(bowFor('right'), 2, 0, -70))?.title).toBe('Nocking point 2.5 mm down');
  });

  it('turns to lateral once vertical is inside, softer for stiff', () => {
    const move = moveOf(shot(bowFor('right'), 2, 40, 0));
    const [change] = changesOf(move);
    expect(change?.amount).toSatisfy((amount: number) =>
      change?.control === 'pointMass' ? amount > 0 : amount < 0,
    );
  });

  it('touches nothing on a single look, but says what would come', () => {
    const move = moveOf(shot(bowFor('right'), 1, 0, -70));
    expect(move?.action.kind).toBe('shootEnd');
    expect(move?.likelyAfter?.title).toBe('Nocking point 2.5 mm down');
  });

  it('asks for a re-shoot after the change, with the shots before it set apart', () => {
    const log = shot(bowFor('right'), 2, 0, -70);
    for (const { control, amount } of changesOf(moveOf(log))) log.change(control, amount);
    expect(moveOf(log)?.action.kind).toBe('shootEnd');
  });

  it('offers a shelf bow nothing but the arrow', () => {
    const controls = changesOf(moveOf(shot(bowFor('right', 'shelfTarget'), 2, 70, 0))).map(
      (change) => change.control,
    );
    expect(controls).toEqual(['pointMass']);
  });

  it('gives both hands the same remedy for mirrored shots', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -90, max: 90 }),
        fc.integer({ min: -90, max: 90 }),
        (outward, up) => {
          const of = (hand: Hand) => {
            const move = moveOf(shot(bowFor(hand), 2, outward, up));
            return { title: move?.title, action: move?.action };
          };
          expect(of('left')).toEqual(of('right'));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('never proposes what the limits refuse; only what one unstringing moves is moved together', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 232, noNaN: true }),
        fc.double({ min: -12, max: 16, noNaN: true }),
        fc.double({ min: 28, max: 44, noNaN: true }),
        fc.integer({ min: -120, max: 120 }),
        fc.integer({ min: -120, max: 120 }),
        (braceHeight, tiller, pounds, outward, up) => {
          const log = bowFor('right').settle({
            braceHeight,
            tillerTop: 175 + tiller,
            tillerBottom: 175,
            drawWeight: pounds * N_PER_LBF,
          });
          for (const bow of [log, () => shot(log, 2, outward, up)]) {
            const move = moveOf(bow instanceof Function ? bow() : bow);
            const changes = changesOf(move);
            expect(checkChanges(log.state, changes)).toBeNull();
            if (changes.length > 1)
              expect(changes.every(({ control }) => CONTROL_FACTS[control].needsUnstrung)).toBe(
                true,
              );
            expect(changes.every(({ amount }) => amount !== 0 && Number.isFinite(amount))).toBe(
              true,
            );
          }
        },
      ),
      { numRuns: 120 },
    );
  });

  it('has one reading outside the limits read again before anything is turned for it', () => {
    const log = bowFor('right');
    for (let i = 0; i < 4; i += 1) log.read('braceHeight', 216, 216.5, 215.5);
    log.read('braceHeight', 247);
    const again = moveOf(log);
    expect(again).toMatchObject({ isStop: true, title: 'Measure brace height again' });
    expect(again?.action).toEqual({ kind: 'enterReading', entryText: 'b ' });
    expect(again?.why).toContain('9 3/4 in, outside the maker’s limits');
    log.read('braceHeight', 246.5);
    expect(moveOf(log)).toMatchObject({ isStop: true });
    expect(moveOf(log)?.title).not.toBe('Measure brace height again');
    log.read('braceHeight', 216);
    expect(moveOf(log)?.isStop ?? false).toBe(false);
  });

  it('brings brace back inside the maker’s limits as a stop, whatever else is open', () => {
    const log = new BowLog().settle({ braceHeight: 224 });
    const move = moveOf(log);
    expect(move?.isStop).toBe(true);
    for (const { control, amount } of changesOf(move)) log.change(control, amount);
    expect(presentReading(log.state, 'braceHeight')!.value).toBeLessThanOrEqual(222.25);
  });

  it('asks for tiller with opposite bolt turns', () => {
    const move = moveOf(bowFor('right').settle({ tillerTop: 176, tillerBottom: 176 }));
    const [top, bottom] = changesOf(move);
    expect(top?.control).toBe('topBolt');
    expect(top?.amount).toBeLessThan(0);
    expect(bottom).toEqual({ control: 'bottomBolt', amount: -top!.amount });
  });

  it('believes today over a well-shot yesterday: not everything that moved was written down', () => {
    const log = shot(bowFor('right'), 4, 0, 0);
    log.add({ kind: 'sessionClosed', sessionId: log.state.sessions.at(-1)!.sessionId });
    log.wait(20);
    shot(log, 2, 0, -70);
    expect(moveOf(log)?.title).toMatch(/^Nocking point .* down$/);
  });

  it('stays aside for the day when set aside, then comes back', () => {
    const log = new BowLog();
    const first = moveOf(log)!;
    log.add({ kind: 'moveSetAside', moveKey: first.key, title: first.title });
    expect(moveOf(log)?.key).not.toBe(first.key);
    expect(spokenMove(log.state, log.nowMs + 15 * 3_600_000)?.key).not.toBe(first.key);
    expect(spokenMove(log.state, log.nowMs + 17 * 3_600_000)?.key).toBe(first.key);
  });
});

/** Enters plausible, in-band readings for the codes a move asks for. */
class ReadingHand {
  private readonly log: BowLog;
  constructor(log: BowLog) {
    this.log = log;
  }
  enter(code: string): void {
    const byCode = {
      b: ['braceHeight', 216, 216, 216],
      tt: ['tillerTop', 180],
      tb: ['tillerBottom', 175.5],
      w: ['drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF],
      n: ['nockingHeight', 4.5],
      cs: ['centreShotAtPoint', 3],
      'll t': ['limbLineTop', 0],
      'll b': ['limbLineBottom', 0],
      'll r': ['limbLineRod', 0],
      dl: ['drawLength', 711],
      rh: ['restHeight', 0],
    } as const;
    const [kind, ...values] = byCode[code as keyof typeof byCode];
    this.log.read(kind, ...values);
  }
}

describe('a bow whose owner has no scale', () => {
  const unweighed = () => {
    const log = new BowLog();
    for (const step of [
      'purpose',
      'inspect',
      'fitOut',
      'nockFit',
      'roughBrace',
      'roughTiller',
    ] as const)
      log.add({ kind: 'stepConfirmed', step, note: '' });
    log.read('braceHeight', 211, 211, 211);
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
    return log;
  };

  it('is asked to weigh it, and once that is set aside its brace is brought in all the same', () => {
    const log = unweighed();
    const first = moveOf(log)!;
    expect(first).toMatchObject({ key: 'measure:drawWeight' });
    log.add({ kind: 'moveSetAside', moveKey: first.key, title: first.title });
    const second = moveOf(log);
    expect(second?.title).toMatch(/^\d+ twists in$/);
    expect(second?.expect).not.toMatch(/weight/);
  });

  it('or once the step is skipped with a reason', () => {
    const log = unweighed();
    log.add({ kind: 'stepSkipped', step: 'drawWeight', why: 'no scale' });
    expect(moveOf(log)?.title).toMatch(/^\d+ twists in$/);
  });
});
