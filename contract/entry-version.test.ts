import { describe, expect, it } from 'vitest';
import { appendRequestSchema } from './entry.ts';
import { ENTRY_VERSION, NewerEntry, upcastEntry, upcastWith } from './entry-version.ts';

describe('an entry of an earlier form', () => {
  const upcasts = [
    (entry: unknown) => ({ ...(entry as object), colour: 'red' }),
    (entry: unknown) => ({ ...(entry as object), shape: 'round' }),
  ];
  it('goes every step from its own form to that of today, and no other', () => {
    expect(upcastWith(upcasts, { a: 1 }, 1)).toEqual({ a: 1, colour: 'red', shape: 'round' });
    expect(upcastWith(upcasts, { a: 1 }, 2)).toEqual({ a: 1, shape: 'round' });
    expect(upcastWith(upcasts, { a: 1 }, 3)).toEqual({ a: 1 });
  });
  it('of a newer form is not guessed at', () => {
    expect(() => upcastWith(upcasts, {}, 4)).toThrow(NewerEntry);
    expect(() => upcastEntry({}, ENTRY_VERSION + 1)).toThrow(NewerEntry);
    expect(upcastEntry({ a: 1 }, ENTRY_VERSION)).toEqual({ a: 1 });
  });
});

describe('a request', () => {
  const entry = {
    id: '00000000-0000-4000-8000-000000000001',
    bowId: '00000000-0000-4000-8000-000000000002',
    at: '2026-05-01T12:00:00.000Z',
    by: 'Test',
    body: { kind: 'note', text: 'a note' },
  };
  it('without a form is of the first, and every form there was is taken', () => {
    for (const version of [undefined, 1, ENTRY_VERSION])
      expect(appendRequestSchema.parse({ version, entries: [entry] }).entries).toEqual([entry]);
  });
  it('names the place of what is wrong in it', () => {
    const { error } = appendRequestSchema.safeParse({ version: 1, entries: [entry, {}] });
    expect(error?.issues.map(({ path }) => path.join('.'))).toContain('entries.1.id');
    expect(appendRequestSchema.safeParse({ version: 0, entries: [entry] }).success).toBe(false);
  });
});
