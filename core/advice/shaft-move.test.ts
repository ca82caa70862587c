import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { stepsFor } from '../craft/steps.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import type { School } from '../craft/bow-terms.ts';

/** A bow with every step settled but the arrow, which is not written down. */
function withoutArrow(school: School, weightLb: number | null, drawMm: number | undefined): BowLog {
  const log = new BowLog({
    school,
    purpose: school === 'shelfHunting' ? 'hunting' : 'target',
    amoDrawMm: drawMm,
    ...(weightLb === null ? { maker: {} } : {}),
  });
  for (const { id, clearing } of stepsFor(school)) {
    if (id === 'restAndPlunger' || id === 'nockingPoint') break;
    if (clearing.by === 'confirmation') log.add({ kind: 'stepConfirmed', step: id, note: '' });
    else log.add({ kind: 'stepSkipped', step: id, why: '' });
  }
  if (weightLb !== null) log.read('drawWeight', weightLb * N_PER_LBF, weightLb * N_PER_LBF);
  return log;
}
const moveOf = (log: BowLog) => spokenMove(log.state, log.nowMs);

describe('a bow without an arrow', () => {
  it('is told which shaft before rest and nocking point are set to its thickness', () => {
    for (const [school, step] of [
      ['sighted', 'restAndPlunger'],
      ['barebow', 'restAndPlunger'],
      ['shelfTarget', 'nockingPoint'],
      ['shelfHunting', 'nockingPoint'],
    ] as const) {
      const move = moveOf(withoutArrow(school, 40, 711));
      expect(move).toMatchObject({ step, action: { kind: 'openArrows', sheet: 'buy' } });
      expect(move?.title).toMatch(/^Choose a shaft: spine \d+, left long$/);
      expect(move?.caution).toBe('shaftLength');
    }
  });

  it('has its draw measured first where nobody has: nothing is recommended by guess', () => {
    const move = moveOf(withoutArrow('shelfHunting', 40, undefined));
    expect(move).toMatchObject({ action: { kind: 'enterReading', entryText: 'dl ' } });
    expect(move?.why).toContain('falls behind the rest');
  });

  it('is not asked for a weight that was passed over for want of a scale', () => {
    const move = moveOf(withoutArrow('shelfHunting', null, 711));
    expect(move?.action).not.toMatchObject({ entryText: 'w ' });
    expect(move?.key).not.toMatch(/^shaft:/);
  });

  it('is sent to the maker’s chart where the table ends', () => {
    const move = moveOf(withoutArrow('sighted', 75, 711));
    expect(move?.action.kind).toBe('openArrows');
    expect(move?.expect).toMatch(/^7[456] lb on the fingers is outside/);
  });
});
