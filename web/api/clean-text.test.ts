import fc from 'fast-check';
import { expect, it } from 'vitest';
import { entrySchema } from '#contract/entry.ts';
import { cleanTexts } from './clean-text.ts';

it('takes out what a paste may bring and the record does not take, and nothing else', () => {
  expect(cleanTexts({ kind: 'note', text: ' a\u0000b\u001f \ud800 ' })).toEqual({
    kind: 'note',
    text: 'a b  \ufffd',
  });
  expect(cleanTexts(['line\nline\tend', 4, null, true, undefined])).toEqual([
    'line\nline\tend',
    4,
    null,
    true,
    undefined,
  ]);
});

it('makes any note into one that is stored as it is sent', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => {
      const words = cleanTexts(text);
      const entry = {
        id: '00000000-0000-4000-8000-000000000001',
        bowId: '00000000-0000-4000-8000-000000000002',
        at: '2026-05-01T12:00:00.000Z',
        by: 'Test',
        body: { kind: 'note', text: words },
      };
      const read = entrySchema.safeParse(entry);
      expect(read.success).toBe(words !== '');
      if (read.success) expect(read.data).toEqual(entry);
    }),
  );
});
