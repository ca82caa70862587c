import { createWriteStream, existsSync, renameSync, rmSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { entryQueries } from '../bows/entry-queries.ts';
import { toDisk } from '../db/copies.ts';
import { openDb } from '../db/open.ts';
import { StartFault } from '../db/start-fault.ts';
import { writeWorkshopFile } from '../files/write-workshop-file.ts';
import { pictureQueries } from '../pictures/picture-queries.ts';

/**
 * Saves the workshop, or the bows named, as a file.
 *
 * @param args path of the file, then names or ids of bows; none: all
 * @returns what was done, in one line
 * @throws StartFault
 */
export async function exportCommand(
  record: string,
  [path, ...wanted]: readonly string[],
): Promise<string> {
  if (path === undefined || path.startsWith('-'))
    throw new StartFault(
      'Say where to: npm run export FILE.zip, and names of bows to save only those.',
    );
  if (!existsSync(record))
    throw new StartFault(`There is no record at ${record}. Name it with KEEN_LIMB_DB.`);
  if (existsSync(path))
    throw new StartFault(`${path} is there already and was not touched. Choose another name.`);
  const db = openDb(record);
  try {
    const entries = entryQueries(db);
    const all = entries.bowIds().filter((id) => entries.logOf(id).length > 0);
    const called = (said: string) =>
      all.filter((id) => id === said || entries.stateOf(id)?.bow.name === said);
    const unknown = wanted.find((said) => called(said).length === 0);
    if (unknown !== undefined)
      throw new StartFault(`No bow is called ${unknown}. Nothing was written.`);
    const bowIds = wanted.length === 0 ? all : [...new Set(wanted.flatMap(called))];
    const partial = `${path}.partial`;
    try {
      await pipeline(
        writeWorkshopFile(bowIds, entries, pictureQueries(db)),
        createWriteStream(partial, { mode: 0o600 }),
      );
      toDisk(partial);
      renameSync(partial, path);
    } finally {
      rmSync(partial, { force: true });
    }
    const left = bowIds.reduce((sum, id) => sum + entries.setAsideOf(id).length, 0);
    const lost = left === 0 ? '' : ` ${left} entries that cannot be read are not in it.`;
    return `Saved ${bowIds.length} ${bowIds.length === 1 ? 'bow' : 'bows'} to ${path}.${lost}`;
  } finally {
    db.close();
  }
}
