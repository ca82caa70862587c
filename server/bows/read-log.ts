import { z } from 'zod';
import { loggedEntrySchema } from '#contract/entry.ts';
import { NewerEntry, upcastEntry } from '#contract/entry-version.ts';
import type { SetAsideEntry } from '#contract/set-aside.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { entrySum } from '../db/entry-sum.ts';
import type { Db } from '../db/open.ts';

const rowSchema = z.object({
  seq: z.number(),
  id: z.string(),
  bow_id: z.string(),
  at: z.string(),
  by: z.string(),
  body: z.string(),
  taken_ms: z.number(),
  device: z.string(),
  count: z.number(),
  version: z.number(),
  sum: z.string(),
});
type Row = z.infer<typeof rowSchema>;

const COLUMNS = 'seq, id, bow_id, at, by, body, taken_ms, device, count, version, sum';
const UNREAD: BowLog = { entries: [], setAside: [], newestSeq: 0 };

/** What is stored of one bow: what could be read, and what could not. */
interface BowLog {
  readonly entries: readonly LoggedEntry[];
  readonly setAside: readonly SetAsideEntry[];
  readonly newestSeq: number;
}

/** Reads entries; rows are checked by sum and contract on the way out. */
export interface LogReader {
  /** The same object again as long as nothing was added: what is folded from it can be kept beside it. */
  readonly logOf: (bowId: string) => BowLog;
  /** What is stored under an id; null: nothing. */
  readonly entry: (id: string) => LoggedEntry | SetAsideEntry | null;
  /** Bows by their ids, oldest first. */
  readonly bowIds: () => readonly string[];
  /** Rows that name no bow any more: they may have been any bow's. */
  readonly strays: () => readonly SetAsideEntry[];
}

/**
 * The log only ever grows, so what was read once is kept and only rows added since are read and
 * parsed, whoever added them. What a transaction has not committed yet is not kept: it may be undone.
 * A row that cannot be read is set aside, and the others go on.
 */
export function logReader(db: Db): LogReader {
  const selectSince = db.prepare(
    `SELECT ${COLUMNS} FROM entry WHERE bow_id = ? AND seq > ? ORDER BY seq`,
  );
  const selectOne = db.prepare(`SELECT ${COLUMNS} FROM entry WHERE id = ?`);
  const selectBows = db
    .prepare(`SELECT bow_id FROM entry WHERE ${NAMES_A_BOW} GROUP BY bow_id ORDER BY min(seq)`)
    .pluck();
  const selectNameless = db.prepare(`SELECT ${COLUMNS} FROM entry WHERE NOT (${NAMES_A_BOW})`);
  const selectUnmade = db
    .prepare(
      `SELECT DISTINCT bow_id FROM entry WHERE ${NAMES_A_BOW} AND bow_id NOT IN (
         SELECT bow_id FROM entry
         WHERE CASE WHEN json_valid(body) THEN json_extract(body, '$.kind') = 'bowMade' END)`,
    )
    .pluck();
  const kept = new Map<string, BowLog>();
  const logOf = (bowId: string): BowLog => {
    const known = kept.get(bowId) ?? UNREAD;
    const added = selectSince.all(bowId, known.newestSeq);
    if (added.length === 0) return known;
    const read = added.map((row) => readRow(row, bowId));
    const log = {
      entries: [...known.entries, ...read.filter(isReadable)],
      setAside: [
        ...known.setAside,
        ...read.filter((one): one is SetAsideEntry => !isReadable(one)),
      ],
      newestSeq: seqOf(added.at(-1)),
    };
    if (!db.inTransaction) kept.set(bowId, log);
    return log;
  };
  return {
    logOf,
    bowIds: () => idsSchema.parse(selectBows.all()),
    strays: () => [
      ...selectNameless.all().map((row) => setAside(row, 'changed')),
      ...idsSchema
        .parse(selectUnmade.all())
        .map(logOf)
        .filter(({ entries }) => entries.length === 0)
        .flatMap((log) => log.setAside),
    ],
    entry: (id) => {
      const row: unknown = selectOne.get(id);
      return row === undefined ? null : readRow(row, null);
    },
  };
}

/** A UUID as it is written; a byte of it that turned may be no letter at all. */
const NAMES_A_BOW = "length(bow_id) = 36 AND bow_id NOT GLOB '*[^0-9a-f-]*'";
const idsSchema = z.array(z.string());

export function isReadable(read: LoggedEntry | SetAsideEntry): read is LoggedEntry {
  return 'bowId' in read;
}

function seqOf(row: unknown): number {
  return z.object({ seq: z.number() }).parse(row).seq;
}

/** @param bowId the bow it was found under; null where it was looked for by its own id */
function readRow(row: unknown, bowId: string | null): LoggedEntry | SetAsideEntry {
  const parsed = rowSchema.safeParse(row);
  if (!parsed.success) return setAside(row, 'unreadable');
  if (parsed.data.sum !== sumOf(parsed.data)) return setAside(row, 'changed');
  if (bowId !== null && parsed.data.bow_id !== bowId) return setAside(row, 'changed');
  try {
    return rowToEntry(parsed.data);
  } catch (error) {
    return setAside(row, error instanceof NewerEntry ? 'newer' : 'unreadable');
  }
}

function setAside(row: unknown, why: SetAsideEntry['why']): SetAsideEntry {
  return { seq: seqOf(row), why, row: JSON.stringify(row) };
}

function sumOf(row: Row): string {
  const { seq, id, bow_id, at, by, body, taken_ms, device, count, version } = row;
  return entrySum(seq, id, bow_id, at, by, body, taken_ms, device, count, version);
}

function rowToEntry(row: Row): LoggedEntry {
  const { seq, id, bow_id: bowId, at, by, taken_ms: ms, device, count } = row;
  const body = JSON.parse(row.body) as unknown;
  const taken = { ms, device, count };
  return loggedEntrySchema.parse(upcastEntry({ seq, id, bowId, at, by, body, taken }, row.version));
}
