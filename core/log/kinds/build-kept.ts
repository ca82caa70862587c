import { z } from 'zod';
import { arrowBuildSchema } from './arrow-parts.ts';
import { entryKind } from './entry-kind.ts';
import { id, shortText } from './parts.ts';

export const buildKept = entryKind({
  kind: 'buildKept',
  schema: z.strictObject({
    kind: z.literal('buildKept'),
    buildId: id,
    name: shortText,
    parts: arrowBuildSchema,
  }),
  reduce: (draft, { buildId, name, parts }, place) => {
    draft.builds.keep(buildId, { name, parts }, place);
  },
  words: ({ name }) => `Arrow kept: ${name}`,
});
