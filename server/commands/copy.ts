import { existsSync } from 'node:fs';
import { BadCopy, copyRecord, rotateCopies } from '../db/copies.ts';
import { StartFault } from '../db/start-fault.ts';

/**
 * Copies the record, in use or not, into the folder of copies.
 *
 * @returns what was done, in one line
 * @throws StartFault
 */
export async function copyCommand(
  file: string,
  reason: 'daily' | 'asked',
  nowMs: number,
): Promise<string> {
  if (!existsSync(file))
    throw new StartFault(`There is no record at ${file} to copy. Name it with KEEN_LIMB_DB.`);
  try {
    const path = await copyRecord(file, reason, nowMs);
    rotateCopies(file);
    return path === null
      ? 'Nothing has changed since the newest copy: none was made.'
      : `Copied and read through: ${path}`;
  } catch (error) {
    if (!(error instanceof BadCopy)) throw error;
    throw new StartFault(
      `The copy could not be kept: ${error.message}. The record ${file} is as it was, but may itself be damaged there. Start the program: it says what is wrong.`,
    );
  }
}
