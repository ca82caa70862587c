import { z } from 'zod';
import { CONTROL_FACTS, CONTROLS } from '../../craft/controls.ts';
import { lowerFirst } from '../../craft/letter-case.ts';
import { openExperiment } from '../range-records.ts';
import { id, reason } from './parts.ts';
import { distanceM } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

export const experimentOpened = entryKind({
  kind: 'experimentOpened',
  schema: z
    .strictObject({
      kind: z.literal('experimentOpened'),
      experimentId: id,
      control: z.enum(CONTROLS),
      opposed: z.boolean().optional(),
      low: z.number().min(-200).max(0),
      high: z.number().min(0).max(200),
      step: z.number().positive().max(50),
      distanceM,
      shotsADay: z.int().min(6).max(500),
      despite: reason.optional(),
    })
    .refine(({ control, opposed }) => opposed !== true || control === 'topBolt', {
      message: 'only bolts are turned against each other; name the top one',
      path: ['opposed'],
    })
    .refine(({ low, high, step }) => high - low >= step, {
      message: 'at least two settings are needed',
      path: ['step'],
    }),
  reduce: (draft, body, place) => {
    draft.experiments.push(openExperiment(place, body, draft.moved.get(body.control) ?? 0));
  },
  words: ({ control, opposed }) =>
    `Fine tuning of ${opposed === true ? 'tiller' : lowerFirst(CONTROL_FACTS[control].name)}`,
  references: ({ experimentId }) => [{ what: 'experiment', id: experimentId, role: 'makes' }],
});
