import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import { ClubServer } from './fixtures/club-server.ts';
import { oddRequests } from './fixtures/odd-requests.ts';
import { rawRequest } from './fixtures/raw-request.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

/** `npm run torture` asks for more; without a seed of one's own it is another each time, and printed. */
const RUNS = Number(process.env['KEEN_LIMB_ODD_REQUESTS'] ?? 300);
const SEED = Number(process.env['KEEN_LIMB_SEED'] ?? Date.now() % 2 ** 31);

/** Keys in order, so that only content is compared. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}

it('answers any request without a fault of its own, changes nothing by a refusal, stores just what was sent', {
  timeout: 3_600_000,
}, async () => {
  console.log(`odd requests: ${RUNS}, seed ${SEED}`);
  let [stored, refused] = [0, 0];
  await fc.assert(
    fc.asyncProperty(oddRequests([club.heronId]), async (request) => {
      const before = club.queries.count();
      const answer = await rawRequest(club.base, request);
      expect(answer.status, answer.text).toBeLessThan(500);
      if (answer.status >= 400) {
        refused += 1;
        expect(club.queries.count()).toBe(before);
        if (request.method !== 'HEAD')
          expect(problemSchema.parse(JSON.parse(answer.text)).status).toBe(answer.status);
        return;
      }
      if (request.method !== 'POST' || typeof request.body !== 'string') return;
      stored += 1;
      const sent = (JSON.parse(request.body) as { entries: { id: string }[] }).entries;
      const bowId = request.path.split('/')[3] ?? '';
      const kept = new Map((await club.log(bowId)).entries.map((entry) => [entry.id, entry]));
      for (const entry of sent) {
        const { seq: _seq, taken, ...there } = kept.get(entry.id)!;
        const saidWhen = 'taken' in entry;
        expect(canonical(saidWhen ? { ...there, taken } : there)).toBe(canonical(entry));
        // Who does not say when is taken at the server’s word.
        expect(saidWhen || taken?.device === '').toBe(true);
      }
      expect((await club.rack()).bows.length).toBeGreaterThan(0);
    }),
    { numRuns: RUNS, seed: SEED, endOnFailure: true },
  );
  console.log(`${stored} requests stored something, ${refused} were refused`);
  expect(club.faults).toEqual([]);
  // Both happen, or the test says nothing.
  expect(Math.min(stored, refused)).toBeGreaterThan(RUNS / 50);
});
