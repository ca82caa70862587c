import { z } from 'zod';
import { text } from './parts.ts';
import { entryKind, tellsOnly } from './entry-kind.ts';

export const note = entryKind({
  kind: 'note',
  schema: z.strictObject({
    kind: z.literal('note'),
    text: text.refine((words) => words.trim() !== '', 'is empty'),
  }),
  reduce: tellsOnly,
  words: (body) => body.text,
});
