import { v5 as idFrom } from 'uuid';
import type { EntryBody } from '#core/log/entry.ts';
import { entryReferences } from '#core/log/kinds/entry-kinds.ts';
import type { ReadEntry } from './read-workshop-file.ts';

/** A bow under other ids than it had: what it made is renamed with it, what it only shares is not. */
export interface AnotherBow {
  readonly entry: (entry: ReadEntry) => ReadEntry;
  readonly pictureId: (id: string) => string;
}

/**
 * Gives a bow of a file ids of its own, so that it stands beside the one it was. Builds of arrow and
 * parts of the catalogue belong to the workshop and stay what they are.
 *
 * @param newBowId the bow's new id; the others follow from it
 * @param name what it is called from now on, whatever it was called before
 */
export function asAnotherBow(
  log: Iterable<ReadEntry>,
  pictureIds: readonly string[],
  { newBowId, name }: { readonly newBowId: string; readonly name: string },
): AnotherBow {
  const known = new Map<string, string>();
  const rename = (id: string) => known.set(id, idFrom(id, newBowId));
  for (const { id, bowId, body } of log) {
    rename(id);
    known.set(bowId, newBowId);
    for (const reference of entryReferences(body)) rename(reference.id);
  }
  for (const id of pictureIds) rename(id);
  return {
    entry: (entry) => ({
      ...(renamed(entry, known) as ReadEntry),
      body: named(renamed(entry.body, known) as EntryBody, name),
    }),
    pictureId: (id) => known.get(id) ?? id,
  };
}

function named(body: EntryBody, name: string): EntryBody {
  if (body.kind === 'bowMade') return { ...body, name };
  if (body.kind !== 'factsSet' || body.facts.name === undefined) return body;
  return { ...body, facts: { ...body.facts, name } };
}

/** Every text that is one of the ids, and nothing else, wherever in an entry it stands. */
function renamed(value: unknown, known: ReadonlyMap<string, string>): unknown {
  if (typeof value === 'string') return known.get(value) ?? value;
  if (Array.isArray(value)) return value.map((one) => renamed(one, known));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, renamed(inner, known)]),
  );
}
