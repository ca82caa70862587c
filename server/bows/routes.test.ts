import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { logResponseSchema } from '#contract/entry.ts';
import { anyLog, underOwnIds } from '#contract/fixtures/any-log.ts';
import { problemSchema } from '#contract/problem.ts';
import { rackResponseSchema } from '#contract/rack.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { ClubServer, twist } from '../fixtures/club-server.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

describe('reading the log', () => {
  const from = async (after: string) => {
    const answer = await fetch(`${club.base}/api/bows/${club.heronId}/entries?after=${after}`);
    return { status: answer.status, body: (await answer.json()) as unknown };
  };

  it('gives what came after an entry, and how many there are in all', async () => {
    const whole = await club.log();
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
      setAside: 0,
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
    const one = club.entry(twist());
    const before = club.queries.count();
    expect((await club.post([one])).status).toBe(201);
    expect((await club.post([one])).status).toBe(200);
    expect(club.queries.count()).toBe(before + 1);
    expect((await club.log()).entries.at(-1)).toMatchObject({ id: one.id, seq: before + 1 });
  });

  it('answers 409 for a known id with other content', async () => {
    const one = club.entry(twist());
    await club.post([one]);
    const answer = await club.post([{ ...one, body: twist(2) }]);
    expect(answer.status).toBe(409);
    expect(problemSchema.parse(answer.body)).toMatchObject({ code: 'idTaken' });
  });

  it('stores all of a request or nothing', async () => {
    const before = club.queries.count();
    const answer = await club.post([
      club.entry(twist()),
      club.entry({ kind: 'undone', entryId: newId() }),
    ]);
    expect(answer.status).toBe(422);
    expect(club.queries.count()).toBe(before);
  });

  it('names the place in the input', async () => {
    const answer = await club.post([
      { ...club.entry(twist()), body: { kind: 'change', control: 'twists', amount: 'four' } },
    ]);
    expect(answer.status).toBe(400);
    expect(problemSchema.parse(answer.body).issues?.[0]?.path).toMatch(/^entries\.0\.body/);
  });

  it('refuses what the limits of the bow refuse', async () => {
    const answer = await club.post([
      club.entry({ kind: 'change', control: 'topBolt', amount: 9, because: '' }),
    ]);
    expect(answer.status).toBe(422);
    expect(problemSchema.parse(answer.body).code).toBe('beyondBoltTravel');
  });

  it('refuses an entry of another bow, a bow made twice, and a bow never made', async () => {
    expect((await club.post([club.entry(twist(), newId())])).status).toBe(422);
    const { body } = (await club.log()).entries[0]!;
    expect((await club.post([club.entry(body)])).status).toBe(422);
    const stranger = newId();
    expect((await club.post([club.entry(twist(), stranger)], stranger)).status).toBe(404);
  });

  it('makes a bow, which is then on the rack', async () => {
    const bowId = newId();
    const { body } = (await club.log()).entries[0]!;
    if (body.kind !== 'bowMade') throw new Error('the log does not begin with its bow');
    expect((await club.post([club.entry({ ...body, name: 'Fresh' }, bowId)], bowId)).status).toBe(
      201,
    );
    const rack = rackResponseSchema.parse(await (await fetch(`${club.base}/api/bows`)).json());
    expect(rack.bows.find((bow) => bow.bowId === bowId)).toMatchObject({
      name: 'Fresh',
      braceMm: null,
    });
  });
});

