import { z } from 'zod';
import { loggedEntrySchema } from '#contract/entry.ts';
import type { LoggedEntry } from '#core/record/entry.ts';
import type { Db } from '../db/open.ts';

const rowSchema = z.object({
  seq: z.number(),
  id: z.string(),
  bow_id: z.string(),
  at: z.string(),
  by: z.string(),
  body: z.string(),
});

const COLUMNS = 'seq, id, bow_id, at, by, body';
const NOTHING: readonly LoggedEntry[] = [];

/** Reads entries; rows are parsed by the contract on the way out. */
export interface LogReader {
  /** The same list again as long as nothing was added: what is folded from it can be kept beside it. */
  readonly logOf: (bowId: string) => readonly LoggedEntry[];
  readonly entry: (id: string) => LoggedEntry | null;
}

/**
 * The log only ever grows, so what was read once is kept and only rows added since are read and
 * parsed, whoever added them. What a transaction has not committed yet is not kept: it may be undone.
 */
export function logReader(db: Db): LogReader {
  const selectSince = db.prepare(
    `SELECT ${COLUMNS} FROM entry WHERE bow_id = ? AND seq > ? ORDER BY seq`,
  );
  const selectOne = db.prepare(`SELECT ${COLUMNS} FROM entry WHERE id = ?`);
  const kept = new Map<string, readonly LoggedEntry[]>();
  return {
    logOf: (bowId) => {
      const known = kept.get(bowId) ?? NOTHING;
      const added = selectSince.all(bowId, known.at(-1)?.seq ?? 0);
      if (added.length === 0) return known;
      const log = [...known, ...added.map(rowToEntry)];
      if (!db.inTransaction) kept.set(bowId, log);
      return log;
    },
    entry: (id) => {
      const row: unknown = selectOne.get(id);
      return row === undefined ? null : rowToEntry(row);
    },
  };
}

function rowToEntry(row: unknown): LoggedEntry {
  const { bow_id: bowId, body, ...rest } = rowSchema.parse(row);
  return loggedEntrySchema.parse({ ...rest, bowId, body: JSON.parse(body) as unknown });
}
