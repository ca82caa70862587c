import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';

/**
 * The first shot that is put down to another bow: the stand-in's in a bow's own search, or a bow's in a practice.
 * It would count as a shot of the string, or as none.
 *
 * @returns its place in the list; null: none
 */
export function heardElsewhere(
  searches: BowState['searches'],
  bodies: readonly EntryBody[],
): number | null {
  const practice = new Map(
    searches.map(({ searchId, practiceSeed }) => [searchId, practiceSeed !== undefined]),
  );
  for (const [at, body] of bodies.entries()) {
    if (body.kind === 'braceSearchOpened')
      practice.set(body.searchId, body.practiceSeed !== undefined);
    if (body.kind !== 'shotHeard') continue;
    const isPractice = practice.get(body.searchId);
    if (isPractice !== undefined && isPractice !== (body.source === 'standIn')) return at;
  }
  return null;
}
