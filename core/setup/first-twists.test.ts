import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { planSetup } from './plan-setup.ts';
import { setupDecision } from './setup-decision.ts';

it('takes no more twists at first than a string that answers eight times as usual may have', () => {
  const log = new BowLog({ maker: { braceMinMm: 212, braceMaxMm: 228, boltTravelTurns: 3 } });
  log.settle({ braceHeight: 214.6 });
  log.add({ kind: 'targetSet', reading: 'braceHeight', low: 218, high: 222, name: 'own', why: '' });
  const decision = setupDecision(planSetup(log.state));
  if (decision.kind !== 'move') throw new Error(decision.kind);
  const twists = decision.option.changes.find(({ control }) => control === 'twists')?.amount ?? 0;
  // A twist gives 0.8 mm, and one of a hundred thousand strings gives e^(4.26 · 0.5) = 8.4 times that:
  // 6.7 mm, of which 13.4 mm to the limit hold two.
  expect(twists).toBeGreaterThan(0);
  expect(twists).toBeLessThanOrEqual(2);
});
