import { z } from 'zod';
import { id } from './parts.ts';
import { entryKind, tellsOnly } from './entry-kind.ts';

export const undone = entryKind({
  kind: 'undone',
  schema: z.strictObject({ kind: z.literal('undone'), entryId: id }),
  reduce: tellsOnly,
  words: () => 'Taken back',
});
