import { z } from 'zod';
import { instant, shortText } from './parts.ts';
import { entryKind } from './entry-kind.ts';

/** A moment of this bow under a name: `indoor, March, 285`. */
export const stateNamed = entryKind({
  kind: 'stateNamed',
  schema: z.strictObject({
    kind: z.literal('stateNamed'),
    name: shortText,
    /** The bow as it was with everything taken by then. */
    moment: instant,
  }),
  reduce: (draft, { name, moment }, { id, by }) => {
    draft.namedStates.push({ entryId: id, name, moment, by });
  },
  words: ({ name }) => `Named: ${name}`,
});
