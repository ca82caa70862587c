import type { z } from 'zod';
import type { BowDraft, EntryPlace } from '../bow-draft.ts';
import type { BodyOf, BowFacts, EntryBody } from '../entry.ts';

/** What an entry may name: it is made by one entry and used by later ones. */
export type Named = 'session' | 'shot' | 'experiment' | 'search';
export interface Reference {
  readonly what: Named;
  readonly id: string;
  /** Made by this entry, or made before it. */
  readonly role: 'makes' | 'uses';
}

/** Everything that is particular to one kind of entry. */
export interface EntryKind<K extends EntryBody['kind'], Schema extends z.ZodType = z.ZodType> {
  readonly kind: K;
  /** What may come over the wire, from a file or from the disk. */
  readonly schema: Schema;
  /** What it does to the state; nothing where it only tells. */
  readonly reduce: (draft: BowDraft, body: BodyOf<K>, place: EntryPlace) => void;
  /** What it says, in a few words. */
  readonly words: (body: BodyOf<K>, bow: BowFacts) => string;
  /** What it names: refused where it is not there, or there already. */
  readonly references?: (body: BodyOf<K>) => readonly Reference[];
}

/** The same type with everything in it read only, as the hand-written types have it. */
type Frozen<T> = T extends readonly (infer Item)[]
  ? readonly Frozen<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: Frozen<T[Key]> }
    : T;
/**
 * Whether two types are the same, optional fields and their names included: the compiler holds two such
 * functions for one only where what they ask after is identical. (An alias for the function would be
 * compared by variance instead, and let a renamed optional field through.)
 */
/* eslint-disable @typescript-eslint/no-unnecessary-type-parameters -- the parameter is what is asked with */
type IsSame<One, Other> =
  (<T>() => T extends One ? 1 : 2) extends <T>() => T extends Other ? 1 : 2 ? true : false;
/* eslint-enable @typescript-eslint/no-unnecessary-type-parameters */
/** `Schema` where it allows just what the type says, no more and no less; else nothing fits. */
type Checked<Body, Schema extends z.ZodType> =
  IsSame<Frozen<Body>, Frozen<z.infer<Schema>>> extends true
    ? Schema
    : { readonly theTypeSays: Body; readonly theSchemaSays: z.infer<Schema> };

/** Describes one kind of entry; a schema that says more or less than the type does not compile. */
export function entryKind<K extends EntryBody['kind'], Schema extends z.ZodType>(
  described: EntryKind<K, Schema> & { readonly schema: Checked<BodyOf<K>, Schema> },
): EntryKind<K, Schema> {
  return described;
}

export function tellsOnly(): void {
  // It is in the log for whoever reads it; the state does not depend on it.
}
