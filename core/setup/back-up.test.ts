import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { targetFor } from './targets.ts';
import { sinceUpsetWords } from '../words/since-words.ts';
import { backUpOf } from './back-up.ts';
import { firstBowChanged } from './first-bow-changed.ts';

it('makes the first bow’s readings the bands of the second, nothing counted carried over', () => {
  const first = new BowLog({ name: 'First' }).settle({ braceHeight: 217.5, tillerTop: 181 });
  const second = new BowLog();
  const [made, ...targets] = backUpOf(first.state, 'Second');
  if (made?.kind !== 'bowMade') throw new Error('no bow');
  second.log.length = 0;
  second.add(made);
  for (const body of targets) second.add(body);
  const { state } = second;
  expect(state.bow).toMatchObject({
    name: 'Second',
    backupOf: 'bow',
    inParts: true,
    hand: 'right',
  });
  expect(state.positions).toEqual({
    twists: null,
    topBoltTurnsOut: null,
    bottomBoltTurnsOut: null,
  });
  const brace = targetFor(state, 'braceHeight')!;
  const own = state.targets.get('braceHeight')!;
  expect((own.low + own.high) / 2).toBeCloseTo(217.5, 6);
  // Its string is new, and set above until it has crept.
  expect(brace.place).toBeGreaterThan(217.5);
  expect(brace.limit?.source).toBe('maker');
  const tiller = targetFor(state, 'tiller')!;
  expect((tiller.low + tiller.high) / 2).toBeCloseTo(5.5, 6);
});

it('begins with the landing the first bow was tuned to, where it has one', () => {
  const first = new BowLog({ name: 'First' });
  const landings = () =>
    backUpOf(first.state, 'Second').filter(({ kind }) => kind === 'landingSet');
  expect(landings()).toEqual([]);
  first.add({ kind: 'landingSet', outwardMm: -12, upMm: -40, why: '' });
  expect(landings()).toEqual([{ kind: 'landingSet', outwardMm: -12, upMm: -40, why: 'as First' }]);
});

it('hears of what was moved on the first bow until something was moved on its own', () => {
  const first = new BowLog({ name: 'First' });
  first.change('twists', 1);
  const second = new BowLog({ name: 'Second' });
  second.wait(1);
  // Both logs begin at one moment: what the first bow did before is known to it.
  second.change('twists', 1);
  expect(firstBowChanged(first.state, second.state)).toBeNull();
  first.wait(2);
  first.change('twists', 2);
  first.change('nockingPoint', -1);
  const heard = firstBowChanged(first.state, second.state)!;
  expect(sinceUpsetWords(heard.since)).toMatch(/twists.*nocking/i);
  second.wait(2);
  second.change('twists', 2);
  expect(firstBowChanged(first.state, second.state)).toBeNull();
});
