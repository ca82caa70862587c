import { z } from 'zod';
import { type ArrowBuild, FLETCHING_KINDS, SHAFT_MATERIALS } from '#core/arrows/arrow-build.ts';
import { POINT_MASS_G } from '#core/limits/arrow-limits.ts';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';
import { G_PER_GR } from '#core/quantity/units.ts';

/** Spines there are, in thousandths of an inch: children’s shafts are the softest. */
export const SPINE_RANGE = [150, 2000] as const;
/** A shaft weighs 2 to 25 grains an inch. */
const MASS_PER_LENGTH_G_PER_M = [5, 64] as const;
const DIAMETER_MM = [3, 15] as const;
const SMALL_PART_G = [0, 300 * G_PER_GR] as const;

const [shaftLow, shaftHigh] = FACT_RANGES.shaftMm;

const between = ([low, high]: readonly [number, number]) => z.number().min(low).max(high);
const frontPart = z
  .strictObject({ massG: between(SMALL_PART_G), lengthMm: between([0, 400]) })
  .nullable();

/**
 * One arrow, part by part, as it goes in and out: what nobody can have weighed or measured is refused, with
 * the place it stands in.
 */
export const arrowBuildSchema = z
  .strictObject({
    shaft: z.strictObject({
      material: z.enum(SHAFT_MATERIALS),
      spine: between(SPINE_RANGE),
      massPerLengthGPerM: between(MASS_PER_LENGTH_G_PER_M),
      diameterAtPointMm: between(DIAMETER_MM),
      diameterAtNockMm: between(DIAMETER_MM),
      fullLengthMm: between([shaftLow, 1000]),
      lengthMm: between([shaftLow, shaftHigh]),
    }),
    point: z.strictObject({
      massG: between([POINT_MASS_G.low, POINT_MASS_G.high]),
      centreInFrontMm: between([-60, 60]),
    }),
    insert: frontPart,
    collar: frontPart,
    footing: frontPart,
    nock: z.strictObject({
      massG: between([0, 40 * G_PER_GR]),
      outsideHeightMm: between([2, 15]),
    }),
    fletching: z
      .strictObject({
        kind: z.enum(FLETCHING_KINDS),
        count: z.int().min(1).max(8),
        massEachG: between([0, 20 * G_PER_GR]),
        lengthMm: between([5, 200]),
        fromThroatMm: between([0, 150]),
      })
      .nullable(),
    wrap: z
      .strictObject({
        massG: between([0, 40 * G_PER_GR]),
        lengthMm: between([5, 300]),
        fromThroatMm: between([0, 150]),
      })
      .nullable(),
  })
  .refine(({ shaft }) => shaft.lengthMm <= shaft.fullLengthMm, {
    path: ['shaft', 'lengthMm'],
    message: 'no longer than the full length',
  }) satisfies z.ZodType<ArrowBuild>;
