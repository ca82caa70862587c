import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { LoggedEntry } from '#core/log/entry.ts';
import { checkChanges } from '#core/limits/check-proposal.ts';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { openDb } from './open.ts';
import { StartFault } from './start-fault.ts';

const RUNS = Number(process.env['KEEN_LIMB_FLIPS'] ?? 120);
const SEED = Number(process.env['KEEN_LIMB_SEED'] ?? Date.now() % 2 ** 31);
console.log(`flipped bytes: ${RUNS} with seed ${SEED}`);

let folder: string;
let file: string;
let whole: Buffer;
const logs = new Map<string, readonly LoggedEntry[]>();

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'keen-limb.db');
  const db = openDb(file);
  const queries = entryQueries(db);
  for (const entries of demoClub(NOW_MS).slice(0, 4)) queries.append(entries, () => undefined);
  for (const bowId of queries.bowIds()) logs.set(bowId, queries.logOf(bowId));
  // No bytes left behind by rows that were moved: what is spoiled is what is read.
  db.exec('VACUUM');
  db.close();
  whole = readFileSync(file);
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});
beforeEach(() => {
  place(whole);
});

function place(bytes: Buffer): void {
  rmSync(folder, { recursive: true, force: true });
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'keen-limb.db');
  writeFileSync(file, bytes);
}

/** Turns bytes on the disk, as a failing one would: the last place where the text stands. */
function spoil(text: string, instead: string): void {
  const bytes = Buffer.from(readFileSync(file));
  const at = bytes.lastIndexOf(text);
  if (at < 0 || text.length !== instead.length) throw new Error(`nothing to spoil: ${text}`);
  bytes.write(instead, at, 'latin1');
  writeFileSync(file, bytes);
}
const [firstBow, otherBow] = demoClub(NOW_MS).map((entries) => entries[0]!.bowId) as [
  string,
  string,
];

describe('one row that cannot be relied on', () => {
  const rowOf = (seq: number) => {
    const { id, bowId, at, by, body } = logs.get(firstBow)![seq - 1]!;
    return `${id}${bowId}${at}${by}${JSON.stringify(body)}`;
  };
  const ID = 36;
  const turn = (text: string, at: number, instead: string) =>
    text.slice(0, at) + instead + text.slice(at + 1);
  const spoiled = [
    ['no JSON any more', (row: string) => turn(row, row.indexOf('{'), '[')],
    ['another word', (row: string) => row.replace(/e(?=[^e]*$)/, 'a')],
    ['another moment', (row: string) => turn(row, 2 * ID + 3, '5')],
    ['another id', (row: string) => turn(row, 3, row[3] === 'f' ? 'e' : 'f')],
    ['an id that is no text', (row: string) => turn(row, 3, '\xff')],
  ] as const;
  it.each(spoiled)(
    '%s: set aside, the rest of the bow and every other bow go on',
    (_what, turned) => {
      spoil(rowOf(5), turned(rowOf(5)));
      const db = openDb(file);
      const queries = entryQueries(db);
      const [row, ...more] = queries.setAsideOf(firstBow);
      expect(more).toEqual([]);
      expect(row?.seq).toBe(5);
      expect(JSON.parse(row!.row)).toHaveProperty('body');
      expect(queries.logOf(firstBow)).toEqual(logs.get(firstBow)!.filter(({ seq }) => seq !== 5));
      for (const bowId of queries.bowIds().filter((id) => id !== firstBow)) {
        expect(queries.logOf(bowId)).toEqual(logs.get(bowId));
        expect(queries.setAsideOf(bowId)).toEqual([]);
      }
      db.close();
    },
  );

  it('of a newer program is set aside and said to be that', () => {
    const before = openDb(file);
    before.exec('DROP TRIGGER entry_never_changes');
    before.exec(`UPDATE entry SET version = 9 WHERE seq = 5;
      UPDATE entry SET sum = entry_sum(seq, id, bow_id, at, by, body, taken_ms, device, count, version) WHERE seq = 5`);
    before.close();
    const db = openDb(file);
    expect(entryQueries(db).setAsideOf(firstBow)).toMatchObject([{ seq: 5, why: 'newer' }]);
    db.close();
  });

  it('lets nothing be proposed on that bow that cannot be undone, and all of it on another', () => {
    const last = rowOf(logs.get(firstBow)!.length);
    spoil(last, turn(last, last.indexOf('{'), '['));
    const db = openDb(file);
    const queries = entryQueries(db);
    const cut = [{ control: 'shaftCut', amount: 3 }] as const;
    expect(queries.stateOf(firstBow)?.unreadable).toBe(1);
    expect(checkChanges(queries.stateOf(firstBow)!, cut)?.code).toBe('recordHasGaps');
    expect(checkChanges(queries.stateOf(otherBow)!, cut)?.code).not.toBe('recordHasGaps');
    expect(
      checkChanges(queries.stateOf(firstBow)!, [{ control: 'plungerPreload', amount: 0.25 }]),
    ).toBeNull();
    db.close();
  });

  it('that made the bow leaves it counted, though nothing is known of it', () => {
    spoil(rowOf(1), turn(rowOf(1), rowOf(1).indexOf('{'), '['));
    const db = openDb(file);
    const queries = entryQueries(db);
    expect(queries.stateOf(firstBow)).toBeNull();
    expect(queries.bowIds()).toContain(firstBow);
    expect(queries.setAsideOf(firstBow)).toHaveLength(1);
    db.close();
  });
});

