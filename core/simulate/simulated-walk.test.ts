import { expect, it } from 'vitest';
import { seededUniform } from '../numeric/random.ts';
import { drawWalk, simulateWalk, type WalkOutcome } from './simulated-walk.ts';

const WALKS = 2000;
const SEED = 7001;

it('sends an arrow off the butt in at most 5 of 1,000 walks, sights 40 cm off and poor archers among them', () => {
  const uniform = seededUniform(SEED);
  const outcomes: WalkOutcome[] = [];
  for (let walk = 0; walk < WALKS; walk += 1)
    outcomes.push(simulateWalk(drawWalk(uniform), SEED + walk));
  const share = (holds: (outcome: WalkOutcome) => boolean) => outcomes.filter(holds).length / WALKS;
  const off = share((one) => one.off > 0);
  const reached = share((one) => new Set(one.distances.filter((m) => m >= 10)).size >= 2);
  console.log(
    `walk-back, ${WALKS} walks (seed ${SEED}): an arrow off the butt in ${(100 * off).toFixed(2)} %, two distances and more in ${(100 * reached).toFixed(0)} %, too small a butt in ${(100 * share(({ ended }) => ended === 'buttTooSmall')).toFixed(0)} %, speed questioned in ${(100 * share(({ ended }) => ended === 'questionSpeed')).toFixed(1)} %`,
  );
  expect(off).toBeLessThanOrEqual(0.005);
  expect(reached).toBeGreaterThan(0.4);
  expect(share(({ ended }) => ended === 'tired')).toBeLessThan(0.02);
});
