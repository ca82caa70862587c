import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { foldLog } from './fold.ts';
import { sameLog } from './same-entry.ts';

const made = new BowLog();
made.read('braceHeight', 215);
made.read('braceHeight', 217);
const { log } = made;
const last = log.at(-1)!;
const before = log.slice(0, -1);
/** As the server gives it back: another object, its keys in another order, with its moment and a number. */
const numbered = {
  ...Object.fromEntries(Object.entries(structuredClone(last)).toReversed()),
  taken: { ms: Date.parse(last.at) + 7, device: 'a phone', count: 1 },
  seq: log.length,
} as typeof last;

describe('sameLog', () => {
  it('holds what waited the same as what was stored of it', () => {
    const waited = [...before, { ...last, seq: null }];
    expect(sameLog(waited, [...before, numbered])).toBe(true);
    const { active: _active, ...state } = foldLog(waited)!;
    const { active: _stored, ...stored } = foldLog([...before, numbered])!;
    expect(stored).toEqual(state);
  });

  it('tells apart what folds to something else', () => {
    for (const other of [
      before,
      [...log, { ...last, id: 'another' }],
      [...before, { ...last, by: 'Somebody else' }],
      [...before, { ...last, at: '2031-01-01T00:00:00.000Z' }],
      [...before, { ...last, body: { ...last.body, values: [218] } as typeof last.body }],
      [...before, { ...last, body: { kind: 'note' as const, text: 'something else' } }],
      [last, ...before],
    ])
      expect(sameLog(log, other)).toBe(false);
  });
});
