import { expect, it } from 'vitest';
import type { LoggedEntry, EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { dayTally, tallyWords } from './day-tally.ts';

const NOW = new Date(2026, 4, 10, 15);

function day(...bodies: readonly EntryBody[]): BowState {
  const active = bodies.map(
    (body, index): LoggedEntry => ({
      id: String(index),
      bowId: 'b',
      by: 't',
      seq: index,
      body,
      at: new Date(2026, 4, 10, 10, index).toISOString(),
    }),
  );
  return { active } as Partial<BowState> as BowState;
}
const change = (control: 'twists' | 'topBolt' | 'plungerReach'): EntryBody => ({
  kind: 'change',
  control,
  amount: 1,
  because: '',
});
const shots: EntryBody = { kind: 'shotsFired', count: 30, note: '' };

it('counts what is turned in one unstringing once', () => {
  expect(dayTally(day(change('twists'), change('topBolt'), shots, change('twists')), NOW)).toEqual({
    stringOffs: 2,
    shots: 30,
  });
  expect(dayTally(day(change('plungerReach')), NOW).stringOffs).toBe(0);
});

it('leaves out other days, and warns when the day grows long', () => {
  const yesterday = new Date(2026, 4, 11, 15);
  expect(dayTally(day(shots), yesterday)).toEqual({ stringOffs: 0, shots: 0 });
  expect(tallyWords({ stringOffs: 1, shots: 120 })).toMatch(
    /^1 string-off today, 120 shots. A long day/,
  );
});
