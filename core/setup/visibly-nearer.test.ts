import { describe, expect, it } from 'vitest';
import { setupMove } from '../advice/setup-moves.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { effectOn } from '../gains/present-reading.ts';
import { beyondBand, presentTargetValue, stepStates } from '../order/step-states.ts';
import { seededUniform } from '../numeric/random.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { planSetup } from './plan-setup.ts';
import type { SetupGoal } from './setup-goals.ts';

function moveOf(log: BowLog) {
  const status = stepStates(log.state).find(({ step }) => step.id === 'drawWeight');
  if (status === undefined) throw new Error('no draw weight');
  return setupMove(log.state, status);
}

/** A bow whose weight, brace and tiller stand anywhere, with bolts anywhere in their travel. */
function anyBow(seed: number): BowLog {
  const uniform = seededUniform(seed);
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const out = Math.round(between(0, 24)) / 8;
  const log = new BowLog({ boltTurnsOutAtStart: out, twistsAtStart: Math.round(between(15, 45)) });
  log.settle({
    braceHeight: between(205, 230),
    tillerTop: between(175, 190),
    tillerBottom: between(175, 190),
    drawWeight: between(26, 42) * N_PER_LBF,
  });
  return log;
}

describe('a move of twists and bolts', () => {
  it('brings a reading visibly nearer to its band, or makes it surer that all are in', () => {
    let moves = 0;
    let none = 0;
    for (let seed = 1; seed <= 120; seed += 1) {
      const { state } = anyBow(seed);
      const move = moveOf(anyBow(seed));
      if (move?.action.kind !== 'change') {
        none += 1;
        continue;
      }
      moves += 1;
      const amounts = new Map(move.action.changes.map(({ control, amount }) => [control, amount]));
      const shift = (goal: SetupGoal) =>
        goal.id === 'tiller'
          ? effectOn(state, 'tillerTop', amounts).shift -
            effectOn(state, 'tillerBottom', amounts).shift
          : effectOn(state, goal.id, amounts).shift;
      const nearer = planSetup(state).goals.map((goal) => {
        const now = presentTargetValue(state, goal.id) ?? Number.NaN;
        const before = Math.abs(beyondBand(now, goal));
        return (before - Math.abs(beyondBand(now + shift(goal), goal))) / goal.scale;
      });
      const { best, chanceNow } = planSetup(state);
      // Or it makes it surer that all are in: a reading in its band by a hair may be out of it.
      const surer = (best?.chance ?? 0) - chanceNow;
      expect(Math.max(...nearer) > 0.05 || surer >= 0.08, `seed ${seed}`).toBe(true);
    }
    expect(moves).toBeGreaterThan(60);
    expect(none).toBeGreaterThan(0);
  });

  it('is none where only twists are left and the weight is out: they do not move it', () => {
    const log = new BowLog({ boltTurnsOutAtStart: 0, twistsAtStart: 26 });
    log.settle({ drawWeight: 24 * N_PER_LBF });
    expect(moveOf(log)?.action.kind).not.toBe('change');
  });
});
