/**
 * The form in which entries are written. It rises when an entry of the form before could mean something
 * else, or nothing, under the contract of today; what was written is never rewritten, so the way from
 * each form to the next stays here for good.
 */
export const ENTRY_VERSION = 2;

/** What brings an entry from one form to the next; it never throws away what it does not know. */
type Upcast = (entry: unknown) => unknown;

/** From form 1 (index 0) to 2, and so on. */
const UPCASTS: readonly Upcast[] = [
  // Form 2 says when and by which device an entry was taken; one that does not say so keeps its place.
  (entry) => entry,
];

/** Written by a program newer than this one. */
export class NewerEntry extends Error {}

/**
 * An entry in the form of today, still to be checked by the contract.
 *
 * @param version the form it was written in; 1 where nothing says so
 * @throws NewerEntry
 */
export function upcastEntry(entry: unknown, version: number): unknown {
  return upcastWith(UPCASTS, entry, version);
}

export function upcastWith(upcasts: readonly Upcast[], entry: unknown, version: number): unknown {
  if (version > upcasts.length + 1)
    throw new NewerEntry(
      `form ${version} is newer than form ${upcasts.length + 1}, which this program knows`,
    );
  return upcasts.slice(version - 1).reduce((known, upcast) => upcast(known), entry);
}
