import { z } from 'zod';
import { FLETCHING_KINDS, SHAFT_MATERIALS } from '../../craft/arrow-build.ts';
import { ARROW_RANGES } from '../../craft/arrow-ranges.ts';
import { type CataloguePart, FRONT_PART_KINDS } from '../../craft/catalogue-part.ts';

const between = ([low, high]: readonly [number, number]) => z.number().min(low).max(high);

/** One part as it goes in and out of the catalogue. */
export const cataloguePartSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('shaft'),
    material: z.enum(SHAFT_MATERIALS),
    spine: between(ARROW_RANGES.spine),
    massPerLengthGPerM: between(ARROW_RANGES.massPerLengthGPerM),
    diameterAtPointMm: between(ARROW_RANGES.diameterMm),
    diameterAtNockMm: between(ARROW_RANGES.diameterMm),
    fullLengthMm: between(ARROW_RANGES.fullLengthMm),
  }),
  z.strictObject({
    kind: z.literal('point'),
    massG: between(ARROW_RANGES.pointMassG),
    centreInFrontMm: between(ARROW_RANGES.pointCentreMm),
  }),
  z.strictObject({
    kind: z.enum(FRONT_PART_KINDS),
    massG: between(ARROW_RANGES.frontPartG),
    lengthMm: between(ARROW_RANGES.frontPartMm),
  }),
  z.strictObject({
    kind: z.literal('nock'),
    massG: between(ARROW_RANGES.nockMassG),
    outsideHeightMm: between(ARROW_RANGES.nockHeightMm),
  }),
  z.strictObject({
    kind: z.literal('fletching'),
    material: z.enum(FLETCHING_KINDS),
    count: z.int().min(ARROW_RANGES.fletchings[0]).max(ARROW_RANGES.fletchings[1]),
    massEachG: between(ARROW_RANGES.fletchingEachG),
    lengthMm: between(ARROW_RANGES.fletchingMm),
  }),
  z.strictObject({
    kind: z.literal('wrap'),
    massG: between(ARROW_RANGES.wrapMassG),
    lengthMm: between(ARROW_RANGES.wrapMm),
  }),
]) satisfies z.ZodType<CataloguePart>;
