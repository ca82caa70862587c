import { z } from 'zod';
import { division } from './fact-parts.ts';
import { entryKind } from './entry-kind.ts';

export const unitsSet = entryKind({
  kind: 'unitsSet',
  schema: z.strictObject({
    kind: z.literal('unitsSet'),
    lengthUnit: z.enum(['in', 'mm']),
    division,
  }),
  reduce: (draft, { lengthUnit, division: finest }) => {
    draft.bow = { ...draft.bow, lengthUnit, division: finest };
  },
  words: ({ lengthUnit }) => `Shown in ${lengthUnit === 'in' ? 'inches' : 'millimetres'}`,
});
