import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type BowChoice, type ImportPlan } from '#contract/file-import.ts';
import { foldLog } from '#core/log/fold.ts';
import type { Entry } from '#core/log/entry.ts';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import type { Db } from '../db/open.ts';
import { NOW_MS, twist } from '../fixtures/club-server.ts';
import { addAll, emptyRecord, FileBench } from '../fixtures/workshop-files.ts';
import { pictureQueries } from '../pictures/picture-queries.ts';

const bench = new FileBench();
let club: Db;
let heronId: string;
let picture: Buffer;
let pictureId: string;
let file: string;
beforeAll(async () => {
  club = emptyRecord();
  const queries = entryQueries(club, { nowMs: () => NOW_MS, mustBeThere: () => undefined });
  for (const entries of demoClub(NOW_MS)) queries.append(entries, () => undefined);
  heronId = queries.bowIds().find((id) => queries.stateOf(id)?.bow.name === 'Heron')!;
  picture = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#c84' } })
    .jpeg()
    .toBuffer();
  pictureId = newId();
  pictureQueries(club).keep({ id: pictureId, bowId: heronId, type: 'image/jpeg', bytes: picture });
  queries.append(
    [entryOf(heronId, { kind: 'note', text: 'As it hung.', pictureIds: [pictureId] })],
    () => undefined,
  );
  file = await bench.save(club);
});
afterAll(() => bench.end());

function entryOf(bowId: string, body: Entry['body']): Entry {
  return { id: newId(), bowId, at: new Date(NOW_MS).toISOString(), by: 'Test', body };
}
const logOf = (db: Db, bowId: string) =>
  entryQueries(db)
    .logOf(bowId)
    .map(({ seq: _seq, ...entry }) => entry);
const planned = (plan: ImportPlan, bowId = heronId) =>
  plan.bows.find((one) => one.bowId === bowId)!;
const everything = (db: Db) => [
  db.prepare('SELECT * FROM entry ORDER BY seq').all(),
  db.prepare('SELECT * FROM picture ORDER BY id').all(),
];

