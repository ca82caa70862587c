import { existsSync } from 'node:fs';
import Database from 'better-sqlite3';
import { v7 as newId } from 'uuid';
import { z } from 'zod';
import type { BowChoice, ImportPlan, ImportProgress, TakenIn } from '#contract/file-import.ts';
import { ENTRY_VERSION } from '#contract/entry-version.ts';
import { entrySum } from '../db/entry-sum.ts';
import type { Db } from '../db/open.ts';
import { pictureQueries } from '../pictures/picture-queries.ts';
import { type AnotherBow, asAnotherBow } from './as-another-bow.ts';
import type { ReadEntry } from './read-workshop-file.ts';
import { openStaging, type Staging } from './staging.ts';

/** Why nothing was taken. */
export const notTakenSchema = z.discriminatedUnion('kind', [
  /** A bow is chosen to be added though something of it conflicts, or is not in the file. */
  z.strictObject({ kind: z.literal('conflict'), bowId: z.string() }),
  /** The record has changed since it was compared with. */
  z.strictObject({ kind: z.literal('changed') }),
  z.strictObject({ kind: z.literal('noRoomForPictures') }),
  /** The file was thrown away meanwhile. */
  z.strictObject({ kind: z.literal('cancelled') }),
]);
export type NotTaken = z.infer<typeof notTakenSchema>;

/** Nothing was taken, and why. */
export class TakesNothing extends Error {
  readonly why: NotTaken;
  constructor(why: NotTaken) {
    super(why.kind);
    this.why = why;
  }
}

/** What is taken of a file, and who follows it. */
interface Take {
  readonly plan: ImportPlan;
  readonly choices: readonly BowChoice[];
  readonly onProgress?: (progress: ImportProgress) => void;
  /** Asked now and then, and last before all of it is kept: false lets nothing be taken. */
  readonly isWanted?: () => boolean;
}

export interface TakeTask extends Take {
  /** Thrown away while it is taken from, nothing is taken. */
  readonly stagingPath: string;
  readonly onProgress: (progress: ImportProgress) => void;
}

/**
 * Takes the chosen bows of the file that is staged there, as long as it is there.
 *
 * @throws TakesNothing
 */
export function takeStagedFile(db: Db, { stagingPath, isWanted, ...take }: TakeTask): TakenIn {
  const isThere = () => existsSync(stagingPath) && isWanted?.() !== false;
  // Opened, one that was thrown away would be made anew.
  if (!isThere()) throw new TakesNothing({ kind: 'cancelled' });
  const staging = openStaging(stagingPath);
  try {
    return takeStaged(staging, db, { ...take, isWanted: isThere });
  } finally {
    staging.close();
  }
}

/** So many entries are taken between two looks at whether they are wanted still. */
const LOOK_EVERY_ENTRIES = 500;

/**
 * Takes the chosen bows of a staged file into the record: all of it or, whatever happens, nothing.
 *
 * @throws TakesNothing
 */
export function takeStaged(
  staging: Staging,
  db: Db,
  { plan, choices, onProgress, isWanted = () => true }: Take,
): TakenIn {
  const astray = choices.find(
    ({ bowId, how }) =>
      how !== 'leave' &&
      plan.bows.every((one) => one.bowId !== bowId || (how === 'add' && one.conflictCount > 0)),
  );
  if (astray !== undefined) throw new TakesNothing({ kind: 'conflict', bowId: astray.bowId });
  try {
    return db
      .transaction(() => {
        mustBeAsPlanned(staging, db, plan);
        const taken = { bows: 0, entries: 0, pictures: 0 };
        const inAll = entriesInAll(plan, choices);
        let looked = 0;
        const onLooked = () => {
          looked += 1;
          if (looked % LOOK_EVERY_ENTRIES !== 0) return;
          if (!isWanted()) throw new TakesNothing({ kind: 'cancelled' });
          onProgress?.({ share: Math.min(1, looked / Math.max(1, inAll)), entries: looked });
        };
        const store = { ...storing(db), onLooked };
        for (const choice of choices) {
          if (choice.how === 'leave') continue;
          const added = takeBow(staging, choice, store);
          taken.bows += 1;
          taken.entries += added.entries;
          taken.pictures += added.pictures;
        }
        if (!isWanted()) throw new TakesNothing({ kind: 'cancelled' });
        return taken;
      })
      .immediate();
  } catch (error) {
    // Made here since by another entry, or under the same id: as much as a change of the record.
    if (error instanceof Database.SqliteError && error.code.startsWith('SQLITE_CONSTRAINT'))
      throw new TakesNothing({ kind: 'changed' });
    throw error;
  }
}

