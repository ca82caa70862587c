import { z } from 'zod';
import { id, shortText } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const blameChecked = entryKind({
  kind: 'blameChecked',
  schema: z.strictObject({
    kind: z.literal('blameChecked'),
    sessionId: id,
    items: z.array(shortText).max(20),
  }),
  reduce: ({ sessions }, { sessionId, items }, { index }) => {
    for (const item of items) {
      sessions.get(sessionId)?.blameChecked.add(item);
      sessions.get(sessionId)?.lookedAt.set(item, index);
    }
  },
  words: () => 'Looked over before blaming',
  references: (body) => [{ what: 'session', id: body.sessionId, role: 'uses' }],
});
