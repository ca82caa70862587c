import {
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { numbered } from './migrations.ts';
import { openDb } from './open.ts';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'keen-limb.db');
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** A record with two bows, closed as a server closes it. */
function writeRecord(): void {
  const db = openDb(file);
  const queries = entryQueries(db);
  for (const entries of demoClub(NOW_MS).slice(0, 2)) queries.append(entries, () => undefined);
  db.close();
}
const refusal = () => {
  try {
    openDb(file).close();
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
  return 'it opened';
};

describe('the database', () => {
  it('refuses to change or drop what is written', () => {
    const db = openDb(':memory:');
    const q = entryQueries(db);
    q.append(demoClub(NOW_MS)[0]!, () => undefined);
    expect(() => db.exec("UPDATE entry SET by = 'someone'")).toThrow(/append-only/);
    expect(() => db.exec('DELETE FROM entry')).toThrow(/append-only/);
  });
  it('is durable before it answers: WAL and synchronous FULL', () => {
    const db = openDb(file);
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    db.close();
  });
  it('is nobody’s to read but its owner’s', () => {
    writeRecord();
    expect(statSync(file).mode & 0o777).toBe(0o600);
  });
  it('makes a request wait for a lock a moment, not seconds', () => {
    writeRecord();
    const db = openDb(file);
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    expect(() => db.exec('BEGIN IMMEDIATE')).toThrow(/locked/);
    expect(Number(db.pragma('busy_timeout', { simple: true }))).toBeLessThan(500);
    other.close();
    db.close();
  });
});

describe('what cannot be opened', () => {
  const refused = [
    [
      'a record of a newer program',
      () => {
        writeRecord();
        const db = new Database(file);
        db.pragma('journal_mode = DELETE');
        db.pragma('user_version = 99');
        db.close();
      },
      /newer program \(its form is 99, .*Nothing was changed\. Start the newer program\.$/,
    ],
    [
      'a file that is no record',
      () => {
        writeFileSync(file, 'these are my notes on the club’s bows\n'.repeat(300));
      },
      /damaged or no record.*Nothing was changed.*npm run restore FILE/,
    ],
    [
      'a file cut off in the middle',
      () => {
        writeRecord();
        truncateSync(file, Math.floor(statSync(file).size / 8192) * 4096);
      },
      /is damaged \(.+\)\. Nothing was changed\./,
    ],
  ] as const;
  it.each(refused)(
    '%s is refused in one line, and not a byte of it is touched',
    (_what, make, words) => {
      make();
      const before = readFileSync(file);
      const said = refusal();
      expect(said).toMatch(words);
      expect(said).not.toContain('\n');
      expect(readFileSync(file).equals(before)).toBe(true);
      expect(readdirSync(folder)).toEqual(['keen-limb.db']);
    },
  );

  it('names the newest verified copy where there is one', () => {
    writeRecord();
    const copies = join(folder, 'copies');
    const db = openDb(file);
    db.close();
    rmSync(copies, { recursive: true, force: true });
    writeFileSync(file, 'no record');
    expect(refusal()).toContain('There is no copy beside it');
  });

  it('is said of a folder in its place too', () => {
    file = folder;
    expect(refusal()).toMatch(/Nothing was changed/);
  });
});

describe('migrations', () => {
  it('are known by their number, each there once', () => {
    const files = { './m/0002-b.sql': 'b', './m/0001-a.sql': 'a' };
    expect(numbered(files).map(({ number, sql }) => [number, sql])).toEqual([
      [1, 'a'],
      [2, 'b'],
    ]);
    expect(() => numbered({ './m/0001-a.sql': '', './m/0003-c.sql': '' })).toThrow('migration 2');
    expect(() => numbered({ './m/0001-a.sql': '', './m/0001-c.sql': '' })).toThrow('migration 2');
    expect(() => numbered({ './m/first.sql': '' })).toThrow('no number');
  });
});
