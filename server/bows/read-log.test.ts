import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as newId } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Entry } from '#core/log/entry.ts';
import { demoClub } from '#demo/demo-club.ts';
import { type Db, openDb } from '../db/open.ts';
import { entryQueries } from './entry-queries.ts';
import { logReader } from './read-log.ts';

const NOW_MS = Date.UTC(2026, 4, 1, 12);
const [heron, wren] = demoClub(NOW_MS) as [readonly Entry[], readonly Entry[]];
const heronId = heron[0]!.bowId;
const twist = (): Entry => ({
  id: newId(),
  bowId: heronId,
  at: new Date(NOW_MS).toISOString(),
  by: 'Test',
  body: { kind: 'change', control: 'twists', amount: 1, because: '' },
});
const unchecked = () => undefined;

let folder: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  db = openDb(join(folder, 'log.db'));
  entryQueries(db).append(heron, unchecked);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

describe('logReader', () => {
  it('gives the very same list until something is added to that bow', () => {
    const reader = logReader(db);
    const first = reader.logOf(heronId);
    entryQueries(db).append(wren, unchecked);
    expect(reader.logOf(heronId)).toBe(first);
    entryQueries(db).append([twist()], unchecked);
    const second = reader.logOf(heronId);
    expect(second).not.toBe(first);
    expect(second.entries.slice(0, first.entries.length)).toEqual(first.entries);
    expect(first.entries).toHaveLength(heron.length);
  });

  it('reads what another program has added meanwhile, as a fresh reader would', () => {
    const reader = logReader(db);
    reader.logOf(heronId);
    const other = openDb(join(folder, 'log.db'));
    for (let i = 0; i < 5; i += 1) {
      entryQueries(i % 2 === 0 ? other : db).append([twist()], unchecked);
      expect(reader.logOf(heronId)).toEqual(logReader(other).logOf(heronId));
    }
    other.close();
    expect(reader.logOf(heronId).entries).toHaveLength(heron.length + 5);
  });

  it('forgets what a transaction wrote and took back', () => {
    const reader = logReader(db);
    const before = reader.logOf(heronId);
    const { id, bowId, at, by, body } = twist();
    expect(() =>
      db.transaction(() => {
        db.prepare('INSERT INTO entry (id, bow_id, at, by, body) VALUES (?, ?, ?, ?, ?)').run(
          id,
          bowId,
          at,
          by,
          JSON.stringify(body),
        );
        expect(reader.logOf(heronId).setAside).toHaveLength(before.setAside.length + 1);
        throw new Error('taken back');
      })(),
    ).toThrow('taken back');
    expect(reader.logOf(heronId)).toBe(before);
  });

  it('has an empty log for a bow nobody made', () => {
    expect(logReader(db).logOf(newId()).entries).toEqual([]);
  });
});
