import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { logResponseSchema } from '#contract/entry.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { copiesOf } from './copies.ts';
import { NEWEST_SCHEMA } from './migrations.ts';
import { openDb, schemaOf } from './open.ts';

/**
 * Records written by each earlier form of the program: the database, its logs as they were answered,
 * and what that program itself made of them. Never written anew: they are what is on people's disks.
 */
const RECORDS = new URL('../fixtures/records/', import.meta.url).pathname;
const FORMS = readdirSync(RECORDS).flatMap(
  (name) => /^schema-(\d+)\.db\.gz$/.exec(name)?.[1] ?? [],
);
const unpacked = (name: string) => gunzipSync(readFileSync(join(RECORDS, name)));
const json = (name: string) => JSON.parse(unpacked(name).toString()) as Record<string, unknown>;

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** A state as JSON can hold it, as the earlier program wrote it. */
function plain({ active, ...state }: BowState): unknown {
  const text = JSON.stringify(
    { ...state, active: active.map(({ id }) => id) },
    (_key, value: unknown) =>
      value instanceof Map
        ? { map: [...value] }
        : value instanceof Set
          ? { set: [...value] }
          : value,
  );
  return JSON.parse(text) as unknown;
}

describe.each(FORMS)('a record of form %s', (form) => {
  const states = json(`schema-${form}.states.json.gz`);

  it('holds bows of every kind of entry there was', () => {
    expect(Object.keys(states).length).toBeGreaterThan(10);
  });

  it('opens, every entry of it, and means what it meant', () => {
    const file = join(folder, 'keen-limb.db');
    writeFileSync(file, unpacked(`schema-${form}.db.gz`));
    const db = openDb(file);
    expect(schemaOf(db)).toBe(NEWEST_SCHEMA);
    const queries = entryQueries(db);
    expect(new Set(queries.bowIds())).toEqual(new Set(Object.keys(states)));
    for (const [bowId, meant] of Object.entries(states)) {
      expect(queries.setAsideOf(bowId)).toEqual([]);
      const state = queries.stateOf(bowId);
      expect(state === null ? null : plain(state)).toMatchObject(meant as object);
    }
    db.close();
    expect(copiesOf(file).map((path) => path.replace(/.*Z-/, ''))).toEqual([
      `before-version-${NEWEST_SCHEMA}.db`,
    ]);
  });

  it('opens with a row of it spoiled: that one is set aside, and no other', () => {
    const file = join(folder, 'keen-limb.db');
    const bytes = unpacked(`schema-${form}.db.gz`);
    bytes.write('[', bytes.lastIndexOf('{"kind":"reading"'));
    writeFileSync(file, bytes);
    const db = openDb(file);
    const queries = entryQueries(db);
    const setAside = queries.bowIds().map((bowId) => queries.setAsideOf(bowId).length);
    expect(setAside.reduce((sum, count) => sum + count)).toBe(1);
    db.close();
  });

  it('means the same in a browser that kept its logs', () => {
    for (const [bowId, log] of Object.entries(json(`schema-${form}.logs.json.gz`))) {
      const entries = logResponseSchema.shape.entries.parse(log) as readonly LoggedEntry[];
      const state = foldLog(entries);
      expect(state === null ? null : plain(state)).toMatchObject(states[bowId] as object);
    }
  });
});
