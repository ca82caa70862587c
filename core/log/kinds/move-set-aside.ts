import { z } from 'zod';
import { shortText, text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const moveSetAside = entryKind({
  kind: 'moveSetAside',
  schema: z.strictObject({ kind: z.literal('moveSetAside'), moveKey: shortText, title: text }),
  reduce: (draft, { moveKey }, { at }) => {
    draft.setAside.push({ moveKey, at });
  },
  words: ({ title }) => `Set aside: ${title}`,
});
