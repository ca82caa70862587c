import { z } from 'zod';
import { text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const shotsFired = entryKind({
  kind: 'shotsFired',
  schema: z.strictObject({
    kind: z.literal('shotsFired'),
    count: z.int().min(1).max(1000),
    note: text,
  }),
  reduce: (draft, { count }, { at }) => {
    draft.shoot(count, at);
  },
  words: ({ count }) => `${count} shots`,
});
