import { z } from 'zod';
import { STRING_MATERIALS } from '../../craft/fit-out.ts';
import { fittedBuild } from './arrow-parts.ts';
import { name, positive, shortText } from './parts.ts';

export const division = z.union([z.literal(8), z.literal(16), z.literal(32), z.literal(64)]);
export const throatToPlungerMm = z.number().min(-60).max(60);
export const crawlMm = z.number().min(0).max(80);
export const windowPastCentreMm = z.number().min(-15).max(15);
export const amoDrawMm = z.number().min(400).max(1000);

export const makerFigures = z.strictObject({
  braceMinMm: z.number().min(80).max(400).optional(),
  braceMaxMm: z.number().min(80).max(400).optional(),
  boltTravelTurns: z.number().min(0).max(20).optional(),
  markedWeightN: positive.max(1000).optional(),
  markedDrawMm: positive.max(1200).optional(),
  leastArrowMassG: positive.max(100).optional(),
  sideScrewTurns: z.number().positive().max(20).optional(),
});

export const arrowFacts = z
  .strictObject({
    described: name,
    lengthMm: z.number().min(450).max(1000),
    diameterMm: z.number().min(3).max(15),
    pointMassG: z.number().min(1).max(40),
    massG: z.number().min(1).max(200).optional(),
    build: fittedBuild.optional(),
  })
  .refine(
    ({ build, lengthMm, pointMassG }) =>
      build === undefined ||
      (isAbout(build.parts.shaft.lengthMm, lengthMm) &&
        isAbout(build.parts.point.massG, pointMassG)),
    { path: ['build'], message: 'differs from the length and point beside it' },
  );

function isAbout(one: number, other: number): boolean {
  return Math.abs(one - other) < 1e-6;
}

export const limbsFacts = z.strictObject({
  limbsId: shortText,
  shotsBefore: z.int().min(0).max(1e6),
});

export const stringFacts = z.strictObject({
  stringId: shortText,
  material: z.enum(STRING_MATERIALS),
  strands: z.int().min(4).max(40).optional(),
  lengthMm: z.number().min(800).max(2200).optional(),
  twists: z.int().min(0).max(90).optional(),
  shotsBefore: z.int().min(0).max(1e6),
});
