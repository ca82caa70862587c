import { z } from 'zod';
import { id } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const sessionClosed = entryKind({
  kind: 'sessionClosed',
  schema: z.strictObject({ kind: z.literal('sessionClosed'), sessionId: id }),
  reduce: ({ sessions }, { sessionId }) => {
    const session = sessions.get(sessionId);
    if (session !== undefined) session.closed = true;
  },
  words: () => 'Shooting ended',
  references: (body) => [{ what: 'session', id: body.sessionId, role: 'uses' }],
});
