import { z } from 'zod';
import { CONTROLS } from '#core/craft/controls.ts';
import {
  ARROW_STATES,
  BUTT_KINDS,
  CONTACT_MARKS,
  LIGHTS,
  MOST_FROM_MARK_MM,
  SESSION_KINDS,
  type ShootingBody,
  WINDS,
} from '#core/log/shooting-entries.ts';
import { id, name, reason, shortText, text } from './parts.ts';

const attitude = z.strictObject({
  outwardDeg: z.number().min(-45).max(45),
  upDeg: z.number().min(-45).max(45),
});
const buttMm = z.number().min(-MOST_FROM_MARK_MM).max(MOST_FROM_MARK_MM);
const distanceM = z.number().min(2).max(120);
const endNumber = z.int().min(1).max(500);
const arrowNumber = z.int().min(1).max(99);
const optionalName = name.optional();
const wayOrStraight = z.union([z.literal(-1), z.literal(0), z.literal(1)]);

/** What can be said about shooting, checked at every door. */
export const SHOOTING_BODIES = [
  z.strictObject({
    kind: z.literal('sessionOpened'),
    sessionId: id,
    sessionKind: z.enum(SESSION_KINDS).optional(),
    distanceM,
    toleranceMm: z.number().min(1).max(1000),
    toleranceWhy: text,
    buttMm: z.number().min(200).max(5000),
    experimentId: id.optional(),
    markBelowTopMm: z.number().min(0).max(5000).optional(),
    arrowSpeedMps: z.number().min(20).max(120).optional(),
    despite: reason.optional(),
    place: optionalName,
    light: z.enum(LIGHTS).optional(),
    wind: z.enum(WINDS).optional(),
    buttKind: z.enum(BUTT_KINDS).optional(),
    aim: optionalName,
    arrowBuild: optionalName,
    cantOutwardDeg: z.number().min(-60).max(60).optional(),
  }),
  z.strictObject({
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
  z.strictObject({
    kind: z.literal('shotAmended'),
    shotId: id,
    arrow: z.enum(ARROW_STATES).optional(),
    outwardMm: buttMm.optional(),
    upMm: buttMm.optional(),
    calledBad: z.boolean().optional(),
    attitude: attitude.optional(),
    arrowNumber: arrowNumber.optional(),
  }),
  z.strictObject({
    kind: z.literal('endNoted'),
    sessionId: id,
    endNumber,
    marks: z.enum(CONTACT_MARKS).optional(),
    flight: z.strictObject({ outward: wayOrStraight, up: wayOrStraight }).optional(),
    wind: z.enum(WINDS).optional(),
    light: z.enum(LIGHTS).optional(),
    tired: z.boolean().optional(),
    arrowBuild: optionalName,
  }),
  z.strictObject({
    kind: z.literal('blameChecked'),
    sessionId: id,
    items: z.array(shortText).max(20),
  }),
  z.strictObject({
    kind: z.literal('paperTorn'),
    distanceM: z.number().min(1).max(30),
    outwardMm: z.number().min(-300).max(300),
    upMm: z.number().min(-300).max(300),
    arrow: z.enum(ARROW_STATES),
  }),
  z.strictObject({ kind: z.literal('landingSet'), outwardMm: buttMm, upMm: buttMm, why: text }),
  z
    .strictObject({
      kind: z.literal('experimentOpened'),
      experimentId: id,
      control: z.enum(CONTROLS),
      low: z.number().min(-200).max(0),
      high: z.number().min(0).max(200),
      step: z.number().positive().max(50),
      distanceM,
      shotsADay: z.int().min(6).max(500),
      despite: reason.optional(),
    })
    .refine(({ low, high, step }) => high - low >= step, {
      message: 'at least two settings are needed',
      path: ['step'],
    }),
  z.strictObject({
    kind: z.literal('experimentNarrowed'),
    experimentId: id,
    best: z.number().min(-200).max(200),
    other: z.number().min(-200).max(200),
  }),
  z.strictObject({ kind: z.literal('experimentClosed'), experimentId: id, why: text }),
  z.strictObject({
    kind: z.literal('pictureKept'),
    sessionId: id,
    pictureId: id,
    endNumber,
  }),
  z.strictObject({ kind: z.literal('aimSet'), sessionId: id }),
  z.strictObject({ kind: z.literal('sessionClosed'), sessionId: id }),
] as const satisfies readonly z.ZodType<ShootingBody>[];
