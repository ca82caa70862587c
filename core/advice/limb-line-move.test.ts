import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { HANDS, type Hand } from '../craft/bow-terms.ts';
import { sideOf } from '../craft/handedness.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { limbLineMove } from './limb-line-move.ts';
import { speakMove } from '../words/moves/speak-move.ts';
import { stepStates } from '../order/step-states.ts';

function moveOf(log: BowLog) {
  const status = stepStates(log.state).find(({ step }) => step.id === 'limbLine');
  if (status === undefined) throw new Error('no limb line');
  const move = limbLineMove(log.state, status);
  return move === null ? null : speakMove(log.state, move);
}
const changes = (log: BowLog) => {
  const move = moveOf(log);
  return move?.action.kind === 'change' ? move.action.changes : [];
};
/** A string that passes outward of the top gauge, in a pocket answering by so much a turn. */
function crooked(hand: Hand, topMm = 2): BowLog {
  return new BowLog({ hand }).settle({ limbLineTop: topMm });
}

describe('limbLineMove', () => {
  it('tries what would be seen first, because which way a pocket answers is not known', () => {
    const move = moveOf(crooked('right'));
    expect(changes(crooked('right'))).toEqual([{ control: 'topSideScrews', amount: 1 / 2 }]);
    expect(move?.expect).toMatch(/trial/i);
    // Whoever reads the gauge to a tenth sees a quarter of a turn.
    const sharp = crooked('right');
    for (let day = 0; day < 4; day += 1) sharp.read('limbLineTop', 2, 2.02, 1.98, 2.01);
    expect(changes(sharp)).toEqual([{ control: 'topSideScrews', amount: 1 / 4 }]);
  });

  it('tries a larger turn when the first was too little to be seen, and not to the stop', () => {
    const log = crooked('right');
    log.change('topSideScrews', 1 / 2);
    log.read('limbLineTop', 2, 2.1, 1.9);
    const [change] = changes(log);
    expect(Math.abs(change!.amount)).toBeGreaterThan(1);
    expect(Math.abs(change!.amount)).toBeLessThanOrEqual(2);
  });

  it.each([1.2, -1.2])('knows the pocket once it has answered by %d mm a turn', (perTurn) => {
    const log = crooked('right');
    log.change('topSideScrews', 1 / 2);
    const now = 2 + perTurn / 2;
    log.read('limbLineTop', now, now, now);
    const [change] = changes(log);
    expect(Math.sign(change!.amount)).toBe(-Math.sign(perTurn));
    expect(Math.abs(change!.amount * perTurn)).toBeGreaterThan(now * 0.4);
  });

  it.each(HANDS)('says left and right as a %s-hander sees them, loosening first', (hand) => {
    const words = moveOf(crooked(hand))?.why ?? '';
    const outward = sideOf(1, hand);
    const inward = sideOf(-1, hand);
    expect(words).toContain(`passes 2.0 mm ${outward} of the top gauge’s middle`);
    expect(words).toContain(`loosen the ${inward} screw 1/2 turn, then tighten the ${outward} one`);
  });

  /** Follows the moves of a pocket answering by so much a turn, read to so many millimetres. */
  function follow(
    perTurn: number,
    offMm: number,
    { seed, readToMm, known = false }: { seed: number; readToMm: number; known?: boolean },
  ) {
    const normal = standardNormal(seededUniform(seed));
    const log = new BowLog();
    log.settle({ limbLineTop: known ? 0 : offMm });
    if (known)
      for (const turn of [1, -1, 1, -1, offMm / perTurn]) {
        log.change('topSideScrews', turn);
        const mm = turn > 0 || turn * perTurn === offMm ? turn * perTurn : 0;
        log.read('limbLineTop', mm, mm, mm);
      }
    let [now, net, unstringings] = [offMm, 0, 0];
    let farthest = 0;
    const look = () => log.read('limbLineTop', ...[0, 1, 2].map(() => now + readToMm * normal()));
    look();
    for (; unstringings < 20; unstringings += 1) {
      const move = moveOf(log);
      if (move?.action.kind !== 'change')
        return { said: move?.because.topic, now, unstringings, farthest };
      for (const { control, amount } of move.action.changes) {
        log.change(control, amount);
        if (control !== 'topSideScrews') continue;
        net += amount;
        farthest = Math.max(farthest, Math.abs(net));
        now += perTurn * amount;
      }
      look();
    }
    return { said: 'never', now, unstringings, farthest };
  }
  const SEEDS = Array.from({ length: 100 }, (_, index) => 61_001 + index);

  it('hands a pocket that does not answer to a technician after three unstringings, inside its limit', () => {
    const outcomes = SEEDS.map((seed) => follow(0, 2.5, { seed, readToMm: 0.5 }));
    expect(Math.max(...outcomes.map(({ unstringings }) => unstringings))).toBeLessThanOrEqual(3);
    expect(outcomes.every(({ said }) => said === 'pocketSilent' || said === 'pocketSpent')).toBe(
      true,
    );
    expect(Math.max(...outcomes.map(({ farthest }) => farthest))).toBeLessThanOrEqual(2);
  });

  it.each([
    [0.5, 1.5],
    [0.7, 1.8],
    [1, 1.5],
  ])(
    'brings a pocket in that answers by %d mm a turn and is %d turns off, in little more unstringings than where it is known',
    (size, turns) => {
      const off = size * turns;
      // Which way it answers is as likely one as the other.
      const outcomes = Array.from({ length: 200 }, (_, index) => 61_001 + index).map((seed) =>
        follow(seed % 2 === 0 ? size : -size, off, { seed, readToMm: 0.3 }),
      );
      const inside = outcomes.filter(({ now }) => Math.abs(now) < 1);
      const mean = (of: typeof outcomes) =>
        of.reduce((sum, { unstringings }) => sum + unstringings, 0) / of.length;
      const known = mean(
        SEEDS.slice(0, 50).map((seed) => follow(size, off, { seed, readToMm: 0.3, known: true })),
      );
      expect(inside.length).toBeGreaterThanOrEqual(190);
      expect(mean(outcomes)).toBeLessThanOrEqual(1.4 * known + 1);
    },
  );

  /** A pocket turned so often, each turn moving the string by so much. */
  function turned(amounts: readonly number[], perTurn: number, readToMm = 0.02) {
    const log = new BowLog().settle({ limbLineTop: 2.4 });
    let now = 2.4;
    for (const amount of amounts) {
      log.change('topSideScrews', amount);
      now += perTurn * amount;
      log.read('limbLineTop', now, now + readToMm, now - readToMm);
    }
    return log;
  }

  it('is for a technician after three unstringings without an answer, and not before', () => {
    expect(moveOf(turned([1 / 4, -1 / 4], 0))?.because.topic).toBe('sideScrews');
    const silent = moveOf(turned([1 / 4, 1 / 4, 1 / 4], 0));
    expect(silent).toMatchObject({ key: 'pocketSilent:limbLineTop', place: 'topLimb' });
    // It answers, surely and next to nothing: no screw brings that string anywhere.
    expect(moveOf(turned([1, -2, 1], 0.1))?.because.topic).toBe('pocketSilent');
    // It answers weakly and surely: it is turned.
    expect(changes(turned([-1 / 2, 1, -1], 0.6))).not.toEqual([]);
  });

  it('turns both pockets in one unstringing, and none that is straight', () => {
    const both = new BowLog().settle({ limbLineTop: 1.5, limbLineBottom: -1.5 });
    expect(changes(both).map(({ control }) => control)).toEqual([
      'topSideScrews',
      'bottomSideScrews',
    ]);
    expect(moveOf(new BowLog().settle({ limbLineRod: 3 }))?.title).toBe('Look at the long rod');
  });
});
