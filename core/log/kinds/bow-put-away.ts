import { z } from 'zod';
import { entryKind } from './entry-kind.ts';
import { reason } from './parts.ts';

/** A bow that is not shot for a while, sold, or made by mistake: out of the way, and nothing is lost. */
export const bowPutAway = entryKind({
  kind: 'bowPutAway',
  schema: z.strictObject({
    kind: z.literal('bowPutAway'),
    away: z.boolean(),
    why: reason.optional(),
  }),
  reduce: (draft, { away }) => {
    draft.putAway = away;
  },
  words: ({ away, why }) =>
    `${away ? 'Put away' : 'Taken out again'}${why === undefined ? '' : `: ${why}`}`,
});
