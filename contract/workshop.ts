import { z } from 'zod';
import type { Stay } from '#core/care/stays.ts';
import type { WorkshopLimbs } from '#core/care/workshop-limbs.ts';
import type { WorkshopString } from '#core/care/workshop-strings.ts';
import { STRING_MATERIALS } from '#core/craft/fit-out.ts';
import type { Build, BuildRevision } from '#core/log/builds.ts';
import type { NamedPart } from '#core/craft/catalogue-part.ts';
import { cataloguePartSchema } from '#core/log/kinds/catalogue-part.ts';
import { arrowBuildSchema } from '#core/log/kinds/arrow-parts.ts';

const revision = z.strictObject({
  revisionId: z.uuid(),
  at: z.iso.datetime(),
  by: z.string(),
  name: z.string(),
  parts: arrowBuildSchema,
  how: z.enum(['kept', 'changed']),
}) satisfies z.ZodType<BuildRevision>;

const stay = z.strictObject({
  bowId: z.uuid(),
  bowName: z.string(),
  shots: z.int(),
  stringOffs: z.int(),
  isOn: z.boolean(),
}) satisfies z.ZodType<Stay>;

const limbsSchema = z.strictObject({
  limbsId: z.string(),
  described: z.string(),
  shots: z.int(),
  stays: z.array(stay),
}) satisfies z.ZodType<WorkshopLimbs>;

const stringSchema = z.strictObject({
  stringId: z.string(),
  described: z.string(),
  material: z.enum(STRING_MATERIALS),
  strands: z.number().optional(),
  lengthMm: z.number().optional(),
  twists: z.number().nullable(),
  shots: z.int(),
  stays: z.array(stay),
}) satisfies z.ZodType<WorkshopString>;

/** Every build of the workshop, whichever bow it was made at, and the bows that shoot one now. */
export const workshopResponseSchema = z.strictObject({
  builds: z.array(
    z.strictObject({ buildId: z.uuid(), revisions: z.array(revision).min(1) }),
  ) satisfies z.ZodType<readonly Build[]>,
  /** The catalogue: parts as they lie in drawers. */
  parts: z.array(
    z.strictObject({ partId: z.uuid(), name: z.string(), part: cataloguePartSchema }),
  ) satisfies z.ZodType<readonly NamedPart[]>,
  droppedParts: z.array(z.uuid()),
  /** Strings with their own story, whichever bows they were on. */
  strings: z.array(stringSchema).default([]),
  /** Pairs of limbs with theirs. */
  limbs: z.array(limbsSchema).default([]),
  fitted: z.array(
    z.strictObject({
      bowId: z.uuid(),
      bowName: z.string(),
      buildId: z.uuid(),
      revisionId: z.uuid(),
    }),
  ),
});
export type WorkshopResponse = z.infer<typeof workshopResponseSchema>;
