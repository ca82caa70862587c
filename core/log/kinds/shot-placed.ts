import { z } from 'zod';
import { ARROW_LABEL, ARROW_STATES } from '../../craft/range-terms.ts';
import { placeShot } from '../shooting.ts';
import { id } from './parts.ts';
import { arrowNumber, attitude, buttMm, distanceM, endNumber } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

export const shotPlaced = entryKind({
  kind: 'shotPlaced',
  schema: z.strictObject({
    kind: z.literal('shotPlaced'),
    shotId: id,
    sessionId: id,
    endNumber,
    arrow: z.enum(ARROW_STATES),
    outwardMm: buttMm,
    upMm: buttMm,
    calledBad: z.boolean(),
    attitude: attitude.optional(),
    arrowNumber: arrowNumber.optional(),
    distanceM: distanceM.optional(),
    readToMm: z.number().min(0).max(200).optional(),
  }),
  reduce: (draft, body, place) => {
    const session = draft.sessions.get(body.sessionId);
    if (session === undefined) return;
    draft.shotPlaces.set(body.shotId, { session, position: session.shots.length });
    session.shots.push(placeShot(place, body, session));
    draft.shoot(1, place.at);
  },
  words: (body) => `${ARROW_LABEL[body.arrow]}, end ${body.endNumber}`,
  references: ({ sessionId, shotId }) => [
    { what: 'session', id: sessionId, role: 'uses' },
    { what: 'shot', id: shotId, role: 'makes' },
  ],
});
