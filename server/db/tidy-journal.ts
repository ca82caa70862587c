import { statSync } from 'node:fs';
import type { Db } from './open.ts';

/** So soon after a write its journal is brought into the record. */
const TIDY_MS = 3000;

/**
 * Brings the journal into the record's file while nobody waits, and empties it: a byte that turns in the
 * journal of a killed server would end that journal there, in the file it is found by its checksum.
 *
 * @param everyMs how often it is looked whether there is anything in it
 * @returns what ends it
 */
export function tidyJournal(db: Db, file: string, everyMs = TIDY_MS): () => void {
  const timer = setInterval(() => {
    const journal = statSync(`${file}-wal`, { throwIfNoEntry: false });
    if (journal === undefined || journal.size === 0) return;
    try {
      db.pragma('wal_checkpoint(TRUNCATE)');
    } catch {
      // Somebody reads or holds it, or the disk is full: the journal is good where it is.
    }
  }, everyMs);
  timer.unref();
  return () => clearInterval(timer);
}
