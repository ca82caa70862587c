import { describe, expect, it } from 'vitest';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { openDb } from './open.ts';

describe('the database', () => {
  it('refuses to change or drop what is written', () => {
    const db = openDb(':memory:');
    const q = entryQueries(db);
    q.append(demoClub(NOW_MS)[0]!, () => undefined);
    expect(() => db.exec("UPDATE entry SET by = 'someone'")).toThrow(/append-only/);
    expect(() => db.exec('DELETE FROM entry')).toThrow(/append-only/);
  });
  it('is durable before it answers: WAL and synchronous FULL', () => {
    const db = openDb(':memory:');
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
  });
});
