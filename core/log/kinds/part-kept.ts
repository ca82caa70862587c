import { z } from 'zod';
import { cataloguePartSchema } from './catalogue-part.ts';
import { entryKind } from './entry-kind.ts';
import { id, shortText } from './parts.ts';

export const partKept = entryKind({
  kind: 'partKept',
  schema: z.strictObject({
    kind: z.literal('partKept'),
    partId: id,
    name: shortText,
    part: cataloguePartSchema,
  }),
  reduce: ({ catalogue, droppedParts }, { partId, name, part }) => {
    droppedParts.delete(partId);
    catalogue.set(partId, { partId, name, part });
  },
  words: ({ name, part }) => `Part kept: ${part.kind}, ${name}`,
});
