import { createServer, request as httpRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type LogResponse, logResponseSchema } from '#contract/entry.ts';
import { problemSchema } from '#contract/problem.ts';
import { rackResponseSchema } from '#contract/rack.ts';
import type { Entry, EntryBody } from '#core/record/entry.ts';
import { demoClub } from '#demo/demo-club.ts';
import { createApp } from './app.ts';
import { type EntryQueries, entryQueries } from './bows/entry-queries.ts';
import { openDb } from './db/open.ts';
import { pictureQueries } from './pictures/picture-queries.ts';

const NOW_MS = Date.UTC(2026, 4, 1, 12);
let queries: EntryQueries;
let server: Server;
let base: string;
let heronId: string;
const faults: unknown[] = [];

beforeAll(async () => {
  const db = openDb(':memory:');
  queries = entryQueries(db);
  for (const entries of demoClub(NOW_MS)) queries.append(entries, () => undefined);
  const app = createApp({
    queries,
    pictures: pictureQueries(db),
    nowMs: () => NOW_MS,
    report: (error) => faults.push(error),
    pagesDir: null,
  });
  server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  base = `http://localhost:${(server.address() as AddressInfo).port}`;
  const rack = rackResponseSchema.parse(await (await fetch(`${base}/api/bows`)).json());
  heronId = rack.bows.find((bow) => bow.name === 'Heron')!.bowId;
});
afterAll(() => {
  server.close();
});

function entry(body: EntryBody, bowId = heronId): Entry {
  return { id: newId(), bowId, at: new Date(NOW_MS).toISOString(), by: 'Test', body };
}
const twist = (amount = 1): EntryBody => ({
  kind: 'change',
  control: 'twists',
  amount,
  because: '',
});

