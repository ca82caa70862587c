import { BadCopy } from '../db/copies.ts';
import { InUse } from '../db/in-use.ts';
import { restoreRecord } from '../db/restore.ts';
import { StartFault } from '../db/start-fault.ts';

/**
 * Puts a copy in the record's place.
 *
 * @param copy path of the copy; undefined when none was named
 * @returns what was done, in one line
 * @throws StartFault
 */
export function restoreCommand(copy: string | undefined, file: string, nowMs: number): string {
  if (copy === undefined)
    throw new StartFault(
      'Say which copy: npm run restore data/copies/NAME.db. Nothing was changed.',
    );
  try {
    const aside = restoreRecord(copy, file, nowMs);
    return `Restored ${copy} to ${file}. ${aside === null ? 'There was no record before it.' : `The record before it is now ${aside}.`}`;
  } catch (error) {
    if (error instanceof InUse)
      throw new StartFault(
        `${error.message} Nothing was changed. Stop it (Ctrl-C in its window), then restore again.`,
      );
    if (error instanceof BadCopy)
      throw new StartFault(
        `${copy} was not restored: ${error.message}. The record ${file} was not changed. Choose another copy.`,
      );
    throw error;
  }
}
