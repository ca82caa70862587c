import { z } from 'zod';
import { entryKind } from './entry-kind.ts';
import { id } from './parts.ts';

export const partDropped = entryKind({
  kind: 'partDropped',
  schema: z.strictObject({ kind: z.literal('partDropped'), partId: id }),
  reduce: ({ catalogue, droppedParts }, { partId }) => {
    catalogue.delete(partId);
    droppedParts.add(partId);
  },
  words: () => 'A part taken out of the catalogue',
});
