import { z } from 'zod';
import { text } from './parts.ts';
import { buttMm } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

export const landingSet = entryKind({
  kind: 'landingSet',
  schema: z.strictObject({
    kind: z.literal('landingSet'),
    outwardMm: buttMm,
    upMm: buttMm,
    why: text,
  }),
  reduce: (draft, body, { at, index }) => {
    draft.landing = { ...body, at, index };
  },
  words: () => 'Bare-shaft landing written down',
});
