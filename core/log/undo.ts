import type { LoggedEntry } from './entry.ts';

/**
 * Which entries have been taken back. An undo that is itself undone counts for nothing,
 * so walking from the newest backwards settles every chain in one pass.
 */
export function undoneEntryIds(log: readonly LoggedEntry[]): ReadonlySet<string> {
  const undone = new Set<string>();
  for (let index = log.length - 1; index >= 0; index -= 1) {
    const entry = log[index];
    if (entry?.body.kind === 'undone' && !undone.has(entry.id)) undone.add(entry.body.entryId);
  }
  return undone;
}