function entriesInAll({ bows }: ImportPlan, choices: readonly BowChoice[]): number {
  const left = new Set(choices.filter(({ how }) => how === 'leave').map(({ bowId }) => bowId));
  return bows
    .filter(({ bowId }) => !left.has(bowId))
    .reduce((sum, { entries }) => sum + entries, 0);
}

/** What came since the plan was made must not be of what the file holds. */
function mustBeAsPlanned(staging: Staging, db: Db, { newestSeq }: ImportPlan): void {
  const since = db.prepare('SELECT id FROM entry WHERE seq > ?').pluck().all(newestSeq);
  if (since.length === 0) return;
  const staged = staging.ids();
  if (since.some((id) => typeof id === 'string' && staged.has(id)))
    throw new TakesNothing({ kind: 'changed' });
}

interface Store {
  readonly isThere: (id: string) => boolean;
  readonly entry: (entry: ReadEntry) => void;
  readonly pictures: ReturnType<typeof pictureQueries>;
  /** After each entry of the file, stored or there already. */
  readonly onLooked: () => void;
}

function storing(db: Db): Omit<Store, 'onLooked'> {
  const newest = db
    .prepare("SELECT coalesce(max(seq), 0) FROM sqlite_sequence WHERE name = 'entry'")
    .pluck();
  const there = db.prepare('SELECT 1 FROM entry WHERE id = ?');
  const insert = db.prepare(
    'INSERT INTO entry (seq, id, bow_id, at, by, body, taken_ms, device, count, version, sum) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
  );
  let seq = Number(newest.get());
  return {
    isThere: (id) => there.get(id) !== undefined,
    entry: ({ id, bowId, at, by, body, taken }) => {
      seq += 1;
      const { ms, device, count } = taken;
      const text = JSON.stringify(body);
      const row = [seq, id, bowId, at, by, text, ms, device, count, ENTRY_VERSION] as const;
      insert.run(...row, entrySum(...row));
    },
    pictures: pictureQueries(db),
  };
}

function takeBow(
  staging: Staging,
  choice: Exclude<BowChoice, { how: 'leave' }>,
  { isThere, entry: store, pictures, onLooked }: Store,
): { readonly entries: number; readonly pictures: number } {
  const { bowId } = choice;
  const pictureIds = staging.pictureIdsOf(bowId);
  const another = choice.how === 'another' ? renaming(staging, bowId, choice.name) : null;
  const bowNow = another?.bowId ?? bowId;
  const taken = { entries: 0, pictures: 0 };
  for (const { entry } of staging.entriesOf(bowId)) {
    onLooked();
    const read = another === null ? entry : another.entry(entry);
    if (isThere(read.id)) continue;
    store(read);
    taken.entries += 1;
  }
  for (const id of pictureIds) {
    const picture = staging.picture(id);
    if (picture === null) continue;
    const kept = pictures.keep({
      ...picture,
      id: another?.pictureId(id) ?? id,
      bowId: bowNow,
    });
    if (kept === 'full') throw new TakesNothing({ kind: 'noRoomForPictures' });
    if (kept === 'taken') throw new TakesNothing({ kind: 'conflict', bowId });
    if (kept === 'stored') taken.pictures += 1;
  }
  return taken;
}

function renaming(
  staging: Staging,
  bowId: string,
  name: string,
): AnotherBow & { readonly bowId: string } {
  const newBowId = newId();
  function* log() {
    for (const { entry } of staging.entriesOf(bowId)) yield entry;
  }
  const another = asAnotherBow(log(), staging.pictureIdsOf(bowId), { newBowId, name });
  return { ...another, bowId: newBowId };
}