describe('an entry that names something', () => {
  const opened = (sessionId: string): EntryBody => ({
    kind: 'sessionOpened',
    sessionId,
    distanceM: 18,
    toleranceMm: 40,
    toleranceWhy: '',
    buttMm: 1000,
  });
  const placed = (shotId: string, sessionId: string): EntryBody => ({
    kind: 'shotPlaced',
    shotId,
    sessionId,
    endNumber: 1,
    arrow: 'bare',
    outwardMm: 1,
    upMm: 2,
    calledBad: false,
  });

  it.each<readonly [string, string, () => readonly EntryBody[]]>([
    ['a session nobody opened', 'unknownSession', () => [placed(newId(), newId())]],
    [
      'an end of no session',
      'unknownSession',
      () => [{ kind: 'endNoted', sessionId: newId(), endNumber: 1, tired: true }],
    ],
    [
      'blame of no session',
      'unknownSession',
      () => [{ kind: 'blameChecked', sessionId: newId(), items: [] }],
    ],
    [
      'a picture of no session',
      'unknownSession',
      () => [{ kind: 'pictureKept', sessionId: newId(), pictureId: newId(), endNumber: 1 }],
    ],
    [
      'a session closed that is none',
      'unknownSession',
      () => [{ kind: 'sessionClosed', sessionId: newId() }],
    ],
    [
      'a shot never placed',
      'unknownShot',
      () => [{ kind: 'shotAmended', shotId: newId(), calledBad: true }],
    ],
    [
      'an experiment never opened',
      'unknownExperiment',
      () => [{ kind: 'experimentClosed', experimentId: newId(), why: 'none' }],
    ],
    [
      'a day of no experiment',
      'unknownExperiment',
      () => [{ ...opened(newId()), experimentId: newId() } as EntryBody],
    ],
    ['nothing to take back', 'nothingToUndo', () => [{ kind: 'undone', entryId: newId() }]],
    [
      'a session opened twice',
      'sessionTwice',
      () => {
        const id = newId();
        return [opened(id), opened(id)];
      },
    ],
    [
      'a shot placed twice',
      'shotTwice',
      () => {
        const [session, shot] = [newId(), newId()];
        return [opened(session), placed(shot, session), placed(shot, session)];
      },
    ],
    [
      'a bow’s shot in a practice',
      'heardElsewhere',
      () => {
        const searchId = newId();
        return [
          {
            kind: 'braceSearchOpened',
            searchId,
            purpose: 'quiet',
            lowMm: 210,
            highMm: 222,
            beginsAt: 'here',
            silencers: 'none',
            distanceM: 10,
            keepsSounds: false,
            practiceSeed: 3,
          },
          {
            kind: 'shotHeard',
            searchId,
            source: 'microphone',
            levelDb: -40,
            centroidHz: 600,
            octavesDb: [-60, -50, -45, -44, -46, -50, -60],
            roomDb: -80,
          },
        ];
      },
    ],
  ])(
    '%s is refused by name and place, and nothing of the request is stored',
    async (_what, code, bodies) => {
      const before = club.queries.count();
      const entries = bodies().map((body) => club.entry(body));
      const { status, body } = await club.post(entries);
      expect(status).toBe(422);
      const problem = problemSchema.parse(body);
      expect(problem.code).toBe(code);
      expect(problem.issues?.[0]?.path).toMatch(new RegExp(`^entries\\.${entries.length - 1}\\.`));
      expect(club.queries.count()).toBe(before);
    },
  );

  it('may name what the same request makes', async () => {
    const [session, shot] = [newId(), newId()];
    const bodies: readonly EntryBody[] = [
      opened(session),
      placed(shot, session),
      { kind: 'shotAmended', shotId: shot, upMm: 5 },
      { kind: 'sessionClosed', sessionId: session },
    ];
    expect((await club.post(bodies.map((body) => club.entry(body)))).status).toBe(201);
  });
});

describe('any log', () => {
  it('is stored, or refused entry by entry with a reason; what was stored opens again', {
    timeout: 120_000,
  }, async () => {
    let stored = 0;
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(anyLog, async (told) => {
        const entries = underOwnIds(told, newId).map(({ seq: _seq, ...one }) => one);
        const bowId = entries[0]!.bowId;
        const kept: string[] = [];
        for (const one of entries) {
          const answer = await club.post([one], bowId);
          if (answer.status === 201) kept.push(one.id);
          else {
            expect([404, 409, 422]).toContain(answer.status);
            expect(problemSchema.parse(answer.body).detail).not.toBe('');
            refused += 1;
          }
        }
        stored += kept.length;
        expect((await club.log(bowId)).entries.map(({ id }) => id)).toEqual(kept);
        expect((await club.rack()).bows.some((bow) => bow.bowId === bowId)).toBe(true);
      }),
      { numRuns: 20, seed: 1 },
    );
    // Both happen, or the test says nothing.
    expect(Math.min(stored, refused)).toBeGreaterThan(50);
    expect(club.faults).toEqual([]);
  });
});
