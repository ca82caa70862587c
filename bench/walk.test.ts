import { expect, it } from 'vitest';
import { walkByMoves } from './walk-sim.ts';

const WALKS = 60;

/** The whole bench is `npm run bench:walk`; these are its bounds as far as so few walks can tell. */
it('walks back by next moves: straight said truly, the way of reach never learned wrongly, and an end told', () => {
  const runs = Array.from({ length: WALKS }, (_, index) => walkByMoves(77_001 + index));
  const straight = runs.flatMap(({ driftInTolerances: drift }) => (drift === null ? [] : [drift]));
  const held = runs.flatMap(({ heldLean }) => heldLean);
  const worse = runs.flatMap(({ turnsWorse }) => turnsWorse);
  const share = (list: readonly boolean[]) => list.filter(Boolean).length / list.length;
  expect(straight.length).toBeGreaterThan(0.5 * WALKS);
  expect(share(straight.map((drift) => drift > 1))).toBeLessThanOrEqual(0.1);
  expect(Math.max(...straight)).toBeLessThanOrEqual(1.5);
  expect(share(held)).toBeGreaterThan(0.8);
  expect(share(worse)).toBeLessThanOrEqual(0.2);
  expect(runs.filter(({ signWrong }) => signWrong === true)).toHaveLength(0);
  expect(runs.filter(({ ended }) => ended === 'moves').length).toBeLessThanOrEqual(2);
});