async function post(entries: readonly unknown[], bowId = heronId) {
  const response = await fetch(`${base}/api/bows/${bowId}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ entries }),
  });
  return { status: response.status, body: (await response.json()) as unknown };
}
async function log(bowId = heronId): Promise<LogResponse> {
  return logResponseSchema.parse(await (await fetch(`${base}/api/bows/${bowId}/entries`)).json());
}

describe('reading the log', () => {
  const from = async (after: string) => {
    const answer = await fetch(`${base}/api/bows/${heronId}/entries?after=${after}`);
    return { status: answer.status, body: (await answer.json()) as unknown };
  };

  it('gives what came after an entry, and how many there are in all', async () => {
    const whole = await log();
    expect(whole.count).toBe(whole.entries.length);
    for (const [place, { seq }] of whole.entries.entries()) {
      const { entries, count } = logResponseSchema.parse((await from(String(seq))).body);
      expect(entries).toEqual(whole.entries.slice(place + 1));
      expect(count).toBe(whole.count);
    }
    expect(logResponseSchema.parse((await from('0')).body)).toEqual(whole);
    expect(logResponseSchema.parse((await from('999999')).body)).toEqual({
      entries: [],
      count: whole.count,
    });
  });

  it('refuses a place that is none, naming it', async () => {
    for (const nowhere of ['-1', 'last', '1.5']) {
      const answer = await from(nowhere);
      expect(answer.status).toBe(400);
      expect(problemSchema.parse(answer.body).issues?.[0]?.path).toBe('after');
    }
  });
});

describe('appending', () => {
  it('answers 201 with the place in the log, and 200 for the same again, stored once', async () => {
    const one = entry(twist());
    const before = queries.count();
    expect((await post([one])).status).toBe(201);
    expect((await post([one])).status).toBe(200);
    expect(queries.count()).toBe(before + 1);
    expect((await log()).entries.at(-1)).toMatchObject({ id: one.id, seq: before + 1 });
  });

  it('answers 409 for a known id with other content', async () => {
    const one = entry(twist());
    await post([one]);
    const answer = await post([{ ...one, body: twist(2) }]);
    expect(answer.status).toBe(409);
    expect(problemSchema.parse(answer.body)).toMatchObject({ code: 'idTaken' });
  });

  it('stores all of a request or nothing', async () => {
    const before = queries.count();
    const answer = await post([entry(twist()), entry({ kind: 'undone', entryId: newId() })]);
    expect(answer.status).toBe(422);
    expect(queries.count()).toBe(before);
  });

  it('names the place in the input', async () => {
    const answer = await post([
      { ...entry(twist()), body: { kind: 'change', control: 'twists', amount: 'four' } },
    ]);
    expect(answer.status).toBe(400);
    expect(problemSchema.parse(answer.body).issues?.[0]?.path).toMatch(/^entries\.0\.body/);
  });

  it('refuses what the limits of the bow refuse', async () => {
    const answer = await post([
      entry({ kind: 'change', control: 'topBolt', amount: 9, because: '' }),
    ]);
    expect(answer.status).toBe(422);
    expect(problemSchema.parse(answer.body).code).toBe('beyondBoltTravel');
  });

  it('refuses an entry of another bow, a bow made twice, and a bow never made', async () => {
    expect((await post([entry(twist(), newId())])).status).toBe(422);
    const { body } = (await log()).entries[0]!;
    expect((await post([entry(body)])).status).toBe(422);
    const stranger = newId();
    expect((await post([entry(twist(), stranger)], stranger)).status).toBe(404);
  });

  it('makes a bow, which is then on the rack', async () => {
    const bowId = newId();
    const { body } = (await log()).entries[0]!;
    if (body.kind !== 'bowMade') throw new Error('the log does not begin with its bow');
    expect((await post([entry({ ...body, name: 'Fresh' }, bowId)], bowId)).status).toBe(201);
    const rack = rackResponseSchema.parse(await (await fetch(`${base}/api/bows`)).json());
    expect(rack.bows.find((bow) => bow.bowId === bowId)).toMatchObject({
      name: 'Fresh',
      braceMm: null,
    });
  });
});

describe('the door', () => {
  const raw = (options: {
    method?: string;
    path?: string;
    headers?: Record<string, string>;
    body?: string;
  }) =>
    new Promise<{ status: number; type: string; text: string; headers: Record<string, unknown> }>(
      (resolve, reject) => {
        const call = httpRequest(
          { host: '127.0.0.1', port: new URL(base).port, path: '/api/bows', ...options },
          (answer) => {
            let text = '';
            answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
            answer.on('end', () => {
              resolve({
                status: answer.statusCode ?? 0,
                type: answer.headers['content-type'] ?? '',
                text,
                headers: answer.headers,
              });
            });
          },
        );
        call.on('error', reject);
        call.end(options.body);
      },
    );

  it('answers only to names of this machine, and only to its own pages', async () => {
    expect((await raw({ headers: { Host: 'example.test' } })).status).toBe(421);
    expect(
      (await raw({ headers: { Host: new URL(base).host, Origin: 'http://example.test' } })).status,
    ).toBe(403);
    expect((await raw({ headers: { Host: new URL(base).host, Origin: base } })).status).toBe(200);
  });

  it('sends the headers a page should have', async () => {
    const { headers } = await raw({});
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('uses the right status: 404, 405 with Allow, 413, 415', async () => {
    expect((await raw({ path: '/api/nothing' })).status).toBe(404);
    const put = await raw({ method: 'PUT' });
    expect([put.status, put.headers['allow']]).toEqual([405, 'GET']);
    const path = `/api/bows/${heronId}/entries`;
    const json = { 'Content-Type': 'application/json' };
    expect(
      (await raw({ method: 'POST', path, headers: json, body: `"${'x'.repeat(300_000)}"` })).status,
    ).toBe(413);
    expect(
      (
        await raw({
          method: 'POST',
          path,
          headers: { 'Content-Type': 'text/plain' },
          body: 'hello',
        })
      ).status,
    ).toBe(415);
  });

  it('answers 500 malformed requests with 4xx problem+json and stores nothing', {
    timeout: 120_000,
  }, async () => {
    const before = JSON.stringify(await log()) + String(queries.count());
    const good = entry(twist());
    const spoiled = fc
      .tuple(
        fc.constantFrom('id', 'bowId', 'at', 'by', 'body', 'extra'),
        fc.oneof(
          fc.jsonValue(),
          fc.constantFrom('', null, -1, { kind: 'change' }, { kind: 'bowMade' }),
        ),
      )
      .filter(([key, value]) => !(key === 'by' && typeof value === 'string' && value.trim() !== ''))
      .map(([key, value]) => JSON.stringify({ entries: [{ ...good, id: newId(), [key]: value }] }));
    const call = fc.oneof(
      fc.record({
        method: fc.constant('POST'),
        path: fc.constant(`/api/bows/${heronId}/entries`),
        body: fc.oneof(
          fc.string({ unit: 'binary' }),
          fc.json(),
          spoiled,
          fc.constant(`{"entries":[]}`),
          fc.constant(`{"entries":[${'['.repeat(2000)}`),
        ),
        headers: fc.constantFrom(
          { 'Content-Type': 'application/json' },
          { 'Content-Type': 'application/json; charset=x' },
          { 'Content-Type': 'text/html' },
        ),
      }),
      fc.record({
        method: fc.constantFrom('GET', 'POST', 'PUT', 'PATCH', 'DELETE'),
        path: fc
          .string({ maxLength: 20 })
          .map(
            (text) =>
              `/api/bows/${encodeURIComponent(text.replace(/[\ud800-\udfff]/g, ''))}x/entries`,
          ),
        body: fc.constant(''),
        headers: fc.constant({}),
      }),
      fc.record({
        method: fc.constant('GET'),
        path: fc.constantFrom(
          '/api/%E0%A4%A',
          '/api/bows/%',
          '/api//',
          '/api/bows/../x',
          '/nothing%00',
        ),
        body: fc.constant(''),
        headers: fc.constant({}),
      }),
    );
    let asked = 0;
    await fc.assert(
      fc.asyncProperty(call, async (options) => {
        asked += 1;
        const answer = await raw({
          ...options,
          headers: { ...options.headers, Host: new URL(base).host },
        });
        expect(answer.status).toBeGreaterThanOrEqual(400);
        expect(answer.status).toBeLessThan(500);
        expect(answer.type).toContain('application/problem+json');
        expect(problemSchema.parse(JSON.parse(answer.text)).status).toBe(answer.status);
      }),
      { numRuns: 500 },
    );
    expect(asked).toBeGreaterThanOrEqual(500);
    expect(JSON.stringify(await log()) + String(queries.count())).toBe(before);
    expect(faults).toEqual([]);
  });
});

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

describe('pictures', () => {
  const bytes = new Uint8Array([137, 80, 78, 71, 1, 2, 3]);
  const put = (id: string, body: BodyInit, type = 'image/png', bowId = heronId) =>
    fetch(`${base}/api/bows/${bowId}/pictures/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': type },
      body,
    });

  it('are stored once under their id and come back as they went', async () => {
    const id = newId();
    expect((await put(id, bytes)).status).toBe(201);
    expect((await put(id, bytes)).status).toBe(200);
    expect((await put(id, new Uint8Array([1]))).status).toBe(409);
    const back = await fetch(`${base}/api/bows/${heronId}/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(bytes);
  });

  it('are refused with the reason when they are none, too large, or of no bow', async () => {
    const refusals = [
      [await put(newId(), 'hello', 'text/plain'), 415],
      [await put(newId(), '<svg/>', 'image/svg+xml'), 415],
      [await put(newId(), new Uint8Array(0)), 400],
      [await put(newId(), new Uint8Array(3_100_000)), 413],
      [await put(newId(), bytes, 'image/png', newId()), 404],
      [await put('nonsense', bytes), 404],
      [await fetch(`${base}/api/bows/${heronId}/pictures/${newId()}`), 404],
    ] as const;
    for (const [response, status] of refusals) {
      expect(response.status).toBe(status);
      expect(problemSchema.parse(await response.json()).status).toBe(status);
    }
  });
});

describe('entries that name something', () => {
  it('are refused when it does not exist', async () => {
    const ghosts: readonly EntryBody[] = [
      { kind: 'endNoted', sessionId: newId(), endNumber: 1, tired: true },
      { kind: 'blameChecked', sessionId: newId(), items: [] },
      { kind: 'pictureKept', sessionId: newId(), pictureId: newId(), endNumber: 1 },
      { kind: 'experimentClosed', experimentId: newId(), why: 'none' },
    ];
    for (const body of ghosts) expect((await post([entry(body)])).status).toBe(422);
  });
});
