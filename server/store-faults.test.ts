import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { ClubServer, twist } from './fixtures/club-server.ts';

let club: ClubServer;
beforeEach(async () => {
  club = new ClubServer();
  await club.start();
});
afterEach(() => club.stop());

const longNote: EntryBody = { kind: 'note', text: 'long '.repeat(390) };

async function refused() {
  const before = club.queries.count();
  const answer = await fetch(`${club.base}/api/bows/${club.heronId}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ entries: [club.entry(longNote)] }),
  });
  expect(club.queries.count()).toBe(before);
  return {
    problem: problemSchema.parse(await answer.json()),
    retryAfter: answer.headers.get('retry-after'),
  };
}
const isStored = async () => (await club.post([club.entry(longNote)])).status === 201;

describe('a record that cannot take an entry', () => {
  it('because the disk is full: said, nothing stored, and all goes on once there is room', async () => {
    club.db.pragma('max_page_count = 1');
    // What is left of the pages there are may still take a few.
    for (let n = 0; n < 10 && (await isStored()); n += 1) continue;
    const { problem, retryAfter } = await refused();
    expect(problem).toMatchObject({ status: 507, code: 'diskFull' });
    expect(problem.detail).toMatch(/full.*safe.*Free some space/);
    expect(retryAfter).toBe('30');
    expect((await club.rack()).bows.length).toBeGreaterThan(0);
    club.db.pragma('max_page_count = 1000000');
    expect(await isStored()).toBe(true);
  });

  it('because it is read-only: the same', async () => {
    club.db.pragma('query_only = ON');
    const { problem } = await refused();
    expect(problem).toMatchObject({ status: 503, code: 'readOnly' });
    expect(problem.detail).toContain('Make the folder writable');
    expect((await club.log()).entries.length).toBeGreaterThan(0);
    club.db.pragma('query_only = OFF');
    expect(await isStored()).toBe(true);
  });

  it('is told in one line on the server’s side, without a trace', async () => {
    club.db.pragma('query_only = ON');
    await refused();
    expect(club.faults).toHaveLength(1);
    expect(club.faults[0]).toMatch(/^The record can be read but not written[^\n]+$/);
  });
});

describe('what a page may know of its server', () => {
  it('is on every answer: which build it is, and the time', async () => {
    for (const path of ['/api/bows', '/api/nothing', `/api/bows/${club.heronId}/entries`]) {
      const { headers } = await fetch(`${club.base}${path}`);
      expect(headers.get('keen-limb-build')).toBe('test');
      expect(Number(headers.get('keen-limb-now'))).toBeGreaterThan(0);
    }
  });
});

describe('an entry taken later than now', () => {
  const taken = (aheadMs: number) => ({
    ...club.entry(twist()),
    taken: { ms: Date.UTC(2026, 4, 1, 12) + aheadMs, device: 'bench', count: 1 },
  });
  it('by more than clocks differ is asked about, with its place, and not stored', async () => {
    const { status, body } = await club.post([club.entry(twist()), taken(121_000)]);
    expect(status).toBe(422);
    const problem = problemSchema.parse(body);
    expect(problem.code).toBe('takenInFuture');
    expect(problem.issues?.[0]?.path).toBe('entries.1.taken.ms');
  });
  it('is as late as what it follows, where the server’s clock was set back since', async () => {
    const entry = taken(3_600_000);
    club.queries.append([entry], () => undefined);
    expect((await club.post([taken(3_600_000)])).status).toBe(201);
    expect((await club.post([taken(3_600_000 + 121_000)])).status).toBe(422);
  });
  it('by less is stored as it says', async () => {
    expect((await club.post([taken(119_000)])).status).toBe(201);
    expect((await club.log()).entries.at(-1)?.taken?.device).toBe('bench');
  });
});

describe('a page of an earlier build', () => {
  it('is answered just what it sent, without what it does not know', async () => {
    const entry = club.entry(twist());
    const { body } = await club.post([entry]);
    const [stored] = (body as { entries: object[] }).entries;
    expect(Object.keys(stored!).toSorted()).toEqual(['at', 'body', 'bowId', 'by', 'id', 'seq']);
  });
  it('whose entry was sent by another tab as well finds it stored', async () => {
    const entry = club.entry(twist());
    expect(
      (await club.post([{ ...entry, taken: { ms: 5, device: 'new', count: 9 } }])).status,
    ).toBe(201);
    expect((await club.post([entry])).status).toBe(200);
  });
});

describe('a request of a newer page', () => {
  it('is refused in words that say what to do', async () => {
    const answer = await fetch(`${club.base}/api/bows/${club.heronId}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ version: 99, entries: [club.entry(twist())] }),
    });
    expect(answer.status).toBe(422);
    const problem = problemSchema.parse(await answer.json());
    expect(problem.code).toBe('newerEntries');
    expect(problem.detail).toContain('Start the server again');
  });
});
