import { expect, it } from 'vitest';
import { bareShaftBow } from '../fixtures/bow-log.ts';
import { spentControls } from './spent-controls.ts';

const whyOf = (outwardMm: number, preloadTurns: number) => {
  const log = bareShaftBow(outwardMm, 0);
  const { state } = log;
  const turned = { ...state, moved: new Map([['plungerPreload', preloadTurns] as const]) };
  return spentControls(turned, state.sessions.at(-1)!, 'bareShaftOutward').find(
    ({ control }) => control === 'plungerPreload',
  );
};

it('a control is at its limit only when it can go no farther toward the target', () => {
  expect(whyOf(-90, 2)).toEqual({ control: 'plungerPreload', movedBy: 2, why: 'atLimit' });
  expect(whyOf(90, 2)?.why).toBe('notProposed');
  expect(whyOf(90, -2)?.why).toBe('atLimit');
  expect(whyOf(-90, -2)?.why).toBe('notProposed');
});

it('bolts nobody counted are unknown, not spent', () => {
  const { state } = bareShaftBow(-90, 0, { boltTurnsOutAtStart: undefined });
  const found = spentControls(state, state.sessions.at(-1)!, 'bareShaftOutward');
  expect(found.find(({ control }) => control === 'topBolt')?.why).toBe('unknown');
});
