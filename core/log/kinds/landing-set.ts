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
  reduce: (draft, body, { at }) => {
    draft.landing = { ...body, at };
  },
  words: () => 'Bare-shaft landing written down',
});
