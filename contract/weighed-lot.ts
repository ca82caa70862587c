import { z } from 'zod';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';
import { ARROW_RANGES } from '#core/craft/arrow-ranges.ts';

/** More shafts than a club buys at once. */
const MOST_SHAFTS = 300;

/** A lot of shafts as they were weighed and spun, and how many of them are wanted. */
export const weighedLotSchema = z
  .strictObject({
    shafts: z
      .array(
        z.strictObject({
          shaft: z.string().trim().min(1).max(40),
          massG: z.number().min(2).max(FACT_RANGES.arrowMassG[1]),
          spine: z.number().min(ARROW_RANGES.spine[0]).max(ARROW_RANGES.spine[1]).nullable(),
          runOutMm: z.number().min(0).max(5).nullable(),
        }),
      )
      .min(2)
      .max(MOST_SHAFTS),
    count: z.int().min(2),
    distanceM: z.number().min(5).max(120),
    speedMps: z.number().min(20).max(120),
  })
  .refine(({ shafts, count }) => count <= shafts.length, {
    path: ['count'],
    message: 'no more than there are shafts',
  })
  .refine(({ shafts }) => new Set(shafts.map(({ shaft }) => shaft)).size === shafts.length, {
    path: ['shafts'],
    message: 'each shaft with a name of its own',
  });
