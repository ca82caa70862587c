import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import type { Entry } from '#core/log/entry.ts';
import { demoClub } from '#demo/demo-club.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { entryQueries } from './bows/entry-queries.ts';
import { copiesOf, copyRecord } from './db/copies.ts';
import { openDb } from './db/open.ts';
import { note, Program } from './fixtures/program.ts';

/** How often the plug is pulled: a few in every run of the tests, 200 in `npm run torture`. */
const ROUNDS = Number(process.env['KEEN_LIMB_KILLS'] ?? 4);
const SEED = Number(process.env['KEEN_LIMB_SEED'] ?? Date.now() % 2 ** 31);
console.log(`kills: ${ROUNDS}, seed ${SEED}`);

const OLD_RECORD = new URL('fixtures/records/schema-2.db.gz', import.meta.url).pathname;
/** A record of an earlier form takes its place this often: then the plug is pulled while it is migrated. */
const OLD_EVERY = 3;
const WRITERS = 3;

let folder: string;
let file: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

function placeOldRecord(round: number): void {
  mkdirSync(join(folder, `old-${round}`));
  file = join(folder, `old-${round}`, 'keen-limb.db');
  writeFileSync(file, gunzipSync(readFileSync(OLD_RECORD)));
}

/** Writes until the plug is pulled; returns what was answered as stored, in order. */
async function writeUntilKilled(program: Program, bowId: string, killMs: number) {
  const stored: string[] = [];
  let over = false;
  const writer = async (name: number) => {
    for (let n = 1; !over; n += 1) {
      const entry = note(bowId, `${name}.${n}`, n);
      const answer = await program.post(bowId, [entry]).catch(() => null);
      if (answer?.status === 201) stored.push(entry.id);
    }
  };
  const writers = Array.from({ length: WRITERS }, (_, name) => writer(name));
  await new Promise((later) => setTimeout(later, killMs));
  // A machine with much else to do has answered nothing by then: a plug pulled on an idle server shows nothing.
  await vi.waitFor(() => expect(stored.length).toBeGreaterThan(1), {
    timeout: 60_000,
    interval: 5,
  });
  await program.kill();
  over = true;
  await Promise.all(writers);
  return stored;
}

it('a pulled plug loses nothing that was answered and doubles nothing, with copies and migrations at work', async () => {
  const uniform = seededUniform(SEED);
  let answered = 0;
  let migrating = 0;
  const known = new Map<string, readonly string[]>();
  for (let round = 0; round < ROUNDS; round += 1) {
    if (round % OLD_EVERY === 0) {
      placeOldRecord(round);
      known.clear();
      // Killed while it starts: checked, copied, migrated or not at all.
      const starting = new Program([], { KEEN_LIMB_DB: file });
      await new Promise((later) => setTimeout(later, 150 + uniform() * 350));
      if (!starting.said.includes('http')) migrating += 1;
      await starting.kill();
    }
    const copyHours = String((0.05 + uniform() * 0.1) / 3600);
    const program = new Program([], { KEEN_LIMB_DB: file, KEEN_LIMB_COPY_HOURS: copyHours });
    expect(await program.listening(), program.said).toBe(true);
    const bowId = await program.firstBow();
    const stored = await writeUntilKilled(program, bowId, 100 + uniform() * 500);
    answered += stored.length;
    known.set(bowId, [...(known.get(bowId) ?? []), ...stored]);

    const db = openDb(file);
    const queries = entryQueries(db);
    const ids = queries.logOf(bowId).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const there = new Set(ids);
    expect((known.get(bowId) ?? []).filter((id) => !there.has(id))).toEqual([]);
    expect(queries.setAsideOf(bowId)).toEqual([]);
    db.close();
  }
  const copies = copiesOf(file);
  for (const copy of copies) {
    const db = openDb(copy);
    const ids = new Set(
      entryQueries(db)
        .bowIds()
        .flatMap((id) =>
          entryQueries(db)
            .logOf(id)
            .map((one) => one.id),
        ),
    );
    expect(ids.size).toBeGreaterThan(0);
    db.close();
  }
  console.log(
    `${answered} answered entries, ${migrating} kills before it served, ${copies.length} copies`,
  );
  expect(answered).toBeGreaterThan(ROUNDS);
  expect(copies.length).toBeGreaterThan(0);
});

it('a restore cut off at any moment leaves the old record or the new one, whole', async () => {
  const place = join(folder, 'restoring');
  mkdirSync(place);
  file = join(place, 'keen-limb.db');
  const db = openDb(file);
  const [heron, wren] = demoClub(Date.now()) as [readonly Entry[], readonly Entry[]];
  entryQueries(db).append(heron, () => undefined);
  const copy = (await copyRecord(file, 'asked', Date.now()))!;
  entryQueries(db).append(wren, () => undefined);
  db.close();
  const old = readFileSync(file);
  const uniform = seededUniform(SEED + 1);
  const seen = new Map<number, number>();
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const name of readdirSync(place)) if (name !== 'copies') rmSync(join(place, name));
    writeFileSync(file, old);
    const restoring = new Program(['restore', copy], { KEEN_LIMB_DB: file });
    // Until it has done its work, as far as a clock can tell, and a little before.
    await new Promise((later) => setTimeout(later, 250 + uniform() * 900));
    await restoring.kill();
    const after = openDb(file);
    const queries = entryQueries(after);
    const entries = queries.bowIds().reduce((sum, id) => sum + queries.logOf(id).length, 0);
    seen.set(entries, (seen.get(entries) ?? 0) + 1);
    after.close();
  }
  const whole = [heron.length, heron.length + wren.length];
  console.log(
    `restores cut off: ${[...seen].map(([entries, times]) => `${entries} entries ${times} times`).join(', ')}`,
  );
  for (const entries of seen.keys()) expect(whole).toContain(entries);
});
