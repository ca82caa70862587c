import { z } from 'zod';
import { STEP_IDS, stepFacts } from '../../craft/steps.ts';
import { text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const stepConfirmed = entryKind({
  kind: 'stepConfirmed',
  schema: z.strictObject({ kind: z.literal('stepConfirmed'), step: z.enum(STEP_IDS), note: text }),
  reduce: (draft, { step }, { index }) => {
    draft.skipped.delete(step);
    draft.confirmed.set(step, index);
  },
  words: ({ step }) => `${stepFacts(step).name}: checked`,
});
