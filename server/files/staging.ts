import Database from 'better-sqlite3';
import { z } from 'zod';
import type { KeptType } from '#contract/picture.ts';
import { BadFile, SAVE_AGAIN } from './bad-file.ts';
import type { FileSink, ReadEntry } from './read-workshop-file.ts';

/** A file that was read and checked, laid beside the record: what is taken is taken from here. */
const SCHEMA = `
CREATE TABLE entry (
  line   INTEGER PRIMARY KEY,
  id     TEXT NOT NULL UNIQUE,
  bow_id TEXT NOT NULL,
  place  TEXT NOT NULL,
  entry  TEXT NOT NULL
) STRICT;
CREATE INDEX entry_by_bow ON entry (bow_id, line);
CREATE TABLE picture (
  id     TEXT PRIMARY KEY,
  bow_id TEXT NOT NULL,
  type   TEXT NOT NULL,
  bytes  BLOB NOT NULL
) STRICT;
`;

/** One staged entry with where in the file it stands. */
export interface StagedEntry {
  readonly entry: ReadEntry;
  readonly place: string;
}
interface StagedPicture {
  readonly id: string;
  readonly bowId: string;
  readonly type: KeptType;
  readonly bytes: Buffer;
}

export interface Staging {
  /** Everything comes in between these two: one write to the disk instead of one an entry. */
  readonly begin: () => void;
  readonly commit: () => void;
  readonly sink: Pick<FileSink, 'entry' | 'picture'>;
  readonly bowIds: () => readonly string[];
  readonly entriesOf: (bowId: string) => Generator<StagedEntry>;
  readonly pictureIdsOf: (bowId: string) => readonly string[];
  readonly picture: (id: string) => StagedPicture | null;
  readonly ids: () => ReadonlySet<string>;
  readonly close: () => void;
}

const rowSchema = z.object({ entry: z.string(), place: z.string() });
const pictureSchema = z.object({
  id: z.string(),
  bow_id: z.string(),
  type: z.custom<KeptType>((type) => typeof type === 'string'),
  bytes: z.instanceof(Buffer),
});
const texts = z.array(z.string());

/** Opens a staging file, making it where there is none. It may be thrown away at any moment. */
export function openStaging(path: string): Staging {
  const db = new Database(path);
  db.pragma('journal_mode = OFF');
  db.pragma('synchronous = OFF');
  if (Number(db.pragma('user_version', { simple: true })) === 0) {
    db.exec(SCHEMA);
    db.pragma('user_version = 1');
  }
  const insertEntry = db.prepare(
    'INSERT INTO entry (id, bow_id, place, entry) VALUES (?, ?, ?, ?)',
  );
  const insertPicture = db.prepare(
    'INSERT INTO picture (id, bow_id, type, bytes) VALUES (?, ?, ?, ?)',
  );
  const once = (act: () => unknown, place: string) => {
    try {
      act();
    } catch (error) {
      if (!(error instanceof Database.SqliteError) || !error.code.startsWith('SQLITE_CONSTRAINT'))
        throw error;
      throw new BadFile(place, 'The same id stands in the file twice.', SAVE_AGAIN);
    }
  };
  const selectEntries = db.prepare('SELECT entry, place FROM entry WHERE bow_id = ? ORDER BY line');
  const select = db.prepare('SELECT id, bow_id, type, bytes FROM picture WHERE id = ?');
  const column = (sql: string) => db.prepare(sql).pluck();
  const selectBows = column('SELECT bow_id FROM entry GROUP BY bow_id ORDER BY min(line)');
  const selectPictures = column('SELECT id FROM picture WHERE bow_id = ? ORDER BY id');
  const selectIds = column('SELECT id FROM entry');
  return {
    begin: () => db.exec('BEGIN'),
    commit: () => db.exec('COMMIT'),
    sink: {
      entry: (entry, place) =>
        once(() => insertEntry.run(entry.id, entry.bowId, place, JSON.stringify(entry)), place),
      picture: ({ id, bowId, type, bytes }) =>
        once(() => insertPicture.run(id, bowId, type, bytes), `pictures/${bowId}/${id}`),
    },
    bowIds: () => texts.parse(selectBows.all()),
    *entriesOf(bowId) {
      for (const row of selectEntries.iterate(bowId)) {
        const { entry, place } = rowSchema.parse(row);
        // It has passed the contract on its way in.
        yield { entry: JSON.parse(entry) as ReadEntry, place };
      }
    },
    pictureIdsOf: (bowId) => texts.parse(selectPictures.all(bowId)),
    picture: (id) => {
      const row: unknown = select.get(id);
      if (row === undefined) return null;
      const { bow_id: bowId, ...rest } = pictureSchema.parse(row);
      return { ...rest, bowId };
    },
    ids: () => new Set(texts.parse(selectIds.all())),
    close: () => db.close(),
  };
}