describe('a row that names no bow any more', () => {
  it.each(['0', 'z', '\xff'])('is a stray, and every bow may lack it: %j', (letter) => {
    const { id, bowId, at } = logs.get(firstBow)![4]!;
    spoil(`${id}${bowId}${at}`, `${id}${letter}${bowId.slice(1)}${at}`);
    const db = openDb(file);
    const queries = entryQueries(db);
    expect(queries.strays()).toMatchObject([{ seq: 5, why: 'changed' }]);
    expect(queries.stateOf(otherBow)?.unreadable).toBe(1);
    expect(queries.logOf(firstBow)).toHaveLength(logs.get(firstBow)!.length - 1);
    db.close();
  });
});

describe('any byte of the file that turned', () => {
  it('is refused in words or set aside; nothing is read as something else, and nobody else is closed out', () => {
    let opened = 0;
    let refused = 0;
    const place8 = fc.tuple(fc.nat({ max: whole.length - 1 }), fc.integer({ min: 1, max: 255 }));
    fc.assert(
      fc.property(place8, ([at, flip]) => {
        const bytes = Buffer.from(whole);
        bytes[at] = bytes[at]! ^ flip;
        place(bytes);
        let db: Database.Database;
        try {
          db = openDb(file);
        } catch (error) {
          refused += 1;
          expect(error).toBeInstanceOf(StartFault);
          expect((error as Error).message).not.toContain('\n');
          return;
        }
        opened += 1;
        const queries = entryQueries(db);
        let missing = 0;
        for (const [bowId, log] of logs) {
          const read = queries.logOf(bowId);
          const stored = new Map(log.map((entry) => [entry.id, entry]));
          // Nothing is read that was not written.
          for (const entry of read) expect(entry).toEqual(stored.get(entry.id));
          missing += log.length - read.length;
        }
        // One byte is in one row: no more than that is missing.
        expect(missing).toBeLessThanOrEqual(1);
        const own = [...logs.keys()].reduce((sum, id) => sum + queries.setAsideOf(id).length, 0);
        expect(own + queries.strays().length).toBe(missing);
        db.close();
      }),
      { numRuns: RUNS, seed: SEED },
    );
    console.log(`${opened} opened, ${refused} refused`);
    // Most of a record is what was written into it: most flips close nothing.
    expect(opened).toBeGreaterThan(RUNS / 2);
  });
});
