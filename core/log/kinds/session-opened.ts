import { z } from 'zod';
import { BUTT_KINDS, LIGHTS, WINDS } from '../../craft/range-terms.ts';
import { SESSION_KINDS } from '../../craft/session-kinds.ts';
import { openSession } from '../shooting.ts';
import { id, name, reason, text } from './parts.ts';
import { distanceM } from './range-parts.ts';
import { entryKind } from './entry-kind.ts';

const eyeOverNockMm = z.number().min(20).max(250);
const division = z.number().min(0.001).max(200);
const aimingSchema = z.union([
  z.strictObject({
    kind: z.literal('sight'),
    eyeOverNockMm,
    eyeToApertureMm: z.number().min(200).max(1500),
    mmPerUnit: z.number().min(0.01).max(50),
    growsDown: z.boolean(),
    division,
  }),
  z.strictObject({
    kind: z.enum(['point', 'crawl']),
    eyeOverNockMm,
    arrowMm: z.number().min(300).max(1200),
    division,
  }),
]);

export const sessionOpened = entryKind({
  kind: 'sessionOpened',
  schema: z.strictObject({
    kind: z.literal('sessionOpened'),
    sessionId: id,
    sessionKind: z.enum(SESSION_KINDS).optional(),
    distanceM,
    toleranceMm: z.number().min(1).max(1000),
    toleranceUpMm: z.number().min(1).max(1000).optional(),
    toleranceWhy: text,
    buttMm: z.number().min(200).max(5000),
    experimentId: id.optional(),
    markBelowTopMm: z.number().min(0).max(5000).optional(),
    arrowSpeedMps: z.number().min(20).max(120).optional(),
    aiming: aimingSchema.optional(),
    despite: reason.optional(),
    place: name.optional(),
    light: z.enum(LIGHTS).optional(),
    wind: z.enum(WINDS).optional(),
    buttKind: z.enum(BUTT_KINDS).optional(),
    aim: name.optional(),
    arrowBuild: name.optional(),
    build: z.strictObject({ buildId: id, revisionId: id }).optional(),
    cantOutwardDeg: z.number().min(-60).max(60).optional(),
  }),
  reduce: (draft, body, place) => {
    draft.sessions.set(body.sessionId, openSession(place, body));
  },
  words: (body) => `Shooting at ${body.distanceM} m`,
  references: ({ sessionId, experimentId }) => [
    { what: 'session', id: sessionId, role: 'makes' },
    ...(experimentId === undefined
      ? []
      : [{ what: 'experiment', id: experimentId, role: 'uses' } as const]),
  ],
});
