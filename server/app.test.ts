import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import { ClubServer, twist } from './fixtures/club-server.ts';
import { type RawRequest, rawRequest } from './fixtures/raw-request.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

describe('the door', () => {
  const raw = (request: RawRequest) => rawRequest(club.base, request);

  it('answers only to names of this machine, and only to its own pages', async () => {
    expect((await raw({ headers: { Host: 'example.test' } })).status).toBe(421);
    expect(
      (await raw({ headers: { Host: new URL(club.base).host, Origin: 'http://example.test' } }))
        .status,
    ).toBe(403);
    expect(
      (await raw({ headers: { Host: new URL(club.base).host, Origin: club.base } })).status,
    ).toBe(200);
  });

  it('goes on after the machine stood still for six seconds', async () => {
    await club.rack();
    const until = performance.now() + 6000;
    while (performance.now() < until);
    expect((await club.rack()).bows.length).toBeGreaterThan(0);
  });

  it('sends the headers a page should have', async () => {
    const { headers } = await raw({});
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('answers an address longer than its parser reads, in the same shape', async () => {
    const answer = await raw({ path: `/api/bows?after=${'x'.repeat(20_000)}` });
    expect(answer.status).toBe(431);
    expect(answer.type).toContain('application/problem+json');
    expect(problemSchema.parse(JSON.parse(answer.text)).detail).toContain('16 kB');
    const head = await raw({ method: 'HEAD', path: `/api/bows?after=${'x'.repeat(20_000)}` });
    expect(head).toMatchObject({ status: 431, text: '' });
    expect((await raw({})).status).toBe(200);
  });

  it('uses the right status: 404, 405 with Allow, 413, 415', async () => {
    expect((await raw({ path: '/api/nothing' })).status).toBe(404);
    const put = await raw({ method: 'PUT' });
    expect([put.status, put.headers['allow']]).toEqual([405, 'GET']);
    const path = `/api/bows/${club.heronId}/entries`;
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
    const before = JSON.stringify(await club.log()) + String(club.queries.count());
    const good = club.entry(twist());
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
        path: fc.constant(`/api/bows/${club.heronId}/entries`),
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
          headers: { ...options.headers, Host: new URL(club.base).host },
        });
        expect(answer.status).toBeGreaterThanOrEqual(400);
        expect(answer.status).toBeLessThan(500);
        expect(answer.type).toContain('application/problem+json');
        expect(problemSchema.parse(JSON.parse(answer.text)).status).toBe(answer.status);
      }),
      { numRuns: 500 },
    );
    expect(asked).toBeGreaterThanOrEqual(500);
    expect(JSON.stringify(await club.log()) + String(club.queries.count())).toBe(before);
    expect(club.faults).toEqual([]);
  });
});
