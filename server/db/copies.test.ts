import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { copyCommand } from '../commands/copy.ts';
import { restoreCommand } from '../commands/restore.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { demoClub } from '#demo/demo-club.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { copiesDir, copiesOf, copyRecord, newestCopy } from './copies.ts';
import { OnlyOneUser } from './in-use.ts';
import { type Db, openDb } from './open.ts';
import { finishRestore, restoreRecord } from './restore.ts';

const DAY_MS = 86_400_000;
const club = demoClub(NOW_MS);

let folder: string;
let file: string;
let db: Db | null;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'keen-limb.db');
  db = openDb(file);
  write(db, 0);
});
afterEach(() => {
  db?.close();
  rmSync(folder, { recursive: true, force: true });
});

function write(into: Db, bow: number): void {
  entryQueries(into).append(club[bow]!, () => undefined);
}
function bowsIn(path: string): number {
  const opened = openDb(path);
  try {
    return entryQueries(opened).bowIds().length;
  } finally {
    opened.close();
  }
}
const closed = () => {
  db?.close();
  db = null;
};

describe('a copy', () => {
  it('is made while the record is open and written to, and holds all that was answered', async () => {
    const copying = copyRecord(file, 'asked', NOW_MS);
    write(db!, 1);
    const path = (await copying)!;
    expect(basename(path)).toBe('2026-05-01T12-00-00-000Z-asked.db');
    expect(readdirSync(copiesDir(file))).toEqual([basename(path)]);
    expect(statSync(path).mode & 0o077).toBe(0);
    write(db!, 2);
    expect(bowsIn(path)).toBe(2);
  });

  it('is made daily only when something has changed', async () => {
    expect(await copyCommand(file, 'daily', NOW_MS)).toContain('Copied and read through');
    expect(await copyCommand(file, 'daily', NOW_MS + DAY_MS)).toContain('Nothing has changed');
    write(db!, 1);
    expect(await copyCommand(file, 'daily', NOW_MS + 2 * DAY_MS)).toContain('Copied');
    expect(copiesOf(file)).toHaveLength(2);
  });

  it('goes when there are enough newer dailies; asked for, or from before a migration, it never does', async () => {
    const kept = [
      '2020-01-01-before-version-3.db',
      '2020-01-02-asked.db',
      '2020-01-03-daily-gaps.db',
    ];
    await copyRecord(file, 'asked', 0);
    const [one] = copiesOf(file);
    for (const name of kept) writeFileSync(join(copiesDir(file), name), readFileSync(one!));
    for (let day = 0; day < 20; day += 1) {
      db!.exec(
        `INSERT INTO picture (id, bow_id, type, bytes) VALUES ('${String(day).padStart(36, '0')}', '${'0'.repeat(36)}', 'image/png', x'01')`,
      );
      await copyCommand(file, 'daily', NOW_MS + day * DAY_MS);
    }
    const names = copiesOf(file).map((path) => basename(path));
    expect(names.filter((name) => name.endsWith('-daily.db'))).toHaveLength(14);
    expect(names).toEqual(expect.arrayContaining(kept));
  });

  it('with rows that turned says so in its name, and is not the one that is named for help', async () => {
    const whole = (await copyRecord(file, 'asked', NOW_MS))!;
    db!.exec('DROP TRIGGER entry_never_changes');
    db!.exec("UPDATE entry SET by = 'X' WHERE seq = 3");
    const gaps = (await copyRecord(file, 'asked', NOW_MS + DAY_MS))!;
    expect(gaps).toMatch(/-gaps\.db$/);
    expect(newestCopy(file)).toBe(whole);
  });

  it('that cannot be kept leaves nothing behind and says so', async () => {
    await expect(copyCommand(join(folder, 'elsewhere.db'), 'asked', NOW_MS)).rejects.toThrow(
      /There is no record at .*elsewhere/,
    );
  });
});

