import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { type Db, openDb } from './open.ts';
import { presenceOf } from './presence.ts';
import { tidyJournal } from './tidy-journal.ts';

let folder: string;
let file: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'keen-limb.db');
  db = openDb(file);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});
const journalBytes = () => statSync(`${file}-wal`).size;

describe('the journal of a quiet record', () => {
  it('is brought into the file and emptied, and the record is still there to be written', async () => {
    const mustBeThere = presenceOf(file);
    const queries = entryQueries(db, { nowMs: () => NOW_MS, mustBeThere });
    queries.append(demoClub(NOW_MS)[0]!, () => undefined);
    expect(journalBytes()).toBeGreaterThan(0);
    const end = tidyJournal(db, file, 10);
    await expect.poll(journalBytes, { timeout: 60_000 }).toBe(0);
    expect(statSync(file).size).toBeGreaterThan(50_000);
    queries.append(demoClub(NOW_MS)[1]!, () => undefined);
    expect(journalBytes()).toBeGreaterThan(0);
    end();
  });

  it('is left where it is while somebody reads', async () => {
    entryQueries(db).append(demoClub(NOW_MS)[0]!, () => undefined);
    const other = new Database(file);
    other.exec('BEGIN');
    other.prepare('SELECT count(*) FROM entry').get();
    entryQueries(db).append(demoClub(NOW_MS)[1]!, () => undefined);
    const end = tidyJournal(db, file, 10);
    await new Promise((later) => setTimeout(later, 500));
    expect(journalBytes()).toBeGreaterThan(0);
    other.close();
    await expect.poll(journalBytes, { timeout: 60_000 }).toBe(0);
    end();
    expect(entryQueries(db).bowIds()).toHaveLength(2);
  });
});
