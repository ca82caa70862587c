import { z } from 'zod';
import { id, text } from './parts.ts';
import { entryKind, tellsOnly } from './entry-kind.ts';

/** More belong to a note of their own. */
const MOST_PICTURES = 6;

export const note = entryKind({
  kind: 'note',
  schema: z.strictObject({
    kind: z.literal('note'),
    text: text.refine((words) => words.trim() !== '', 'is empty'),
    pictureIds: z.array(id).min(1).max(MOST_PICTURES).optional(),
  }),
  reduce: tellsOnly,
  words: (body) => body.text,
});
