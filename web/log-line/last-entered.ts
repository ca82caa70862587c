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
  return { ids, words: eachOnce(bodies.map((body) => entryWords(body, bow))) };
}

/** `Shot recorded (3 times)`: a recording of three shots is three entries of the same words. */
function eachOnce(words: readonly string[]): string {
  return [...new Set(words)]
    .map((said) => {
      const times = words.filter((other) => other === said).length;
      return times === 1 ? said : `${said} (${times} times)`;
    })
    .join(', ');
}
