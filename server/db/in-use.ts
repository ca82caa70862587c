import Database from 'better-sqlite3';

/** A server has the record open. */
export class InUse extends Error {}

/**
 * Who uses a record: any number of servers at once, or one restore alone. The system's own locks on a
 * small file beside it, so that a killed program never leaves the record locked.
 */
export class OnlyOneUser {
  private readonly lock: Database.Database;
  private constructor(file: string) {
    this.lock = new Database(`${file}.in-use`, { timeout: 0 });
  }
  static of(file: string): OnlyOneUser {
    return new OnlyOneUser(file);
  }

  /**
   * Says that a server uses the record, until this process ends.
   *
   * @throws InUse while a restore is at work
   */
  share(): void {
    try {
      this.lock.exec('BEGIN');
      // Reading takes the shared lock and the open transaction keeps it.
      this.lock.prepare('SELECT count(*) FROM sqlite_master').get();
    } catch (error) {
      throw inUse(error, 'The record is being restored by another program.');
    }
  }

  /** What was shared is given back. */
  end(): void {
    this.lock.close();
  }

  /**
   * Alone with the record.
   *
   * @throws InUse while any server has the record open
   */
  during<T>(act: () => T): T {
    try {
      this.lock.exec('BEGIN EXCLUSIVE');
    } catch (error) {
      throw inUse(error, 'A running server has the record open.');
    }
    try {
      return act();
    } finally {
      this.lock.exec('ROLLBACK');
      this.lock.close();
    }
  }
}

function inUse(error: unknown, words: string): unknown {
  return error instanceof Database.SqliteError && error.code.startsWith('SQLITE_BUSY')
    ? new InUse(words)
    : error;
}
