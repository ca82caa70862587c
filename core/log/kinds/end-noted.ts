import { z } from 'zod';
import { CONTACT_MARKS, LIGHTS, WINDS } from '../../craft/range-terms.ts';
import { noteEnd } from '../shooting.ts';
import { id, name } from './parts.ts';
import { endNumber } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

const wayOrStraight = z.union([z.literal(-1), z.literal(0), z.literal(1)]);

export const endNoted = entryKind({
  kind: 'endNoted',
  schema: z.strictObject({
    kind: z.literal('endNoted'),
    sessionId: id,
    endNumber,
    marks: z.enum(CONTACT_MARKS).optional(),
    flight: z
      .strictObject({ outward: wayOrStraight.optional(), up: wayOrStraight.optional() })
      .optional(),
    wind: z.enum(WINDS).optional(),
    light: z.enum(LIGHTS).optional(),
    tired: z.boolean().optional(),
    steady: z.int().min(1).max(5).optional(),
    aimSet: z.number().min(-3000).max(3000).optional(),
    arrowBuild: name.optional(),
  }),
  reduce: (draft, body) => {
    noteEnd(draft.sessions.get(body.sessionId), body);
  },
  words: (body) => `End ${body.endNumber} noted`,
  references: (body) => [{ what: 'session', id: body.sessionId, role: 'uses' }],
});
