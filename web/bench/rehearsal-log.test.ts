import { expect, it } from 'vitest';
import { entrySchema } from '#contract/entry.ts';
import { READING_KINDS } from '#core/craft/readings.ts';
import { foldLog } from '#core/log/fold.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { rehearsalLog } from './rehearsal-log.ts';

it('the record that is rehearsed with holds every reading and asks for a move, as a real one does', () => {
  const log = rehearsalLog();
  const state = foldLog(log);
  expect([...(state?.readings.keys() ?? [])].toSorted()).toEqual(READING_KINDS.toSorted());
  expect(state && nextMove(state, 0)).not.toBeNull();
  // Each body could have been logged: only ids and names are none.
  for (const { body } of log.slice(1))
    expect(entrySchema.shape.body.safeParse(body).success, body.kind).toBe(true);
});
