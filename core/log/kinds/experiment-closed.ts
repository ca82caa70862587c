import { z } from 'zod';
import { amendExperiment } from '../range-records.ts';
import { id, text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const experimentClosed = entryKind({
  kind: 'experimentClosed',
  schema: z.strictObject({ kind: z.literal('experimentClosed'), experimentId: id, why: text }),
  reduce: ({ experiments }, { experimentId, why }, { index }) => {
    amendExperiment(experiments, experimentId, { closedWhy: why, closedIndex: index });
  },
  words: () => 'Fine tuning ended',
  references: ({ experimentId }) => [{ what: 'experiment', id: experimentId, role: 'uses' }],
});
