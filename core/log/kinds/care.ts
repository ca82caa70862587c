import { z } from 'zod';
import { CARE_FACTS, CARE_JOBS } from '../../craft/care-jobs.ts';
import { name } from './parts.ts';
import { entryKind } from './entry-kind.ts';

/** Care that was given. */
export const careDone = entryKind({
  kind: 'careDone',
  schema: z.strictObject({
    kind: z.literal('careDone'),
    job: z.enum(CARE_JOBS),
    found: name.optional(),
  }),
  reduce: (draft, { job }, { at }) => {
    draft.careDone.set(job, { at, shots: draft.shotsInAll });
  },
  words: ({ job, found }) =>
    found === undefined || found === ''
      ? CARE_FACTS[job].name
      : `${CARE_FACTS[job].name}: ${found}`,
});

/** How often care is due on this bow, where that is other than usual. */
export const careSet = entryKind({
  kind: 'careSet',
  schema: z.strictObject({
    kind: z.literal('careSet'),
    job: z.enum(CARE_JOBS),
    days: z.int().min(1).max(3650).nullable(),
    shots: z.int().min(1).max(100_000).nullable(),
  }),
  reduce: (draft, { job, days, shots }) => {
    draft.careIntervals.set(job, { days, shots });
  },
  words: ({ job, days, shots }) => {
    const after = [
      days === null ? '' : `${days} days`,
      shots === null ? '' : `${shots} shots`,
    ].filter((part) => part !== '');
    return `${CARE_FACTS[job].name}: ${after.length === 0 ? 'never due' : `after ${after.join(' or ')}`}`;
  },
});
