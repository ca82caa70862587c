import { readFileSync } from 'node:fs';
import { PassThrough } from 'node:stream';
import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { logResponseSchema } from '#contract/entry.ts';
import type { Entry, LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { stepStates } from '#core/order/step-states.ts';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { demoClub } from '#demo/demo-club.ts';
import { rackSummaryOnce } from '../bows/rack-summary.ts';
import { adviseCommand } from '../commands/advise.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { AdviseDoor } from './advise-door.ts';

const say = (door: AdviseDoor, command: unknown) =>
  JSON.parse(door.answer(JSON.stringify(command))) as Record<string, unknown>;
const [heron, curlew] = demoClub(NOW_MS) as [readonly Entry[], readonly Entry[]];

/** Logs that were kept from earlier: the club's, and what a generator made of every kind of entry. */
const KEPT = JSON.parse(
  gunzipSync(
    readFileSync(new URL('../fixtures/records/schema-2.logs.json.gz', import.meta.url)),
  ).toString(),
) as Record<string, LoggedEntry[]>;
const withoutSeq = ({ seq: _seq, ...entry }: LoggedEntry): Entry => entry;

function filled(entries: readonly Entry[]): AdviseDoor {
  const door = new AdviseDoor();
  for (let from = 0; from < entries.length; from += 100)
    expect(say(door, { entries: entries.slice(from, from + 100) })).toHaveProperty('appended');
  return door;
}

describe('a session of a script', () => {
  it('appends and is answered with data: units in names, ids, no sentence needed', () => {
    const door = filled(heron);
    const { state } = say(door, { ask: 'state' }) as { state: Record<string, unknown[]> };
    expect(state['readings']).toContainEqual(
      expect.objectContaining({ reading: 'braceHeight', isFresh: expect.any(Boolean) as boolean }),
    );
    const { advice } = say(door, { ask: 'advice' });
    expect(advice).toMatchObject({
      step: 'roughBrace',
      isStop: false,
      stop: null,
      why: {
        topic: 'setup',
        outOfBand: ['braceHeight'],
        expected: { chanceInBand: expect.any(Number) as number },
      },
      action: { kind: 'change', changes: [{ control: 'twists', amountTwists: 2 }] },
    });
    const { plan } = say(door, { ask: 'plan' }) as { plan: { best: object } };
    expect(plan.best).toMatchObject({ changes: [{ control: 'twists', amountTwists: 2 }] });
    const { verdict } = say(door, { ask: 'verdict' });
    expect(verdict).toMatchObject({
      distanceM: 18,
      outward: { call: expect.any(String) as string },
    });
    expect(say(door, { ask: 'remedies' })).toHaveProperty('remedies.bareShaftUp');
  });

  it('asks which of several bows, and answers for the one that is named', () => {
    const door = filled(heron);
    say(door, { entries: curlew.slice(0, 50) });
    expect(say(door, { ask: 'steps' })).toEqual({ error: { code: 'whichBow' } });
    const bow = curlew[0]!.bowId;
    const { state } = say(door, { ask: 'state', bow }) as { state: { bow: { name: string } } };
    expect(state.bow.name).toBe('Curlew');
  });

  it('says of a build what it weighs, and on a bow whether it may be shot', () => {
    const door = new AdviseDoor();
    const { arrow } = say(door, { arrow: PLAIN_BUILD }) as { arrow: Record<string, unknown> };
    expect(arrow).toMatchObject({
      massG: expect.closeTo(21.22, 2) as number,
      // 28 in, 1.94 lb, 0.6 in: 26 / (0.6 × 2 / 1.94 × (26 / 28)³).
      poundsAsWood: expect.closeTo(52.499, 2) as number,
      onBow: null,
    });
    const heavy = filled(heron);
    expect(say(heavy, { arrow: PLAIN_BUILD })).toMatchObject({
      arrow: {
        onBow: {
          cautions: expect.any(Array) as unknown[],
          leaving: { speedMps: expect.any(Number) as number },
        },
      },
    });
    const short = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, lengthMm: 600 } };
    const { arrow: onHeron } = say(heavy, { arrow: short }) as {
      arrow: { onBow: { leftToCutMm: number; cautions: { kind: string }[] } };
    };
    expect(onHeron.onBow.leftToCutMm).toBe(0);
    expect(onHeron.onBow.cautions[0]?.kind).toBe('tooShort');
    const soft = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, spine: 20 } };
    expect(say(door, { arrow: soft })).toMatchObject({
      error: { code: 'invalidInput', issues: [{ path: 'arrow.shaft.spine' }] },
    });
    expect(say(door, { arrow: PLAIN_BUILD, bow: heron[0]!.bowId })).toEqual({
      error: { code: 'unknownBow' },
    });
  });

  it('picks the shafts of a lot that shoot most alike, and refuses a lot it cannot be', () => {
    const door = new AdviseDoor();
    const lot = (masses: readonly number[], count: number) => ({
      matchedSet: {
        shafts: masses.map((massG, at) => ({
          shaft: `${at + 1}`,
          massG,
          spine: null,
          runOutMm: null,
        })),
        count,
        distanceM: 18,
        speedMps: 57,
      },
    });
    // 489 mm of drop over 20.1 + 8.2 g: 17.3 mm a gram; squares 0.005 g² over three shafts.
    expect(say(door, lot([20, 20.4, 20.1, 21, 20.05, 19.2], 3))).toEqual({
      matchedSet: {
        shafts: ['1', '3', '5'],
        spreadMm: expect.closeTo(0.705, 2) as number,
        outliers: [],
      },
    });
    const refused = (command: unknown) =>
      (say(door, command) as { error: { issues: { path: string }[] } }).error.issues[0]?.path;
    expect(refused(lot([20, 20.1], 3))).toBe('matchedSet.count');
    expect(refused(lot([20, -1], 2))).toBe('matchedSet.shafts.1.massG');
  });

  it.each([
    ['not JSON', '{', 'notJson'],
    ['no command', '{"do":1}', 'noCommand'],
    ['no object', '7', 'noCommand'],
    ['an unknown question', '{"ask":"weather"}', 'invalidInput'],
    ['a bow nobody made', '{"ask":"state"}', 'unknownBow'],
    ['a newer form', '{"version":99,"entries":[{}]}', 'newerEntries'],
    ['no entries', '{"entries":[]}', 'invalidInput'],
  ])('%s is answered with an error as data', (_what, line, code) => {
    const answer = JSON.parse(new AdviseDoor().answer(line)) as { error: { code: string } };
    expect(answer.error.code).toBe(code);
  });

  it('takes a whole log as the server answers it, and what could not be read of it', () => {
    const log = heron.map((entry, at) => ({
      ...entry,
      taken: { ms: Date.parse(entry.at), device: '', count: at + 1 },
      seq: at + 1,
    }));
    expect(heron.length).toBeGreaterThan(100);
    const door = new AdviseDoor();
    const answered = logResponseSchema.parse({ entries: log, count: log.length, setAside: 2 });
    expect(say(door, answered)).toEqual({ appended: heron.length });
    const posted = filled(heron);
    for (const ask of ['advice', 'steps', 'verdict', 'remedies', 'plan'])
      expect(say(door, { ask })).toEqual(say(posted, { ask }));
    expect(say(door, { ask: 'state' })).toMatchObject({ state: { entriesUnreadable: 2 } });
    expect(say(posted, { ask: 'state' })).toMatchObject({ state: { entriesUnreadable: 0 } });
  });

  it('keeps nothing of a line that is refused', () => {
    const door = new AdviseDoor();
    const [made, ...rest] = heron as [Entry, ...Entry[]];
    expect(say(door, { entries: rest.slice(0, 3) })).toMatchObject({ error: { code: 'notMade' } });
    expect(say(door, { entries: [made, made] })).toMatchObject({
      error: { code: 'bowMadeTwice', path: 'entries.1.body.kind' },
    });
    expect(say(door, { entries: [made, rest[0], rest[0]] })).toMatchObject({
      error: { code: 'idTaken', path: 'entries.2.id' },
    });
    expect(say(door, { ask: 'state' })).toEqual({ error: { code: 'unknownBow' } });
    expect(say(door, { entries: [made, { ...rest[0], by: 7 }] })).toMatchObject({
      error: { code: 'invalidInput', issues: [{ path: 'entries.1.by' }] },
    });
  });
});

