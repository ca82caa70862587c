import { z } from 'zod';
import { amendExperiment } from '../range-records.ts';
import { id } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const experimentNarrowed = entryKind({
  kind: 'experimentNarrowed',
  schema: z.strictObject({
    kind: z.literal('experimentNarrowed'),
    experimentId: id,
    best: z.number().min(-200).max(200),
    other: z.number().min(-200).max(200),
  }),
  reduce: ({ experiments }, body, { index }) => {
    amendExperiment(experiments, body.experimentId, { narrowed: { ...body, index } });
  },
  words: () => 'Best two, side by side',
  references: ({ experimentId }) => [{ what: 'experiment', id: experimentId, role: 'uses' }],
});
