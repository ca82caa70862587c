import { z } from 'zod';
import { CHECKLIST_TITLE, CHECKLISTS } from '../../craft/checklists.ts';
import { shortText } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const listTicked = entryKind({
  kind: 'listTicked',
  schema: z.strictObject({
    kind: z.literal('listTicked'),
    list: z.enum(CHECKLISTS),
    items: z.array(shortText).max(60),
  }),
  reduce: (draft, { list, items }) => {
    draft.ticked.set(list, new Set(items));
  },
  words: ({ list }) => `${CHECKLIST_TITLE[list]} gone through`,
});
