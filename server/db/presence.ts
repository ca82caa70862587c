import { statSync } from 'node:fs';

/** The file of the record was moved or removed under the running server: what is written is lost. */
export class RecordGone extends Error {}

/**
 * Whether the record is still where it was opened. A file removed under an open database takes writes
 * as before and keeps none of them, so it is looked for before an answer says that something is stored.
 *
 * @param file path, or `:memory:`, which cannot be removed
 * @returns a check that throws RecordGone
 */
export function presenceOf(file: string): () => void {
  if (file === ':memory:') return () => undefined;
  const opened = statSync(file);
  return () => {
    const now = statSync(file, { throwIfNoEntry: false });
    // The journal is there as long as the database is open and written to.
    const journal = statSync(`${file}-wal`, { throwIfNoEntry: false });
    if (now?.ino !== opened.ino || now.dev !== opened.dev || journal === undefined)
      throw new RecordGone(file);
  };
}
