import { z } from 'zod';
import { STEP_IDS, stepFacts } from '../../craft/steps.ts';
import { shortText } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const stepSkipped = entryKind({
  kind: 'stepSkipped',
  schema: z.strictObject({
    kind: z.literal('stepSkipped'),
    step: z.enum(STEP_IDS),
    why: shortText,
  }),
  reduce: (draft, { step, why }, { index }) => {
    draft.skipped.set(step, { why, index });
  },
  words: ({ step, why }) => `${stepFacts(step).name} skipped: ${why}`,
});
