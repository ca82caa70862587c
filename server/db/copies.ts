import {
  chmodSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  closeSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { z } from 'zod';
import { checkRecord } from './check-record.ts';
import { registerSum } from './entry-sum.ts';
import { OWNER_ONLY } from './owner-only.ts';
import { NEWEST_SCHEMA } from './migrations.ts';

/** Why a copy was made; part of its name. */
type CopyReason =
  | 'daily'
  | 'asked'
  | 'before-repair'
  | 'before-restore'
  | `before-version-${number}`;

const PARTIAL = '.partial';
/** So many daily copies are kept; the newest copy of each other reason is kept for good. */
const DAILIES_KEPT = 14;

/** How the copy of a record ends that holds rows which are set aside: it never pushes out a whole one. */
const WITH_GAPS = '-gaps.db';

export function copiesDir(file: string): string {
  return join(dirname(file), 'copies');
}

/** Path of the copy that will be made; its name sorts by time and says why. */
export function copyPath(file: string, reason: CopyReason, nowMs: number): string {
  const stamp = new Date(nowMs).toISOString().replaceAll(/[:.]/g, '-');
  mkdirSync(copiesDir(file), { recursive: true, mode: 0o700 });
  for (let more = 0; ; more += 1) {
    const path = join(copiesDir(file), `${stamp}${more === 0 ? '' : `-${more}`}-${reason}.db`);
    if (!existsSync(path)) return path;
  }
}

/** Only verified copies have their name: until then they are called partial. Newest first. */
export function copiesOf(file: string): readonly string[] {
  const dir = copiesDir(file);
  if (!existsSync(dir)) return [];
  return readdirSync(dir)
    .filter((name) => name.endsWith('.db'))
    .toSorted()
    .toReversed()
    .map((name) => join(dir, name));
}

/** The newest that was read through, of those without gaps if there is one; null: none. */
export function newestCopy(file: string): string | null {
  const verified = copiesOf(file).filter((path) => !path.endsWith('-before-restore.db'));
  return verified.find((path) => !path.endsWith(WITH_GAPS)) ?? verified[0] ?? null;
}

/** A copy made at once, as the file stands, before something that changes it: nobody else writes meanwhile. */
export function copyBefore(
  db: Database.Database,
  file: string,
  reason: CopyReason,
  nowMs: number,
): string {
  const path = copyPath(file, reason, nowMs);
  db.transaction(() => {
    copyFileSync(file, `${path}${PARTIAL}`);
    // What was committed but not yet brought into the file.
    if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${path}${PARTIAL}-wal`);
  }).immediate();
  return keepVerified(path);
}

/**
 * A copy of a record that may be in use: writers go on meanwhile.
 *
 * @returns its path; null when nothing has changed since the newest copy
 */
export async function copyRecord(
  file: string,
  reason: 'daily' | 'asked',
  nowMs: number,
): Promise<string | null> {
  const db = new Database(file, { fileMustExist: true });
  try {
    const newest = newestCopy(file);
    if (reason === 'daily' && newest !== null && sameContent(db, newest)) return null;
    const path = copyPath(file, reason, nowMs);
    // All in one step: in several, every write between two of them begins it anew.
    await db.backup(`${path}${PARTIAL}`, { progress: () => ALL_PAGES });
    return keepVerified(path);
  } finally {
    db.close();
  }
}
const ALL_PAGES = 0x7fffffff;

const DAILY_ENDS = ['-daily.db', `-daily${WITH_GAPS}`] as const;

/** When the newest daily copy was made, ms since 1970; null: never. */
export function lastDailyMs(file: string): number | null {
  const newest = copiesOf(file).find((path) => DAILY_ENDS.some((end) => path.endsWith(end)));
  return newest === undefined ? null : statSync(newest).mtimeMs;
}

/** Daily copies beyond those kept go, those with gaps counted by themselves; no other copy ever does. */
export function rotateCopies(file: string): void {
  for (const end of DAILY_ENDS) {
    const dailies = copiesOf(file).filter((path) => path.endsWith(end));
    for (const path of dailies.slice(DAILIES_KEPT)) rmSync(path);
  }
}

/** A copy that cannot be opened, read through and found whole is none. */
function keepVerified(path: string): string {
  const partial = `${path}${PARTIAL}`;
  try {
    settleJournal(partial);
    mustBeWhole(partial);
  } catch (error) {
    rmSync(partial, { force: true });
    throw error;
  }
  chmodSync(partial, OWNER_ONLY);
  toDisk(partial);
  const named = hasGaps(partial) ? path.replace(/\.db$/, WITH_GAPS) : path;
  renameSync(partial, named);
  toDisk(dirname(named));
  return named;
}

function hasGaps(path: string): boolean {
  const db = new Database(path, { fileMustExist: true, readonly: true });
  try {
    // Before checksums were kept nothing could tell.
    if (Number(db.pragma('user_version', { simple: true })) < SUMMED_SINCE) return false;
    registerSum(db);
    const turned = db
      .prepare(
        'SELECT count(*) FROM entry WHERE sum <> entry_sum(seq, id, bow_id, at, by, body, taken_ms, device, count, version)',
      )
      .pluck()
      .get();
    return turned !== 0;
  } finally {
    db.close();
  }
}
const SUMMED_SINCE = 3;

/** One file and nothing beside it: what its journal holds is brought in, and the journal goes. */
export function settleJournal(path: string): void {
  const db = new Database(path, { fileMustExist: true });
  try {
    db.pragma('journal_mode = DELETE');
  } finally {
    db.close();
  }
}

/** A copy cannot be used, and why. */
export class BadCopy extends Error {}

/**
 * @throws BadCopy unless the file is a whole record that this program can open
 */
export function mustBeWhole(path: string): void {
  let db: Database.Database;
  try {
    db = new Database(path, { fileMustExist: true, readonly: true });
  } catch {
    throw new BadCopy('it cannot be opened as a record');
  }
  try {
    // An index that does not fit is made anew when the copy is opened: it takes nothing from what it holds.
    const [damage] = checkRecord(db).damage;
    if (damage !== undefined) throw new BadCopy(damage.split('\n')[0]);
    const version = Number(db.pragma('user_version', { simple: true }));
    if (version < 1) throw new BadCopy('it is a database, but not a record of bows');
    if (version > NEWEST_SCHEMA) throw new BadCopy('a newer program wrote it');
    countsOf(db);
  } catch (error) {
    if (error instanceof BadCopy) throw error;
    throw new BadCopy(error instanceof Error ? error.message : 'it cannot be read');
  } finally {
    db.close();
  }
}

const countSchema = z.object({ entries: z.number(), newest: z.number(), pictures: z.number() });

function countsOf(db: Database.Database) {
  return countSchema.parse(
    db
      .prepare(
        'SELECT count(*) AS entries, coalesce(max(seq), 0) AS newest, (SELECT count(*) FROM picture) AS pictures FROM entry',
      )
      .get(),
  );
}

function sameContent(db: Database.Database, copy: string): boolean {
  const other = new Database(copy, { fileMustExist: true, readonly: true });
  try {
    return JSON.stringify(countsOf(db)) === JSON.stringify(countsOf(other));
  } catch {
    return false;
  } finally {
    other.close();
  }
}

/** A file, or the names in a folder, onto the disk itself. */
export function toDisk(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}
