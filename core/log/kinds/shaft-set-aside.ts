import { z } from 'zod';
import { ARROW_STATES } from '../../craft/range-terms.ts';
import { setShaftAside } from '../shooting.ts';
import { entryKind } from './entry-kind.ts';
import { id } from './parts.ts';
import { arrowNumber } from './range-parts.ts';

export const shaftSetAside = entryKind({
  kind: 'shaftSetAside',
  schema: z.strictObject({
    kind: z.literal('shaftSetAside'),
    sessionId: id,
    arrow: z.enum(ARROW_STATES),
    arrowNumber,
    aside: z.boolean(),
  }),
  reduce: ({ sessions }, body) => {
    setShaftAside(sessions.get(body.sessionId), body);
  },
  words: ({ arrow, arrowNumber: number, aside }) =>
    aside ? `Shaft ${number} (${arrow}) set aside` : `Shaft ${number} (${arrow}) counts again`,
  references: ({ sessionId }) => [{ what: 'session', id: sessionId, role: 'uses' }],
});
