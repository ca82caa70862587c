import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { targetFor } from './targets.ts';
import { backUpOf } from './back-up.ts';

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
