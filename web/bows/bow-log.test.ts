// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { LoggedEntry } from '#core/log/entry.ts';
import { mergeLog } from './bow-log.ts';

const entry = (place: number): LoggedEntry => ({
  id: `entry-${place}`,
  bowId: 'bow',
  at: '2026-01-05T09:00:00.000Z',
  by: 'test',
  body: { kind: 'note', text: 'n' },
  seq: place,
});
const places = (log: readonly LoggedEntry[]) => log.map(({ seq }) => seq);

describe('a log as it grows', () => {
  it('takes what is new behind what is there, and nothing twice', () => {
    expect(places(mergeLog([entry(1), entry(2)], [entry(2), entry(3), entry(3)]))).toEqual([
      1, 2, 3,
    ]);
  });

  it('is the same list when nothing is new, so that nothing is folded anew', () => {
    const known = [entry(1), entry(2)];
    expect(mergeLog(known, [])).toBe(known);
    expect(mergeLog(known, [entry(1)])).toBe(known);
  });

  it('holds each entry once, whatever comes in whatever pieces', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.integer({ min: 0, max: 20 }))), (pieces) => {
        const merged = pieces.reduce<readonly LoggedEntry[]>(
          (log, piece) => mergeLog(log, piece.map(entry)),
          [],
        );
        expect(places(merged)).toEqual([...new Set(pieces.flat())]);
      }),
    );
  });
});
