import { Readable } from 'node:stream';
import { ZipFile } from 'yazl';
import {
  ABOUT_NAME,
  ABOUT_NOW,
  bowMemberName,
  type FiledEntry,
  pictureMemberName,
} from '#contract/workshop-file.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { EntryQueries } from '../bows/entry-queries.ts';
import type { PictureQueries } from '../pictures/picture-queries.ts';

/** Same content, same bytes: a file carries neither the hour it was made nor whose it is. */
const TIMELESS = {
  mtime: new Date(2000, 0, 1),
  forceDosTimestamp: true,
  mode: 0o100600,
} as const;
/** Lines go out together: one at a time costs more than they weigh. */
const LINES_AT_ONCE = 200;

/**
 * Bows as one file: their logs as lines of JSON in the order they arrived here, their pictures as they
 * are. The same record gives the same bytes.
 *
 * @param bowIds which bows; each must be there
 * @returns the file, made as it is read
 */
export function writeWorkshopFile(
  bowIds: readonly string[],
  entries: Pick<EntryQueries, 'logOf'>,
  pictures: Pick<PictureQueries, 'idsOf' | 'of'>,
): NodeJS.ReadableStream {
  const zip = new ZipFile();
  const sorted = bowIds.toSorted();
  zip.addBuffer(Buffer.from(`${JSON.stringify(ABOUT_NOW)}\n`), ABOUT_NAME, {
    ...TIMELESS,
    compress: true,
  });
  for (const bowId of sorted)
    zip.addReadStreamLazy(bowMemberName(bowId), { ...TIMELESS, compress: true }, (give) =>
      give(null, Readable.from(linesOf(entries.logOf(bowId)))),
    );
  for (const bowId of sorted)
    for (const { id, type } of pictures.idsOf(bowId))
      zip.addReadStreamLazy(
        pictureMemberName(bowId, id, type),
        // It is packed already.
        { ...TIMELESS, compress: false },
        (give) => give(null, Readable.from([pictures.of(id)?.bytes ?? Buffer.alloc(0)])),
      );
  zip.end();
  return zip.outputStream;
}

function* linesOf(log: readonly LoggedEntry[]): Generator<Buffer> {
  for (let from = 0; from < log.length; from += LINES_AT_ONCE) {
    const lines = log.slice(from, from + LINES_AT_ONCE).map(lineOf);
    yield Buffer.from(lines.join(''));
  }
}

function lineOf({ id, bowId, at, by, taken, body }: LoggedEntry): string {
  return `${JSON.stringify({ id, bowId, at, by, taken, body } satisfies FiledEntry)}\n`;
}
