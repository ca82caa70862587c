import { z } from 'zod';
import { id } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const aimSet = entryKind({
  kind: 'aimSet',
  schema: z.strictObject({ kind: z.literal('aimSet'), sessionId: id }),
  reduce: ({ sessions }, { sessionId }, { index }) => {
    sessions.get(sessionId)?.aimSetAt.push(index);
  },
  words: () => 'Sight or aim set anew',
  references: (body) => [{ what: 'session', id: body.sessionId, role: 'uses' }],
});
