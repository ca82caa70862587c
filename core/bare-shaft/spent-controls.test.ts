import { expect, it } from 'vitest';
import { bareShaftBow, BowLog } from '../fixtures/bow-log.ts';
import { roomLeft } from './control-room.ts';
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

it('says how far each may still go: the locator by its height, the saw by what is safe, others by what is usual', () => {
  const log = bareShaftBow(-40, 0, {});
  const room = (control: Parameters<typeof roomLeft>[1], inAll = 2) =>
    roomLeft(log.state, control, inAll);
  expect(room('plungerPreload')).toEqual({ up: 2, down: 2 });
  log.change('plungerPreload', 0.5);
  expect(room('plungerPreload')).toEqual({ up: 1.5, down: 2.5 });
  // A shaft may lose what is safe, and never grows; one nobody measured loses nothing.
  expect(room('shaftCut', Infinity)).toEqual({ up: 43, down: 0 });
  expect(roomLeft(new BowLog().state, 'shaftCut', Infinity)).toEqual({ up: 0, down: 0 });
  log.settle({ nockingHeight: 6 });
  expect(room('nockingPoint', 99).up + room('nockingPoint', 99).down).toBeLessThan(99);
});

it('bolts nobody counted are unknown, not spent', () => {
  const { state } = bareShaftBow(-90, 0, { boltTurnsOutAtStart: undefined });
  const found = spentControls(state, state.sessions.at(-1)!, 'bareShaftOutward');
  expect(found.find(({ control }) => control === 'topBolt')?.why).toBe('unknown');
});
