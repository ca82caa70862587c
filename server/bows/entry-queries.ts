import { z } from 'zod';
import { ENTRY_VERSION } from '#contract/entry-version.ts';
import type { SetAsideEntry } from '#contract/set-aside.ts';
import type { Entry, LoggedEntry, Taken } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { onceFor } from '#core/log/once-for.ts';
import { newestTakenMs } from '#core/log/taken-order.ts';
import { entrySum } from '../db/entry-sum.ts';
import type { Db } from '../db/open.ts';
import { isReadable, logReader } from './read-log.ts';
import { sameEntry } from '#core/log/same-entry.ts';

/** What appending came to: everything new or known, or the first id that is taken by other content. */
type Appended =
  | { readonly kind: 'appended'; readonly entries: readonly LoggedEntry[]; readonly fresh: number }
  | { readonly kind: 'idTaken'; readonly index: number };

export interface EntryQueries {
  /** The same list again as long as nothing was added. */
  readonly logOf: (bowId: string) => readonly LoggedEntry[];
  /** Rows that cannot be relied on and are of this bow, or may be: those that name no bow any more. */
  readonly mayBeOf: (bowId: string) => readonly SetAsideEntry[];
  /** Those of them that are. */
  readonly setAsideOf: (bowId: string) => readonly SetAsideEntry[];
  /** Folded once for as long as nothing was added; null when there is no such bow. */
  readonly stateOf: (bowId: string) => BowState | null;
  readonly bowIds: () => readonly string[];
  /** Rows that name no bow any more: every bow may lack one of them. */
  readonly strays: () => readonly SetAsideEntry[];
  readonly append: (
    entries: readonly Entry[],
    check: (fresh: readonly Entry[]) => void,
  ) => Appended;
  readonly count: () => number;
}

export interface EntryQueryDeps {
  readonly nowMs: () => number;
  /** Throws when what is written would be lost. */
  readonly mustBeThere: () => void;
}

/** The queries of the log, prepared once. */
export function entryQueries(
  db: Db,
  { nowMs, mustBeThere }: EntryQueryDeps = {
    nowMs: () => Date.now(),
    mustBeThere: () => undefined,
  },
): EntryQueries {
  const reader = logReader(db);
  // A disk turns bytes while nobody looks: what names no bow any more is looked for once.
  const strays = reader.strays();
  const folded = onceFor(({ entries, setAside }: ReturnType<typeof reader.logOf>) =>
    foldLog(entries, setAside.length + strays.length),
  );
  const countAll = db.prepare('SELECT count(*) FROM entry').pluck();
  const selectNewest = db
    .prepare("SELECT coalesce(max(seq), 0) FROM sqlite_sequence WHERE name = 'entry'")
    .pluck();
  const insert = db.prepare(
    'INSERT INTO entry (seq, id, bow_id, at, by, body, taken_ms, device, count, version, sum) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
  );

  const store = (entry: Entry, seq: number, taken: Taken): LoggedEntry => {
    const row = [
      seq,
      entry.id,
      entry.bowId,
      entry.at,
      entry.by,
      JSON.stringify(entry.body),
      taken.ms,
      taken.device,
      taken.count,
      ENTRY_VERSION,
    ] as const;
    insert.run(...row, entrySum(...row));
    return { ...entry, taken, seq };
  };

  const append = (
    entries: readonly Entry[],
    check: (fresh: readonly Entry[]) => void,
  ): Appended => {
    const known = entries.map((entry) => reader.entry(entry.id));
    const takenAt = known.findIndex(
      (there, index) => there !== null && !(isReadable(there) && sameEntry(there, entries[index])),
    );
    if (takenAt >= 0) return { kind: 'idTaken', index: takenAt };
    const fresh = entries.filter((_, index) => known[index] === null);
    check(fresh);
    let seq = z.number().parse(selectNewest.get());
    // Who does not say when is taken at its word, but never before what it arrived after or in the future.
    let before = fresh.every(({ taken }) => taken !== undefined)
      ? 0
      : newestOf(reader.logOf(entries[0]?.bowId ?? '').entries);
    const stored = entries.map((entry, index) => {
      const there = known[index];
      if (there != null && isReadable(there)) return there;
      seq += 1;
      const ms = Math.max(before, Math.min(Date.parse(entry.at), nowMs()));
      const taken = entry.taken ?? { ms, device: '', count: seq };
      before = Math.max(before, taken.ms);
      return store(entry, seq, taken);
    });
    return { kind: 'appended', entries: stored, fresh: fresh.length };
  };
  const appendAtOnce = db.transaction(append);

  return {
    logOf: (bowId) => reader.logOf(bowId).entries,
    setAsideOf: (bowId) => reader.logOf(bowId).setAside,
    stateOf: (bowId) => folded(reader.logOf(bowId)),
    bowIds: reader.bowIds,
    mayBeOf: (bowId) => [...reader.logOf(bowId).setAside, ...strays],
    strays: () => strays,
    append: (entries, check) => {
      mustBeThere();
      const appended = appendAtOnce.immediate(entries, check);
      // Removed in between, the file took the write and nobody will find it again.
      mustBeThere();
      return appended;
    },
    count: () => z.number().parse(countAll.get()),
  };
}

/** Of what says no device: another's clock must not push what arrives in order out of it. */
function newestOf(log: readonly LoggedEntry[]): number {
  return newestTakenMs(log.filter(({ taken }) => taken === undefined || taken.device === ''));
}