describe('a workshop file', () => {
  it('taken into an empty record and saved from there is the same, byte for byte', async () => {
    const other = emptyRecord();
    const taken = await bench.take(file, other);
    expect(taken).toMatchObject({ bows: demoClub(NOW_MS).length, pictures: 1 });
    expect(readFileSync(await bench.save(other)).equals(readFileSync(file))).toBe(true);
    for (const bowId of entryQueries(club).bowIds())
      expect(foldLog(entryQueries(other).logOf(bowId))?.bow).toEqual(
        foldLog(entryQueries(club).logOf(bowId))?.bow,
      );
    expect(pictureQueries(other).of(pictureId)?.bytes.equals(picture)).toBe(true);
  });

  it('taken in a second time adds nothing, and says so before', async () => {
    const other = emptyRecord();
    await bench.take(file, other);
    const before = everything(other);
    const plan = await bench.plan(file, other);
    for (const bow of plan.bows)
      expect(bow).toMatchObject({ fresh: 0, there: bow.entries, freshPictures: 0, conflicts: [] });
    expect(await bench.take(file, other)).toMatchObject({ entries: 0, pictures: 0 });
    expect(everything(other)).toEqual(before);
  });

  it('of one bow holds that bow only; what was logged since is added to it', async () => {
    const other = emptyRecord();
    await bench.take(await bench.save(club, [heronId]), other);
    expect(entryQueries(other).bowIds()).toEqual([heronId]);
    const more = entryQueries(club);
    const later = entryOf(heronId, twist());
    more.append([later], () => undefined);
    try {
      const plan = await bench.plan(await bench.save(club, [heronId]), other);
      expect(planned(plan)).toMatchObject({ fresh: 1, isHere: true });
      await bench.take(await bench.save(club, [heronId]), other);
      expect(logOf(other, heronId)).toEqual(logOf(club, heronId));
    } finally {
      file = await bench.save(club);
    }
  });

  it('that says something else under the same id is never taken over it', async () => {
    const other = emptyRecord();
    const queries = entryQueries(other);
    const [made, second, ...rest] = entryQueries(club).logOf(heronId);
    const odd = { ...second!, by: 'Somebody else' };
    queries.append([made!, odd, ...rest.slice(0, 5)], () => undefined);
    const before = everything(other);
    const bow = planned(await bench.plan(file, other));
    expect(bow.conflictCount).toBe(1);
    expect(bow.conflicts[0]).toMatchObject({ place: `bows/${heronId}.jsonl, line 2` });
    expect(bow.conflicts[0]!.says).toContain('Somebody else');
    await expect(bench.take(file, other)).rejects.toMatchObject({ why: { kind: 'conflict' } });
    expect(everything(other)).toEqual(before);
    const others = ({ bows }: ImportPlan): BowChoice[] =>
      bows.map(({ bowId }) => ({ bowId, how: bowId === heronId ? 'leave' : 'add' }));
    const taken = await bench.take(file, other, others);
    expect(taken.bows).toBe(demoClub(NOW_MS).length - 1);
    expect(logOf(other, heronId)).toHaveLength(7);
  });

  it('is taken as another bow under another name, twice if need be', async () => {
    const other = emptyRecord();
    const one = await bench.save(club, [heronId]);
    await bench.take(one, other);
    const as = (name: string) => () => [{ bowId: heronId, how: 'another' as const, name }];
    await bench.take(one, other, as('Heron as it was'));
    await bench.take(one, other, as('Heron again'));
    const queries = entryQueries(other);
    const states = queries.bowIds().map((id) => queries.stateOf(id)!);
    expect(states.map(({ bow }) => bow.name)).toEqual(['Heron', 'Heron as it was', 'Heron again']);
    const [first, second] = states;
    expect(second!.sessions.map(({ shots }) => shots.length)).toEqual(
      first!.sessions.map(({ shots }) => shots.length),
    );
    expect(second!.moved).toEqual(first!.moved);
    expect(second!.undoneIds.size).toBe(first!.undoneIds.size);
    // No id is shared but those of the workshop's builds and parts.
    const ids = (id: string) => new Set(queries.logOf(id).map((entry) => entry.id));
    expect([...ids(second!.bowId)].filter((id) => ids(first!.bowId).has(id))).toEqual([]);
    expect([...second!.builds.keys()]).toEqual([...first!.builds.keys()]);
    const kept = queries.logOf(second!.bowId).findLast(({ body }) => body.kind === 'note')!.body;
    const renamed = kept.kind === 'note' ? kept.pictureIds![0]! : '';
    expect(renamed).not.toBe(pictureId);
    expect(pictureQueries(other).of(renamed)?.bowId).toBe(second!.bowId);
  });

  it('looked at before the record changed is not taken after it', async () => {
    const other = emptyRecord();
    const later = (plan: ImportPlan) => {
      entryQueries(other).append([entryQueries(club).logOf(heronId)[0]!], () => undefined);
      return addAll(plan);
    };
    await expect(bench.take(file, other, later)).rejects.toMatchObject({
      why: { kind: 'changed' },
    });
    expect(entryQueries(other).count()).toBe(1);
  });

  it('with figures past a limit is flagged and taken', async () => {
    const other = emptyRecord();
    const source = emptyRecord();
    const queries = entryQueries(source);
    queries.append(entryQueries(club).logOf(heronId), () => undefined);
    queries.append(
      [
        entryOf(heronId, {
          kind: 'reading',
          reading: 'braceHeight',
          values: [9000],
          typed: '9000',
          datum: '',
          tool: '',
          source: 'measured',
          confirmedUnlikely: true,
        }),
        { ...entryOf(heronId, twist()), taken: { ms: NOW_MS + 1e12, device: 'x', count: 1 } },
        entryOf(heronId, { kind: 'sessionClosed', sessionId: newId() }),
      ],
      () => undefined,
    );
    const saved = await bench.save(source);
    const { flags } = planned(await bench.plan(saved, other, NOW_MS));
    const says = flags.map((flag) => flag.says).join('\n');
    expect(says).toMatch(/figure nobody can have read/);
    expect(says).toMatch(/clock that was ahead/);
    expect(says).toMatch(/nowhere/);
    expect(says).toMatch(/As the bow stands then/);
    await bench.take(saved, other);
    expect(logOf(other, heronId)).toEqual(logOf(source, heronId));
  });
});

describe('a file of the earlier form', () => {
  it('is brought to today’s: what says no device keeps its place', async () => {
    const log = entryQueries(club).logOf(heronId);
    const lines = log.map(({ id, bowId, at, by, body }) =>
      JSON.stringify({ id, bowId, at, by, body }),
    );
    const old = await bench.zip({
      'about.json': JSON.stringify({ format: 'keen-limb-workshop', version: 1, entryVersion: 1 }),
      [`bows/${heronId}.jsonl`]: `${lines.join('\n')}\n`,
    });
    const other = emptyRecord();
    await bench.take(old, other);
    const back = entryQueries(other).logOf(heronId);
    expect(back.map(({ id }) => id)).toEqual(log.map(({ id }) => id));
    expect(back.every(({ taken }, at) => taken?.device === '' && taken.count === at + 1)).toBe(
      true,
    );
    expect(foldLog(back)?.moved).toEqual(foldLog(log)?.moved);
  });
});
