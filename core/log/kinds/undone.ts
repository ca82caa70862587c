import { z } from 'zod';
import { id, shortText } from './parts.ts';
import { entryKind, tellsOnly } from './entry-kind.ts';

export const undone = entryKind({
  kind: 'undone',
  schema: z.strictObject({
    kind: z.literal('undone'),
    entryId: id,
    why: shortText.optional(),
  }),
  reduce: tellsOnly,
  words: ({ why }) => (why === undefined || why === '' ? 'Taken back' : `Taken back: ${why}`),
});
