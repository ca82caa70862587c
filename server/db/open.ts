import Database from 'better-sqlite3';

export type Db = Database.Database;

/** Migrations in order, bundled as text so that the built server needs no files beside it. */
const MIGRATIONS = Object.entries(
  import.meta.glob<string>('./migrations/*.sql', { query: '?raw', import: 'default', eager: true }),
)
  .toSorted(([one], [other]) => one.localeCompare(other))
  .map(([, sql]) => sql);

/**
 * Opens the database and brings it to the newest migration, each in its own transaction.
 * WAL with synchronous FULL: an answered append survives a killed process and a pulled plug.
 *
 * @param file path, or `:memory:`
 * @throws when the file was written by a newer version of this program
 */
export function openDb(file: string): Db {
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  const version = Number(db.pragma('user_version', { simple: true }));
  if (version > MIGRATIONS.length) {
    db.close();
    throw new Error(
      `The database is at version ${version}, this program knows ${MIGRATIONS.length}. Start the newer program; nothing was changed.`,
    );
  }
  for (const [index, sql] of MIGRATIONS.entries()) {
    if (index < version) continue;
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${index + 1}`);
    }).immediate();
  }
  return db;
}
