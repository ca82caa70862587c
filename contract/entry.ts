import { z } from 'zod';
import type { Entry, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import { ENTRY_KINDS } from '#core/log/kinds/entry-kinds.ts';
import { id, instant, shortText } from '#core/log/kinds/parts.ts';
import { ENTRY_VERSION, upcastEntry } from './entry-version.ts';

const { bowMade, ...others } = ENTRY_KINDS;
/** Everything that can be said of a bow, checked at every door: wire, file, database. */
const entryBodySchema: z.ZodType<EntryBody> = z.discriminatedUnion('kind', [
  bowMade.schema,
  ...Object.values(others).map(({ schema }) => schema),
]);

/** Longest name of a device accepted; they are UUIDs. */
const MOST_DEVICE = 40;
const taken = z.strictObject({
  ms: z.int().min(0).max(8.64e15),
  device: z
    .string()
    .regex(/^[\w-]+$/)
    .max(MOST_DEVICE),
  count: z.int().min(0),
});

export const entrySchema = z.strictObject({
  id,
  bowId: id,
  at: instant,
  by: shortText,
  body: entryBodySchema,
  taken: taken.optional(),
}) satisfies z.ZodType<Entry>;

export const loggedEntrySchema = entrySchema.extend({
  // What was stored before years were looked at must open all the same.
  at: z.iso.datetime(),
  // The server says when, where the device did not; then no device is named.
  taken: taken.extend({ device: z.string().max(MOST_DEVICE) }).optional(),
  seq: z.int().min(1).nullable(),
}) satisfies z.ZodType<LoggedEntry>;

/** Most entries sent in one request: a move, an end, or what waited while the network was away. */
const MOST_ENTRIES_A_REQUEST = 100;

const versioned = z.looseObject({
  version: z.int().min(1).default(1),
  entries: z.array(z.unknown()),
});

/** Entries to be appended, in the form the sender says they are in: form 1 where it says nothing. */
export const appendRequestSchema = z.preprocess(
  inFormOfToday,
  z.strictObject({ entries: z.array(entrySchema).min(1).max(MOST_ENTRIES_A_REQUEST) }),
);

/**
 * Entries for questions about them: as they are posted, or a whole log as the server answers it, which is in the form of
 * today and whose rows were taken as they are.
 */
export const logToAskOfSchema = z.preprocess(
  (request) =>
    inFormOfToday(isAnsweredLog(request) ? { version: ENTRY_VERSION, ...request } : request),
  z.strictObject({
    entries: z.array(loggedEntrySchema.partial({ seq: true })).min(1),
    count: z.int().min(0).optional(),
    setAside: z.int().min(0).default(0),
  }),
);

function isAnsweredLog(request: unknown): request is object {
  return typeof request === 'object' && request !== null && 'setAside' in request;
}

function inFormOfToday(request: unknown): unknown {
  const { success, data } = versioned.safeParse(request);
  if (!success) return request;
  const { version, entries, ...rest } = data;
  return { ...rest, entries: entries.map((entry) => upcastEntry(entry, version)) };
}

/** What was stored, as it was stored. */
export const appendResponseSchema = z.strictObject({ entries: z.array(loggedEntrySchema) });

export interface AppendResponse {
  readonly entries: readonly LoggedEntry[];
}

/** A log, whole or from some entry on; `count` is always that of the whole. */
export const logResponseSchema = appendResponseSchema.extend({
  count: z.int().min(0),
  /** How many more are on the disk but cannot be read. */
  setAside: z.int().min(0),
});
/**
 * The same log as the page takes it from its own server, which has passed every row through the
 * contract on the way out: the frame is checked, thousands of bodies are not checked twice.
 */
export const ownLogResponseSchema = z.object({
  entries: z.custom<readonly LoggedEntry[]>(
    (entries) => Array.isArray(entries) && entries.every(looksLikeAnEntry),
  ),
  count: z.int().min(0),
  setAside: z.int().min(0).default(0),
});

function looksLikeAnEntry(entry: unknown): boolean {
  return typeof entry === 'object' && entry !== null && 'body' in entry && 'seq' in entry;
}

export interface LogResponse extends AppendResponse {
  readonly count: number;
  readonly setAside: number;
}

/** Asks for what was logged after the entry of this number. */
export const logQuerySchema = z.object({ after: z.coerce.number().int().min(0).optional() });
