import { expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { reachTurn } from './reach-turn.ts';

const drift = (mm: number, plusMinusMm: number) => ({ mm, plusMinusMm, call: 'plus' as const });
const turn = (
  off: ReturnType<typeof drift>,
  reachGain: { mean: number; sd: number; changes: number },
  late = false,
) => reachTurn({ drift: off, reachGain, nearestM: 10, farthestM: 30 }, late);

it('goes the way that brings the line in, whatever the sign of either', () => {
  const known = { mean: 2, sd: 0.2, changes: 1 };
  expect(turn(drift(40, 5), known)).toBe(-1);
  expect(turn(drift(-40, 5), known)).toBe(1);
  expect(turn(drift(40, 5), { ...known, mean: -2 })).toBe(1);
  expect(turn(drift(20, 5), known)).toBe(-0.5);
});

it('takes no turn that would pass the mirror image, and none that hardly knows which way', () => {
  // A quarter moves 30 mm: from 10 to −20.
  expect(turn(drift(10, 2), { mean: 6, sd: 0.1, changes: 1 })).toBeNull();
  // The way is right in five of eight only.
  expect(turn(drift(60, 5), { mean: 2, sd: 6, changes: 1 })).toBeNull();
  expect(turn(drift(60, 5), { mean: 2, sd: 6, changes: 1 }, true)).toBeNull();
  // In three of four: only where more shots would not tell.
  expect(turn(drift(60, 5), { mean: 2, sd: 3, changes: 1 })).toBeNull();
  expect(turn(drift(60, 5), { mean: 2, sd: 3, changes: 1 }, true)).not.toBeNull();
  expect(turn(drift(60, 5), { mean: 2, sd: 1.75, changes: 1 })).toBeNull();
});

it('betters the line as often as it says, drawn 4,000 times', () => {
  const normal = standardNormal(seededUniform(71));
  const gain = { mean: 2, sd: 1.2, changes: 1 };
  const size = turn(drift(50, 16), gain)!;
  let [worse, before, after] = [0, 0, 0];
  for (let draw = 0; draw < 4000; draw += 1) {
    const off = 50 + (16 / 1.6449) * normal();
    const then = off + (gain.mean + gain.sd * normal()) * size * 20;
    if (Math.abs(then) > Math.abs(off)) worse += 1;
    before += Math.abs(off);
    after += Math.abs(then);
  }
  expect(worse / 4000).toBeLessThan(0.09);
  expect(after).toBeLessThan(0.6 * before);
});
