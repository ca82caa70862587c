import { z } from 'zod';
import { shortText } from '#core/log/kinds/parts.ts';

/** Something in a file that is kept as it is and pointed at: nothing of it is refused. */
const flagSchema = z.strictObject({
  says: z.string(),
  /** How many entries it is said of. */
  entries: z.int().min(1),
});

/** One bow of a file, against what this record holds. */
const plannedBowSchema = z.strictObject({
  bowId: z.uuid(),
  name: z.string(),
  entries: z.int().min(0),
  /** Not here yet: they would be added. */
  fresh: z.int().min(0),
  /** Here already, the same. */
  there: z.int().min(0),
  isHere: z.boolean(),
  pictures: z.int().min(0),
  freshPictures: z.int().min(0),
  /** Same id, other content: where in the file, and what it is. The first few. */
  conflicts: z.array(z.strictObject({ place: z.string(), says: z.string() })),
  conflictCount: z.int().min(0),
  flags: z.array(flagSchema),
});
export type PlannedBow = z.infer<typeof plannedBowSchema>;

/** What taking a file in would come to. */
export const importPlanSchema = z.strictObject({
  bows: z.array(plannedBowSchema),
  /** The record had entries up to this number when it was looked at. */
  newestSeq: z.int().min(0),
});
export type ImportPlan = z.infer<typeof importPlanSchema>;

/** What cannot be taken: where in the file, what is wrong, what to do. */
export const badFileSchema = z.strictObject({
  place: z.string(),
  says: z.string(),
  remedy: z.string(),
});
export type BadFileSaid = z.infer<typeof badFileSchema>;

export const importProgressSchema = z.strictObject({
  /** Of the file, or of what is taken of it, 0 to 1. */
  share: z.number().min(0).max(1),
  entries: z.int().min(0),
});
export type ImportProgress = z.infer<typeof importProgressSchema>;

/** How it stands with a file that was sent. */
export const importStandingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('reading'),
    importId: z.uuid(),
    progress: importProgressSchema,
  }),
  z.strictObject({ kind: z.literal('ready'), importId: z.uuid(), plan: importPlanSchema }),
  z.strictObject({
    kind: z.literal('taking'),
    importId: z.uuid(),
    progress: importProgressSchema,
  }),
  z.strictObject({ kind: z.literal('bad'), importId: z.uuid(), bad: badFileSchema }),
]);
export type ImportStanding = z.infer<typeof importStandingSchema>;

/** What becomes of one bow of the file. */
const bowChoiceSchema = z.discriminatedUnion('how', [
  z.strictObject({ bowId: z.uuid(), how: z.literal('add') }),
  z.strictObject({ bowId: z.uuid(), how: z.literal('leave') }),
  /** As a bow of its own beside the one that is here. */
  z.strictObject({ bowId: z.uuid(), how: z.literal('another'), name: shortText }),
]);
export type BowChoice = z.infer<typeof bowChoiceSchema>;

export const takeRequestSchema = z.strictObject({ bows: z.array(bowChoiceSchema).min(1) });
export const takenSchema = z.strictObject({
  bows: z.int().min(0),
  entries: z.int().min(0),
  pictures: z.int().min(0),
});
export type TakenIn = z.infer<typeof takenSchema>;

/** A file was thrown away. */
export const droppedSchema = z.strictObject({ dropped: z.literal(true) });
export type Dropped = z.infer<typeof droppedSchema>;
