import { z } from 'zod';
import { id } from './parts.ts';
import { endNumber } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

export const pictureKept = entryKind({
  kind: 'pictureKept',
  schema: z.strictObject({
    kind: z.literal('pictureKept'),
    sessionId: id,
    pictureId: id,
    endNumber,
  }),
  reduce: ({ sessions }, body) => {
    sessions.get(body.sessionId)?.pictures.push(body);
  },
  words: (body) => `Picture of end ${body.endNumber} kept`,
  references: (body) => [{ what: 'session', id: body.sessionId, role: 'uses' }],
});
