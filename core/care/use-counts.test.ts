import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { countUse } from './use-counts.ts';

it('shots and string-offs are counted per bow, string and day; a move is one string-off', () => {
  const log = new BowLog();
  log.add({ kind: 'shotsFired', count: 30, note: '' });
  log.change('twists', 2, 'move-1');
  log.change('topBolt', 0.25, 'move-1');
  log.change('nockingPoint', 1);
  log.wait(24);
  log.fitString('second');
  const session = log.open();
  log.shots(session, 1, 'fletched', [
    [0, 0],
    [1, 1],
  ]);
  const wrong = log.change('twists', 1);
  log.undo(wrong);
  log.change('twists', -1);
  const { inAll, perString, perDay } = countUse(log.state);
  expect(inAll).toEqual({ shots: 32, stringOffs: 3 });
  expect([...perString.values()]).toEqual([
    { shots: 30, stringOffs: 1 },
    { shots: 2, stringOffs: 2 },
  ]);
  expect([...perDay]).toEqual([
    ['2026-01-05', { shots: 30, stringOffs: 1 }],
    ['2026-01-06', { shots: 2, stringOffs: 2 }],
  ]);
  // The fold counts the same shots.
  expect(log.state.shotsInAll).toBe(32);
});
