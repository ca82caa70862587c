import { z } from 'zod';
import type { Entry, LoggedEntry } from '#core/record/entry.ts';
import { type BowState, foldLog } from '#core/record/fold.ts';
import { onceFor } from '#core/record/once-for.ts';
import type { Db } from '../db/open.ts';
import { logReader } from './read-log.ts';

/** What appending came to: everything new or known, or the first id that is taken by other content. */
type Appended =
  | { readonly kind: 'appended'; readonly entries: readonly LoggedEntry[]; readonly fresh: number }
  | { readonly kind: 'idTaken'; readonly index: number };

export interface EntryQueries {
  /** The same list again as long as nothing was added. */
  readonly logOf: (bowId: string) => readonly LoggedEntry[];
  /** Folded once for as long as nothing was added; null when there is no such bow. */
  readonly stateOf: (bowId: string) => BowState | null;
  readonly bowIds: () => readonly string[];
  readonly append: (
    entries: readonly Entry[],
    check: (fresh: readonly Entry[]) => void,
  ) => Appended;
  readonly count: () => number;
}

/** The queries of the log, prepared once. */
export function entryQueries(db: Db): EntryQueries {
  const reader = logReader(db);
  const folded = onceFor(foldLog);
  const selectBows = db
    .prepare('SELECT bow_id FROM entry GROUP BY bow_id ORDER BY min(seq)')
    .pluck();
  const countAll = db.prepare('SELECT count(*) FROM entry').pluck();
  const insert = db.prepare('INSERT INTO entry (id, bow_id, at, by, body) VALUES (?, ?, ?, ?, ?)');

  const append = (
    entries: readonly Entry[],
    check: (fresh: readonly Entry[]) => void,
  ): Appended => {
    const known = entries.map((entry) => reader.entry(entry.id));
    const takenAt = known.findIndex(
      (there, index) => there !== null && !sameEntry(there, entries[index]),
    );
    if (takenAt >= 0) return { kind: 'idTaken', index: takenAt };
    const fresh = entries.filter((_, index) => known[index] === null);
    check(fresh);
    const stored = entries.map((entry, index) => {
      const there = known[index];
      if (there != null) return there;
      const { lastInsertRowid } = insert.run(
        entry.id,
        entry.bowId,
        entry.at,
        entry.by,
        JSON.stringify(entry.body),
      );
      return { ...entry, seq: Number(lastInsertRowid) };
    });
    return { kind: 'appended', entries: stored, fresh: fresh.length };
  };

  return {
    logOf: reader.logOf,
    stateOf: (bowId) => folded(reader.logOf(bowId)),
    bowIds: () => z.array(z.string()).parse(selectBows.all()),
    append: (entries, check) => db.transaction(() => append(entries, check)).immediate(),
    count: () => z.number().parse(countAll.get()),
  };
}

/** Same content, whatever the order of keys in the request was: both have passed the contract. */
function sameEntry(one: LoggedEntry, other: Entry | undefined): boolean {
  if (other === undefined) return false;
  const { seq: _seq, ...entry } = one;
  return canonical(entry) === canonical(other);
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
