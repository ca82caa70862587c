import { z } from 'zod';
import { ARROW_STATES } from '../../craft/range-terms.ts';
import { amendShot } from '../shooting.ts';
import { id } from './parts.ts';
import { arrowNumber, attitude, buttMm } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

export const shotAmended = entryKind({
  kind: 'shotAmended',
  schema: z.strictObject({
    kind: z.literal('shotAmended'),
    shotId: id,
    arrow: z.enum(ARROW_STATES).optional(),
    outwardMm: buttMm.optional(),
    upMm: buttMm.optional(),
    calledBad: z.boolean().optional(),
    attitude: attitude.optional(),
    arrowNumber: arrowNumber.optional(),
  }),
  reduce: (draft, body) => {
    amendShot(draft.shotPlaces.get(body.shotId), body);
  },
  words: ({ calledBad }) => {
    if (calledBad === undefined) return 'Shot corrected';
    return calledBad ? 'Shot called bad' : 'Shot counted again';
  },
  references: ({ shotId }) => [{ what: 'shot', id: shotId, role: 'uses' }],
});
