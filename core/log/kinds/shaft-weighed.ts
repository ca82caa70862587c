import { z } from 'zod';
import { showNumber } from '../../quantity/show.ts';
import { fromStored } from '../../quantity/units.ts';
import { entryKind } from './entry-kind.ts';
import { positive } from './parts.ts';
import { arrowNumber } from './range-parts.ts';

export const shaftWeighed = entryKind({
  kind: 'shaftWeighed',
  schema: z.strictObject({
    kind: z.literal('shaftWeighed'),
    arrowNumber,
    massG: positive.max(200),
  }),
  reduce: ({ bow, weighedShafts }, { arrowNumber: number, massG }, { at }) => {
    weighedShafts.set(number, { massG, at, buildId: bow.arrow?.build?.buildId ?? null });
  },
  words: ({ arrowNumber: number, massG }) =>
    `Shaft ${number} weighs ${showNumber(fromStored(massG, 'gr'), 0)} gr`,
});
