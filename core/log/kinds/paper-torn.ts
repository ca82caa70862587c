import { z } from 'zod';
import { ARROW_STATES } from '../../craft/range-terms.ts';
import { entryKind } from './entry-kind.ts';

export const paperTorn = entryKind({
  kind: 'paperTorn',
  schema: z.strictObject({
    kind: z.literal('paperTorn'),
    distanceM: z.number().min(1).max(30),
    outwardMm: z.number().min(-300).max(300),
    upMm: z.number().min(-300).max(300),
    arrow: z.enum(ARROW_STATES),
  }),
  reduce: (draft, body, { id, at, index }) => {
    draft.tears.push({ ...body, entryId: id, index, at });
  },
  words: (body) => `Paper at ${body.distanceM} m`,
});
