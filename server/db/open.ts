import { chmodSync, closeSync, existsSync, openSync, readSync, statSync } from 'node:fs';
import { basename } from 'node:path';
import Database from 'better-sqlite3';
import { checkRecord } from './check-record.ts';
import { copyBefore, newestCopy } from './copies.ts';
import { registerSum } from './entry-sum.ts';
import { MIGRATIONS, NEWEST_SCHEMA } from './migrations.ts';
import { OWNER_ONLY } from './owner-only.ts';
import { finishRestore } from './restore.ts';
import { StartFault, startFaultOf } from './start-fault.ts';

export type Db = Database.Database;

/** While starting, another start may be making the same database: it takes its turn. */
const START_PATIENCE_MS = 8000;
/** While serving, a request waits this long for somebody else's lock and is then answered so. */
const BUSY_MS = 300;

export interface OpenOptions {
  readonly nowMs: () => number;
}

/**
 * Opens the record and brings it to the newest form, each migration in its own transaction and after a
 * verified copy. Nothing is touched before it is known that this program may.
 * WAL with synchronous FULL: an answered append survives a killed process and a pulled plug.
 *
 * @param file path, or `:memory:`
 * @throws StartFault in one line: written by a newer program, damaged, locked, not writable
 */
export function openDb(file: string, { nowMs }: OpenOptions = { nowMs: () => Date.now() }): Db {
  try {
    if (file === ':memory:') return prepare(new Database(file), null, nowMs);
    finishRestore(file);
    const isNew = !existsSync(file) || statSync(file).size === 0;
    if (!isNew) mustBeOurs(file);
    return prepare(new Database(file, { timeout: START_PATIENCE_MS }), isNew ? null : file, nowMs);
  } catch (error) {
    if (error instanceof Database.SqliteError && /^SQLITE_(CORRUPT|NOTADB)/.test(error.code))
      throw damaged(file, error.message);
    throw startFaultOf(error, file);
  }
}

/** Opens a record that a server has open, which saw to its form: for work beside it. */
export function openBeside(file: string): Db {
  const db = new Database(file, { fileMustExist: true, timeout: START_PATIENCE_MS });
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  return db;
}

function damaged(file: string, fault: string): StartFault {
  return new StartFault(
    `The record ${file} is damaged (${fault.split('\n')[0] ?? ''}). Nothing was changed. ${remedyFor(file)}`,
  );
}

function prepare(db: Db, known: string | null, nowMs: () => number): Db {
  try {
    registerSum(db);
    if (known !== null) mustBeSound(db, known, nowMs);
    patiently(() => db.pragma('journal_mode = WAL'));
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    // A row that fits no rule any more is set aside when it is read; here it must not stop the others.
    db.pragma('ignore_check_constraints = ON');
    if (known !== null && schemaOf(db) < NEWEST_SCHEMA)
      copyBefore(db, known, `before-version-${NEWEST_SCHEMA}`, nowMs());
    for (const { number, sql } of MIGRATIONS) {
      db.transaction(() => {
        // Another start may have done it while this one waited for its turn.
        if (schemaOf(db) >= number) return;
        db.exec(sql);
        db.pragma(`user_version = ${number}`);
      }).immediate();
    }
    db.pragma('ignore_check_constraints = OFF');
    db.pragma(`busy_timeout = ${BUSY_MS}`);
    if (db.name !== ':memory:') chmodSync(db.name, OWNER_ONLY);
    return db;
  } catch (error) {
    db.close();
    throw error;
  }
}
export function schemaOf(db: Db): number {
  return Number(db.pragma('user_version', { simple: true }));
}

const MAGIC = 'SQLite format 3\u0000';
/** Where the file's header keeps `user_version` (SQLite file format, section 1.3). */
const VERSION_AT = 60;
const HEADER_BYTES = 100;

/** Looks at the first bytes without opening it as a database, which alone may write beside it. */
function mustBeOurs(file: string): void {
  const header = Buffer.alloc(HEADER_BYTES);
  const handle = openSync(file, 'r');
  try {
    readSync(handle, header, 0, HEADER_BYTES, 0);
  } finally {
    closeSync(handle);
  }
  if (header.toString('latin1', 0, MAGIC.length) !== MAGIC)
    throw new StartFault(
      `${file} is damaged or no record: it does not begin like one. Nothing was changed. ${remedyFor(file)}`,
    );
  mustBeKnown(header.readUInt32BE(VERSION_AT), file);
}

function mustBeKnown(version: number, file: string): void {
  if (version > NEWEST_SCHEMA)
    throw new StartFault(
      `The record ${file} was written by a newer program (its form is ${version}, this program knows ${NEWEST_SCHEMA}). Nothing was changed. Start the newer program.`,
    );
}

function mustBeSound(db: Db, file: string, nowMs: () => number): void {
  mustBeKnown(schemaOf(db), file);
  const { damage, isIndexWrong } = checkRecord(db);
  const [first] = damage;
  if (first !== undefined) throw damaged(file, first);
  if (!isIndexWrong) return;
  copyBefore(db, file, 'before-repair', nowMs());
  db.exec('REINDEX');
}

function remedyFor(file: string): string {
  const copy = newestCopy(file);
  return copy === null
    ? 'There is no copy beside it: put one of your own in its place with npm run restore FILE.'
    : `The newest verified copy is ${basename(copy)}: npm run restore ${copy}`;
}

const AGAIN_MS = 50;

/** Changing the journal's mode does not wait for a lock by itself. */
function patiently(act: () => void): void {
  const end = Date.now() + START_PATIENCE_MS;
  for (;;) {
    try {
      act();
      return;
    } catch (error) {
      const isBusy = error instanceof Database.SqliteError && error.code.startsWith('SQLITE_BUSY');
      if (!isBusy || Date.now() > end) throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, AGAIN_MS);
    }
  }
}
