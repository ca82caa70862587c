import { z } from 'zod';
import { BOW_KINDS, HANDS, HOOKS, PURPOSES, SCHOOLS } from '#core/craft/bow-terms.ts';

/** One bow as the rack shows it: what it is, how it stands, what comes next. */
const rackBowSchema = z.strictObject({
  bowId: z.uuid(),
  name: z.string(),
  owner: z.string(),
  described: z.string(),
  bowKind: z.enum(BOW_KINDS),
  amoLengthIn: z.number(),
  hand: z.enum(HANDS),
  hook: z.enum(HOOKS),
  purpose: z.enum(PURPOSES),
  school: z.enum(SCHOOLS),
  inParts: z.boolean(),
  putAway: z.boolean().default(false),
  /** Everything that is set on the bench holds. */
  ready: z.boolean(),
  lastAt: z.string(),
  /** To the throat, whatever it is read to: the bow is drawn from it. */
  braceMm: z.number().nullable(),
  tillerTopMm: z.number().nullable(),
  tillerBottomMm: z.number().nullable(),
  steps: z.strictObject({ hold: z.number(), open: z.number(), stale: z.number(), all: z.number() }),
  /** Stale or out of band, in words, in the order of work. */
  due: z.array(z.strictObject({ step: z.string(), words: z.string() })),
  /** Care that is due, by name. */
  care: z.array(z.string()).default([]),
  /** How many of its entries are on the disk but cannot be read. */
  setAside: z.int().min(0),
  /** Why it is not to be shot as it stands, in words; empty when nothing is wrong. */
  stops: z.array(z.string()),
  nextMove: z.strictObject({ title: z.string(), stop: z.boolean() }).nullable(),
});
export type RackBow = z.infer<typeof rackBowSchema>;

/** A bow whose very first entry cannot be read: nothing is known of it but that it is there. */
const unreadableBowSchema = z.strictObject({ bowId: z.string(), setAside: z.int().min(0) });

export const rackResponseSchema = z.strictObject({
  bows: z.array(rackBowSchema),
  unreadable: z.array(unreadableBowSchema),
  /** Rows on the disk that name no bow any more: any bow may lack one of them. */
  strays: z.int().min(0),
});
export type RackResponse = z.infer<typeof rackResponseSchema>;
