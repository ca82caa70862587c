import { z } from 'zod';
import { type ArrowBuild, FLETCHING_KINDS, SHAFT_MATERIALS } from '../../craft/arrow-build.ts';
import { ARROW_RANGES } from '../../craft/arrow-ranges.ts';
import { id } from './parts.ts';

const between = ([low, high]: readonly [number, number]) => z.number().min(low).max(high);
const frontPart = z
  .strictObject({
    massG: between(ARROW_RANGES.frontPartG),
    lengthMm: between(ARROW_RANGES.frontPartMm),
  })
  .nullable();

/**
 * One arrow, part by part, as it goes in and out: what nobody can have weighed or measured is refused, with
 * the place it stands in.
 */
export const arrowBuildSchema = z
  .strictObject({
    shaft: z.strictObject({
      material: z.enum(SHAFT_MATERIALS),
      spine: between(ARROW_RANGES.spine),
      massPerLengthGPerM: between(ARROW_RANGES.massPerLengthGPerM),
      diameterAtPointMm: between(ARROW_RANGES.diameterMm),
      diameterAtNockMm: between(ARROW_RANGES.diameterMm),
      fullLengthMm: between(ARROW_RANGES.fullLengthMm),
      lengthMm: between(ARROW_RANGES.shaftMm),
    }),
    point: z.strictObject({
      massG: between(ARROW_RANGES.pointMassG),
      centreInFrontMm: between(ARROW_RANGES.pointCentreMm),
    }),
    insert: frontPart,
    collar: frontPart,
    footing: frontPart,
    nock: z.strictObject({
      massG: between(ARROW_RANGES.nockMassG),
      outsideHeightMm: between(ARROW_RANGES.nockHeightMm),
    }),
    fletching: z
      .strictObject({
        kind: z.enum(FLETCHING_KINDS),
        count: z.int().min(ARROW_RANGES.fletchings[0]).max(ARROW_RANGES.fletchings[1]),
        massEachG: between(ARROW_RANGES.fletchingEachG),
        lengthMm: between(ARROW_RANGES.fletchingMm),
        fromThroatMm: between(ARROW_RANGES.fromThroatMm),
      })
      .nullable(),
    wrap: z
      .strictObject({
        massG: between(ARROW_RANGES.wrapMassG),
        lengthMm: between(ARROW_RANGES.wrapMm),
        fromThroatMm: between(ARROW_RANGES.fromThroatMm),
      })
      .nullable(),
  })
  .refine(({ shaft }) => shaft.lengthMm <= shaft.fullLengthMm, {
    path: ['shaft', 'lengthMm'],
    message: 'no longer than the full length',
  }) satisfies z.ZodType<ArrowBuild>;

/** Which build is on a bow, and as what: a copy of its parts, so that a bow’s log says all by itself. */
export const fittedBuild = z.strictObject({
  buildId: id,
  revisionId: id,
  parts: arrowBuildSchema,
});
