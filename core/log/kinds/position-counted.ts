import { z } from 'zod';
import { CONTROL_FACTS } from '../../craft/controls.ts';
import { showTurns } from '../../quantity/show.ts';
import { COUNTED_CONTROLS } from '../entry.ts';
import { entryKind } from './entry-kind.ts';

export const positionCounted = entryKind({
  kind: 'positionCounted',
  schema: z.strictObject({
    kind: z.literal('positionCounted'),
    control: z.enum(COUNTED_CONTROLS),
    value: z.number().min(0).max(90),
  }),
  reduce: (draft, { control, value }) => {
    if (control === 'twists') draft.strings.countTwists(value);
    else draft.bolts.count(control, value);
  },
  words: ({ control, value }) =>
    control === 'twists'
      ? `${value} twists counted`
      : `${CONTROL_FACTS[control].name} ${showTurns(value)} out`,
});
