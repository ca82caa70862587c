import { z } from 'zod';
import {
  BOW_KINDS,
  BRACE_REFERENCES,
  HANDS,
  HOOKS,
  PURPOSES,
  SCHOOLS,
} from '#core/craft/bow-terms.ts';
import { CONTROLS } from '#core/craft/controls.ts';
import { READING_KINDS } from '#core/craft/readings.ts';
import { CHECKLISTS } from '#core/craft/checklists.ts';
import { FIT_OUT_ITEMS, STRING_MATERIALS } from '#core/craft/fit-out.ts';
import { FACET_IDS, type FacetId, STEP_IDS } from '#core/craft/steps.ts';
import {
  BRACE_FIGURES,
  COUNTED_CONTROLS,
  type Entry,
  type EntryBody,
  type LoggedEntry,
  SOURCES,
} from '#core/log/entry.ts';
import { upcastEntry } from './entry-version.ts';
import { id, instant, name, reason, shortText, text } from './parts.ts';
import { SHOOTING_BODIES } from './shooting-entry.ts';

/** Longest list of replicates accepted, so that one entry can never fill the disk. */
const MOST_REPLICATES = 20;

const figure = z.number().min(-1e5).max(1e5);
const positive = z.number().positive().max(1e5);

const throatToPlungerMm = z.number().min(-60).max(60);
const amoDrawMm = z.number().min(400).max(1000);
const makerFigures = z.strictObject({
  braceMinMm: z.number().min(80).max(400).optional(),
  braceMaxMm: z.number().min(80).max(400).optional(),
  boltTravelTurns: z.number().min(0).max(20).optional(),
  markedWeightN: positive.max(1000).optional(),
  markedDrawMm: positive.max(1200).optional(),
  leastArrowMassG: positive.max(100).optional(),
  sideScrewTurns: z.number().positive().max(20).optional(),
});

const arrowFacts = z.strictObject({
  described: name,
  lengthMm: z.number().min(450).max(1000),
  diameterMm: z.number().min(3).max(15),
  pointMassG: z.number().min(1).max(40),
  massG: z.number().min(1).max(200).optional(),
});
const stringFacts = z.strictObject({
  stringId: shortText,
  material: z.enum(STRING_MATERIALS),
  strands: z.int().min(4).max(40).optional(),
  lengthMm: z.number().min(800).max(2200).optional(),
  twists: z.int().min(0).max(90).optional(),
  shotsBefore: z.int().min(0).max(1e6),
});

const bowMade = z.strictObject({
  kind: z.literal('bowMade'),
  name: shortText,
  owner: name,
  described: name,
  bowKind: z.enum(BOW_KINDS),
  amoLengthIn: z.number().min(40).max(80),
  hand: z.enum(HANDS),
  hook: z.enum(HOOKS),
  purpose: z.enum(PURPOSES),
  school: z.enum(SCHOOLS),
  lengthUnit: z.enum(['in', 'mm']),
  division: z.union([z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
  braceReference: z.enum(BRACE_REFERENCES),
  throatToPlungerMm: throatToPlungerMm.optional(),
  maker: makerFigures,
  amoDrawMm: amoDrawMm.optional(),
  twistsAtStart: z.int().min(0).max(90).optional(),
  boltTurnsOutAtStart: z.number().min(0).max(20).optional(),
  arrow: arrowFacts.optional(),
  inParts: z.boolean(),
  backupOf: id.optional(),
});

/** Everything that can be said of a bow, checked at every door: wire, file, database. */
const entryBodySchema = z.discriminatedUnion('kind', [
  bowMade,
  z.strictObject({
    kind: z.literal('reading'),
    reading: z.enum(READING_KINDS),
    values: z.array(figure).min(1).max(MOST_REPLICATES),
    typed: text,
    datum: text,
    tool: text,
    source: z.enum(SOURCES),
    confirmedUnlikely: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('change'),
    control: z.enum(CONTROLS),
    amount: z
      .number()
      .min(-200)
      .max(200)
      .refine((amount) => amount !== 0, 'a change of nothing'),
    moveId: id.optional(),
    because: text,
    despite: reason.optional(),
  }),
  z
    .strictObject({
      kind: z.literal('targetSet'),
      reading: z.enum([...READING_KINDS, 'tiller']),
      low: figure,
      high: figure,
      name: shortText,
      why: text,
    })
    .refine(({ low, high }) => low <= high, { message: 'low is above high', path: ['low'] }),
  z.strictObject({
    kind: z.literal('unitsSet'),
    lengthUnit: z.enum(['in', 'mm']),
    division: z.union([z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
  }),
  z.strictObject({ kind: z.literal('stepConfirmed'), step: z.enum(STEP_IDS), note: text }),
  z.strictObject({ kind: z.literal('stepSkipped'), step: z.enum(STEP_IDS), why: shortText }),
  z
    .strictObject({
      kind: z.literal('itemFitted'),
      item: z.enum(FIT_OUT_ITEMS),
      described: name,
      touches: z.array(z.enum(FACET_IDS as [FacetId, ...FacetId[]])).max(FACET_IDS.length),
      string: stringFacts.optional(),
      arrow: arrowFacts.optional(),
      despite: reason.optional(),
    })
    .refine(({ item, string }) => (item === 'string') === (string !== undefined), {
      message: 'a string, and only a string, comes with its facts',
      path: ['string'],
    }),
  z.strictObject({
    kind: z.literal('factsSet'),
    facts: z.strictObject({
      maker: makerFigures.optional(),
      amoDrawMm: amoDrawMm.optional(),
      throatToPlungerMm: throatToPlungerMm.optional(),
      arrowMassG: positive.max(200).optional(),
      name: shortText.optional(),
      owner: name.optional(),
      described: name.optional(),
      hand: z.enum(HANDS).optional(),
      hook: z.enum(HOOKS).optional(),
      purpose: z.enum(PURPOSES).optional(),
      braceReference: z.enum(BRACE_REFERENCES).optional(),
      braceFigures: z.enum(BRACE_FIGURES).optional(),
      anotherArcher: z.boolean().optional(),
    }),
  }),
  z.strictObject({
    kind: z.literal('positionCounted'),
    control: z.enum(COUNTED_CONTROLS),
    value: z.number().min(0).max(90),
  }),
  z.strictObject({
    kind: z.literal('listTicked'),
    list: z.enum(CHECKLISTS),
    items: z.array(shortText).max(60),
  }),
  z.strictObject({ kind: z.literal('shotsFired'), count: z.int().min(1).max(1000), note: text }),
  z.strictObject({
    kind: z.literal('note'),
    text: text.refine((words) => words.trim() !== '', 'is empty'),
  }),
  ...SHOOTING_BODIES,
  z.strictObject({ kind: z.literal('moveSetAside'), moveKey: shortText, title: text }),
  z.strictObject({ kind: z.literal('undone'), entryId: id }),
]) satisfies z.ZodType<EntryBody>;

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
  (request) => {
    const { success, data } = versioned.safeParse(request);
    if (!success) return request;
    const { version, entries, ...rest } = data;
    return { ...rest, entries: entries.map((entry) => upcastEntry(entry, version)) };
  },
  z.strictObject({ entries: z.array(entrySchema).min(1).max(MOST_ENTRIES_A_REQUEST) }),
);

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
