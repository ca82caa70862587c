import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import type { BowFacts } from '../log/entry.ts';
import { planSetup } from './plan-setup.ts';
import { checkChanges } from '../limits/check-proposal.ts';

const WEIGHT = 34 * N_PER_LBF;

/** A bow read at these values, with bands as wide as the bench tolerances around the wanted ones. */
function bowAt(
  at: { brace: number; tiller: number; weight: number },
  wanted: { brace: number; tiller: number; weight: number },
  facts: Partial<BowFacts> = {},
): BowLog {
  const log = new BowLog(facts);
  const band = (reading: 'braceHeight' | 'tiller' | 'drawWeight', middle: number, half: number) =>
    log.add({
      kind: 'targetSet',
      reading,
      low: middle - half,
      high: middle + half,
      name: 'wanted',
      why: '',
    });
  band('braceHeight', wanted.brace, 2);
  band('tiller', wanted.tiller, 2);
  band('drawWeight', wanted.weight, 0.5 * N_PER_LBF);
  log.read('braceHeight', at.brace, at.brace, at.brace);
  log.read('tillerTop', 178 + at.tiller, 178 + at.tiller, 178 + at.tiller);
  log.read('tillerBottom', 178, 178, 178);
  log.read('drawWeight', at.weight, at.weight, at.weight);
  return log;
}
const amounts = (log: BowLog) =>
  new Map(planSetup(log.state).best?.changes.map(({ control, amount }) => [control, amount]));

describe('planSetup', () => {
  it('turns bolts opposite ways for tiller at constant weight, though nothing says so', () => {
    const here = { brace: 216, tiller: 0, weight: WEIGHT };
    const moves = amounts(bowAt(here, { ...here, tiller: 5 }));
    expect(moves.get('topBolt')).toBeLessThan(0);
    expect(moves.get('bottomBolt')).toBe(-(moves.get('topBolt') ?? 0));
    expect(moves.has('twists')).toBe(false);
  });

  it('turns both in for weight, and takes the brace they cost back by twists when it matters', () => {
    const here = { brace: 216, tiller: 4, weight: WEIGHT };
    const moves = amounts(bowAt(here, { ...here, weight: WEIGHT + 0.9 * N_PER_LBF }));
    expect(moves.get('topBolt')).toBeGreaterThan(0);
    expect(moves.get('bottomBolt')).toBeGreaterThan(0);
  });

  it('leaves a bow alone that is in band', () => {
    const here = { brace: 216, tiller: 4, weight: WEIGHT };
    expect(planSetup(bowAt(here, here).state).best).toBeNull();
  });

  it('moves everything in one unstringing when all three are out', () => {
    const log = bowAt(
      { brace: 213, tiller: -1, weight: WEIGHT },
      { brace: 217, tiller: 4, weight: WEIGHT + 0.8 * N_PER_LBF },
    );
    const plan = planSetup(log.state);
    expect(amounts(log).get('twists')).toBeGreaterThan(0);
    expect(amounts(log).size).toBeGreaterThan(1);
    expect(plan.best?.expected.size).toBe(3);
    expect(plan.runnerUp?.changes).not.toEqual(plan.best?.changes);
  });

  it('has nothing but twists for a bow off the shelf', () => {
    const log = bowAt(
      { brace: 212, tiller: 9, weight: WEIGHT },
      { brace: 217, tiller: 0, weight: WEIGHT },
      { school: 'shelfTarget' },
    );
    expect([...amounts(log).keys()]).toEqual(['twists']);
  });

  it('never proposes what the limits refuse, wherever bolts and twists stand', () => {
    const mm = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
    fc.assert(
      fc.property(
        mm(206, 226),
        mm(-10, 14),
        mm(-3, 3),
        fc.integer({ min: 0, max: 24 }),
        fc.integer({ min: 16, max: 49 }),
        (brace, tiller, pounds, eighths, twists) => {
          const log = bowAt(
            { brace, tiller, weight: WEIGHT + pounds * N_PER_LBF },
            { brace: 216, tiller: 4, weight: WEIGHT },
            { boltTurnsOutAtStart: eighths / 8, twistsAtStart: twists },
          );
          for (const option of [planSetup(log.state).best, planSetup(log.state).runnerUp]) {
            expect(checkChanges(log.state, option?.changes ?? [])).toBeNull();
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});