describe('a restore', () => {
  it('puts the copy in place and the record before it aside, whole', async () => {
    const copy = (await copyRecord(file, 'asked', NOW_MS))!;
    write(db!, 1);
    closed();
    const aside = restoreRecord(copy, file, NOW_MS + DAY_MS)!;
    expect(bowsIn(file)).toBe(1);
    expect(bowsIn(aside)).toBe(2);
    expect(existsSync(copy)).toBe(true);
  });

  it('keeps what a killed server had not yet brought into the file', async () => {
    const copy = (await copyRecord(file, 'asked', NOW_MS))!;
    write(db!, 1);
    const left = ['', '-wal'].map((part) => readFileSync(`${file}${part}`));
    closed();
    writeFileSync(file, left[0]!);
    writeFileSync(`${file}-wal`, left[1]!);
    const aside = restoreRecord(copy, file, NOW_MS + DAY_MS)!;
    expect(bowsIn(file)).toBe(1);
    expect(bowsIn(aside)).toBe(2);
  });

  it('refuses while a server has the record open, and the other way round', async () => {
    const copy = (await copyRecord(file, 'asked', NOW_MS))!;
    const server = OnlyOneUser.of(file);
    server.share();
    const before = readFileSync(file);
    expect(() => restoreCommand(copy, file, NOW_MS)).toThrow(/running server.*Nothing was changed/);
    expect(readFileSync(file).equals(before)).toBe(true);
    server.end();
    OnlyOneUser.of(file).during(() => {
      expect(() => OnlyOneUser.of(file).share()).toThrow(/being restored/);
    });
  });

  it.each([
    ['no such file', () => join(folder, 'nowhere.db')],
    [
      'no record',
      () => {
        const path = join(folder, 'notes.db');
        writeFileSync(path, 'my notes');
        return path;
      },
    ],
    [
      'a copy cut off',
      () => {
        const path = join(folder, 'cut.db');
        writeFileSync(path, readFileSync(file).subarray(0, 8192));
        return path;
      },
    ],
  ])('refuses %s, and the record is as it was', (_what, make) => {
    closed();
    const before = readFileSync(file);
    expect(() => restoreCommand(make(), file, NOW_MS)).toThrow(/was not restored.*not changed/);
    expect(readFileSync(file).equals(before)).toBe(true);
    expect(bowsIn(file)).toBe(1);
  });

  it('cut off at any of its steps leaves the old or the new, whole', async () => {
    const copy = (await copyRecord(file, 'asked', NOW_MS))!;
    write(db!, 1);
    closed();
    const old = readFileSync(file);
    const decided = `${file}.restored-2026-05-02-before-restore.db`;
    const aside = join(copiesDir(file), '2026-05-02-before-restore.db');
    const steps: readonly (readonly [string, () => void, number])[] = [
      ['half copied', () => writeFileSync(`${file}.restoring`, old.subarray(0, 5000)), 2],
      ['copied, not decided', () => writeFileSync(`${file}.restoring`, readFileSync(copy)), 2],
      ['decided', () => writeFileSync(decided, readFileSync(copy)), 1],
      [
        'the old one moved aside',
        () => {
          writeFileSync(decided, readFileSync(copy));
          writeFileSync(aside, old);
          rmSync(file);
        },
        1,
      ],
    ];
    for (const [step, cutOff, bows] of steps) {
      for (const name of readdirSync(folder)) if (name !== 'copies') rmSync(join(folder, name));
      rmSync(aside, { force: true });
      writeFileSync(file, old);
      cutOff();
      expect([step, bowsIn(file)]).toEqual([step, bows]);
      if (bows === 1) expect([step, bowsIn(aside)]).toEqual([step, 2]);
      finishRestore(file);
      expect([step, bowsIn(file)]).toEqual([step, bows]);
    }
  });
});

describe('the last daily copy', () => {
  it('is told by its file', async () => {
    await copyCommand(file, 'daily', NOW_MS);
    const [path] = copiesOf(file);
    utimesSync(path!, new Date(NOW_MS), new Date(NOW_MS));
    const { lastDailyMs } = await import('./copies.ts');
    expect(lastDailyMs(file)).toBe(NOW_MS);
  });
});
