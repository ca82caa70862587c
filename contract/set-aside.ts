import { z } from 'zod';

/** Why a row of the log is not read: no entry at all, another than was written, or of a newer program. */
const SET_ASIDE_REASONS = ['unreadable', 'changed', 'newer'] as const;

/** A row that is on the disk but cannot be relied on: kept as it is, and left out of the state. */
const setAsideEntrySchema = z.strictObject({
  seq: z.int(),
  why: z.enum(SET_ASIDE_REASONS),
  /** The row as it was found, as JSON. */
  row: z.string(),
});
export type SetAsideEntry = z.infer<typeof setAsideEntrySchema>;

export const setAsideResponseSchema = z.strictObject({
  entries: z.array(setAsideEntrySchema),
});
export type SetAsideResponse = z.infer<typeof setAsideResponseSchema>;