describe('the door and the bench', () => {
  it.each(Object.keys(KEPT))('say the same of the log of %s', (bowId) => {
    const log = KEPT[bowId]!;
    const door = filled(log.map(withoutSeq));
    const state = foldLog(log)!;
    const atMs = NOW_MS + 400 * 86_400_000;
    const at = new Date(atMs).toISOString();
    const move = nextMove(state, atMs);
    const { advice } = say(door, { ask: 'advice', at }) as {
      advice: { key: string; step: string; isStop: boolean } | null;
    };
    expect(advice?.key).toBe(move?.key);
    expect(advice?.step).toBe(move?.step);
    expect(advice?.isStop).toBe(rackSummaryOnce(state, atMs).nextMove?.stop);
    const { steps } = say(door, { ask: 'steps' }) as { steps: { step: string; state: string }[] };
    expect(steps.map((one) => [one.step, one.state])).toEqual(
      stepStates(state).map((one) => [one.step.id, one.state]),
    );
  });
});

describe('the command', () => {
  it('answers line by line, and ends with its input', async () => {
    const commands = new PassThrough();
    const answers = new PassThrough();
    const running = adviseCommand(commands, answers);
    commands.end(
      `${JSON.stringify({ entries: heron.slice(0, 40) })}\n\n{"ask":"steps"}\nnonsense\n`,
    );
    await running;
    const lines = String(answers.read()).trim().split('\n');
    expect(lines).toHaveLength(3);
    expect(lines[0]).toBe('{"appended":40}');
    expect(lines[2]).toBe('{"error":{"code":"notJson"}}');
  });
});
