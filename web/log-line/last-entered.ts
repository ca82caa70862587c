import { entryWords } from '#core/log/kinds/entry-kinds.ts';
import type { BowFacts, EntryBody } from '#core/log/entry.ts';

/** What was entered last, whatever has become of it since. */
export interface LastEntered {
  readonly ids: readonly string[];
  readonly words: string;
}

/** Null where something was taken back: that is not taken back again from the line. */
export function lastEntered(
  ids: readonly string[],
  bodies: readonly EntryBody[],
  bow: BowFacts,
): LastEntered | null {
  if (bodies.some((body) => body.kind === 'undone')) return null;
  return { ids, words: bodies.map((body) => entryWords(body, bow)).join(', ') };
}
