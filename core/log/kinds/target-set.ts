import { z } from 'zod';
import { READING_KINDS } from '../../craft/readings.ts';
import { figure, shortText, text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const targetSet = entryKind({
  kind: 'targetSet',
  schema: z
    .strictObject({
      kind: z.literal('targetSet'),
      reading: z.enum([...READING_KINDS, 'tiller']),
      low: figure,
      high: figure,
      name: shortText,
      why: text,
    })
    .refine(({ low, high }) => low <= high, { message: 'low is above high', path: ['low'] }),
  reduce: (draft, body) => {
    draft.targets.set(body.reading, body);
  },
  words: (body) => `Band set: ${body.name}`,
});
