import type { LoggedEntry } from '../log/entry.ts';
import { undoneEntryIds } from '../log/undo.ts';

/** One step back or forth: an entry taken back, or put back again. */
export interface Reversal {
  readonly entryId: string;
  readonly to: 'takenBack' | 'putBack';
  readonly at: string;
  readonly by: string;
  /** What was said of it; empty where nobody said anything. */
  readonly why: string;
}

/** Everything that was taken back and put back, and what would put an entry back now. */
export interface Reversals {
  /** By the entry at the root of each chain, oldest step first. */
  readonly of: ReadonlyMap<string, readonly Reversal[]>;
  /** By entry: the undos that count now. Taking all of them back puts the entry back. */
  readonly standing: ReadonlyMap<string, readonly string[]>;
}

/**
 * Follows every undo to what it was about in the end: an undo of an undo is a putting back, whatever
 * the length of the chain.
 *
 * @param log in taken order
 */
export function reversalsOf(log: readonly LoggedEntry[]): Reversals {
  const undone = undoneEntryIds(log);
  const roots = new Map<string, { readonly root: string; readonly depth: number }>();
  const of = new Map<string, Reversal[]>();
  const standing = new Map<string, string[]>();
  for (const { id, at, by, body } of log) {
    if (body.kind !== 'undone') continue;
    const { root, depth } = roots.get(body.entryId) ?? { root: body.entryId, depth: 0 };
    roots.set(id, { root, depth: depth + 1 });
    const to = depth % 2 === 0 ? 'takenBack' : 'putBack';
    addTo(of, root, { entryId: id, to, at, by, why: body.why ?? '' });
    if (!undone.has(id)) addTo(standing, body.entryId, id);
  }
  return { of, standing };
}

function addTo<V>(lists: Map<string, V[]>, key: string, value: V): void {
  const known = lists.get(key);
  if (known === undefined) lists.set(key, [value]);
  else known.push(value);
}
