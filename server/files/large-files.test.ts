import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as newId } from 'uuid';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import {
  type ImportStanding,
  importStandingSchema,
  type TakenIn,
  takenSchema,
} from '#contract/file-import.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import { checkRecord } from '../db/check-record.ts';
import { openDb } from '../db/open.ts';
import { Program } from '../fixtures/program.ts';
import { FileBench } from '../fixtures/workshop-files.ts';

const ABOUT = JSON.stringify({ format: 'keen-limb-workshop', version: 1, entryVersion: 2 });
/** How often the plug is pulled in the middle of taking a file in. */
const KILLS = Number(process.env['KEEN_LIMB_KILLS'] ?? 4);
const SEED = Number(process.env['KEEN_LIMB_SEED'] ?? Date.now() % 2 ** 31);
console.log(`kills of an import: ${KILLS}, seed ${SEED}`);

const bench = new FileBench();
afterAll(() => bench.end());
const running: Program[] = [];
afterEach(async () => {
  for (const program of running.splice(0)) await program.kill();
});

/** A bow with a long log: made once, and then noted of. */
function longLog(entries: number): { readonly bowId: string; readonly text: string } {
  const made = demoClub(Date.UTC(2026, 4, 1))[0]![0]!;
  const bowId = newId();
  const lines = Array.from({ length: entries }, (_, at) => {
    const ms = Date.UTC(2020, 0, 1) + at * 60_000;
    const entry = { id: newId(), bowId, at: new Date(ms).toISOString(), by: 'Test' };
    const body = at === 0 ? made.body : { kind: 'note', text: `number ${at}` };
    return JSON.stringify({ ...entry, taken: { ms, device: 'test', count: at }, body });
  });
  return { bowId, text: `${lines.join('\n')}\n` };
}

async function startedOn(record: string): Promise<Program> {
  const program = new Program([], { KEEN_LIMB_DB: record, KEEN_LIMB_DEMO: 'off' });
  running.push(program);
  expect(await program.listening(), program.said).toBe(true);
  return program;
}

const importsOf = ({ address }: Program) => `${address}/api/workshop-file/imports`;

async function send(program: Program, file: string): Promise<string> {
  const answer = await fetch(importsOf(program), {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: readFileSync(file),
  });
  expect(answer.status).toBe(202);
  return importStandingSchema.parse(await answer.json()).importId;
}

async function standing(program: Program, importId: string): Promise<ImportStanding> {
  return importStandingSchema.parse(
    await (await fetch(`${importsOf(program)}/${importId}`)).json(),
  );
}

async function ready(program: Program, importId: string) {
  let now = await standing(program, importId);
  await vi.waitFor(
    async () => {
      now = await standing(program, importId);
      expect(now.kind).not.toBe('reading');
    },
    { timeout: 120_000, interval: 100 },
  );
  if (now.kind !== 'ready') throw new Error(JSON.stringify(now));
  return now.plan;
}

function takeAnswer(program: Program, importId: string, bowId: string): Promise<Response> {
  return fetch(`${importsOf(program)}/${importId}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ bows: [{ bowId, how: 'add' }] }),
  });
}

async function take(program: Program, importId: string, bowId: string): Promise<TakenIn> {
  return takenSchema.parse(await (await takeAnswer(program, importId, bowId)).json());
}

/** Until so many entries are in, of which none is kept yet. */
async function takingFar(program: Program, importId: string): Promise<void> {
  await vi.waitFor(
    async () => {
      const now = await standing(program, importId);
      expect(now.kind === 'taking' && now.progress.entries > 0).toBe(true);
    },
    { timeout: 60_000, interval: 10 },
  );
}

async function health(program: Program): Promise<number> {
  const said = (await (await fetch(`${program.address}/api/health`)).json()) as { entries: number };
  return said.entries;
}

describe('a file of a hundred thousand entries', () => {
  let file: string;
  let bowId: string;
  beforeAll(async () => {
    const log = longLog(100_000);
    bowId = log.bowId;
    file = await bench.zip({ 'about.json': ABOUT, [`bows/${bowId}.jsonl`]: log.text });
  });

  it('is read with progress, can be cancelled with nothing changed, and is then taken whole', {
    timeout: 240_000,
  }, async () => {
    const folder = bench.path('data');
    const program = await startedOn(join(folder, 'keen-limb.db'));
    const first = await send(program, file);
    const seen: number[] = [];
    await vi.waitFor(
      async () => {
        const now = await standing(program, first);
        if (now.kind === 'reading' && now.progress.entries > 0) seen.push(now.progress.entries);
        expect(seen.length).toBeGreaterThan(1);
        expect(now.kind).toBe('reading');
      },
      { timeout: 60_000, interval: 20 },
    );
    const dropped = await fetch(`${importsOf(program)}/${first}`, { method: 'DELETE' });
    expect(dropped.status).toBe(200);
    expect((await fetch(`${importsOf(program)}/${first}`)).status).toBe(404);
    expect(await health(program)).toBe(0);
    expect(readdirSync(join(folder, 'imports'))).toEqual([]);

    const second = await send(program, file);
    // Meanwhile the server answers others.
    expect(await health(program)).toBe(0);
    const plan = await ready(program, second);
    expect(plan.bows).toMatchObject([{ bowId, entries: 100_000, fresh: 100_000 }]);
    // Cancelled in the middle of being taken: nothing is, and who asked for it is told.
    const cancelled = takeAnswer(program, second, bowId);
    await takingFar(program, second);
    const beganMs = performance.now();
    expect(await health(program)).toBe(0);
    console.log(
      `the server answers while it takes in: ${(performance.now() - beganMs).toFixed(0)} ms`,
    );
    const stopped = await fetch(`${importsOf(program)}/${second}`, { method: 'DELETE' });
    expect(stopped.status).toBe(200);
    expect((await cancelled).status).toBe(409);
    expect(await health(program)).toBe(0);
    expect(readdirSync(join(folder, 'imports'))).toEqual([]);

    const third = await send(program, file);
    await ready(program, third);
    expect(await take(program, third, bowId)).toEqual({ bows: 1, entries: 100_000, pictures: 0 });
    expect(await health(program)).toBe(100_000);
    expect(readdirSync(join(folder, 'imports'))).toEqual([]);
  });
});

it('a plug pulled while a file is taken in leaves all of it or nothing', {
  timeout: 240_000,
}, async () => {
  const { bowId, text } = longLog(8_000);
  const file = await bench.zip({ 'about.json': ABOUT, [`bows/${bowId}.jsonl`]: text });
  const uniform = seededUniform(SEED);
  const seen = new Map<number, number>();
  const prepared = async () => {
    const record = join(bench.path('data'), 'keen-limb.db');
    const program = await startedOn(record);
    const importId = await send(program, file);
    await ready(program, importId);
    return { record, program, importId };
  };
  // How long it takes on this machine, so that the plug is pulled before its end and after it.
  const first = await prepared();
  const beganMs = performance.now();
  await take(first.program, first.importId, bowId);
  const takesMs = performance.now() - beganMs;
  for (let round = 0; round < KILLS; round += 1) {
    const { record, program, importId } = await prepared();
    const taking = take(program, importId, bowId).catch(() => null);
    await new Promise((later) => setTimeout(later, uniform() * 1.4 * takesMs));
    await program.kill();
    await taking;
    const db = openDb(record);
    expect(checkRecord(db).damage).toEqual([]);
    const entries = entryQueries(db).count();
    seen.set(entries, (seen.get(entries) ?? 0) + 1);
    if (entries > 0) expect(entryQueries(db).logOf(bowId)).toHaveLength(8_000);
    db.close();
  }
  console.log(
    `imports of ${takesMs.toFixed(0)} ms cut off: ${[...seen].map(([entries, times]) => `${entries} entries ${times} times`).join(', ')}`,
  );
  for (const entries of seen.keys()) expect([0, 8_000]).toContain(entries);
});

it('a server that ends while it takes a file in takes nothing', { timeout: 120_000 }, async () => {
  const { bowId, text } = longLog(40_000);
  const file = await bench.zip({ 'about.json': ABOUT, [`bows/${bowId}.jsonl`]: text });
  const record = join(bench.path('data'), 'keen-limb.db');
  const program = await startedOn(record);
  const importId = await send(program, file);
  await ready(program, importId);
  const taking = takeAnswer(program, importId, bowId).catch(() => null);
  await takingFar(program, importId);
  await program.killAlone();
  expect(await taking).toBeNull();
  // Waits for what was at work beside it.
  const db = openDb(record);
  expect(checkRecord(db).damage).toEqual([]);
  expect(entryQueries(db).count()).toBe(0);
  db.close();
});

describe('without a browser', () => {
  const run = async (record: string, ...args: readonly string[]) => {
    const program = new Program(args, { KEEN_LIMB_DB: record });
    running.push(program);
    const code = await program.exit();
    return { code, said: program.said };
  };

  it('a workshop is saved and taken in, previewed, and refused in one line', {
    timeout: 120_000,
  }, async () => {
    const source = join(bench.path('source'), 'keen-limb.db');
    const program = new Program([], { KEEN_LIMB_DB: source });
    running.push(program);
    expect(await program.listening()).toBe(true);
    const [file, one, other] = [bench.path(), bench.path('one.zip'), bench.path('other.zip')];
    // The server may be at work meanwhile.
    expect(await run(source, 'export', file)).toMatchObject({ code: 0 });
    expect((await run(source, 'export', one, 'Heron')).said).toContain('Saved 1 bow');
    // What looks like a question is no file to write.
    expect((await run(source, 'export', '--help')).said).toContain('Say where to');
    const again = await run(source, 'export', file);
    expect(again).toMatchObject({ code: 1 });
    expect(again.said).toMatch(/^[^\n]*is there already and was not touched[^\n]*\n$/);
    expect((await run(source, 'export', other, 'Nobody')).said).toContain(
      'No bow is called Nobody',
    );

    const target = join(bench.path('target'), 'keen-limb.db');
    const preview = await run(target, 'import', one, '--preview');
    expect(preview.said).toMatch(/^Heron: a bow that is not here yet: \d+ entries\.\n$/);
    expect((await run(target, 'import', file)).said).toMatch(
      /Taken in: \d+ entries of \d+ bows\.\n$/,
    );
    expect((await run(target, 'import', file)).said).toContain('Nothing was new');
    expect(await run(target, 'import', one, '--as', 'Heron, copied')).toMatchObject({ code: 0 });
    const back = bench.path('back.zip');
    await run(target, 'export', back, ...namesIn(source));
    expect(readFileSync(back).equals(readFileSync(file))).toBe(true);
    for (const args of [[], ['nowhere.zip'], [file, '--as', 'Two'], [target]]) {
      const refused = await run(target, 'import', ...args);
      expect(refused.code).toBe(1);
      expect(refused.said.trimEnd().split('\n').at(-1)).toMatch(/Nothing was changed\./);
    }
  });

  function namesIn(record: string): readonly string[] {
    const db = openDb(record);
    const queries = entryQueries(db);
    const names = queries.bowIds().map((id) => queries.stateOf(id)?.bow.name ?? '');
    db.close();
    return names;
  }
});

it('what is refused over the wire is said, and nothing waits for it', async () => {
  const program = await startedOn(join(bench.path('data'), 'keen-limb.db'));
  const post = (type: string, body: BodyInit) =>
    fetch(importsOf(program), { method: 'POST', headers: { 'Content-Type': type }, body });
  expect((await post('application/json', '{}')).status).toBe(415);
  const sent = importStandingSchema.parse(await (await post('application/zip', 'no zip')).json());
  await vi.waitFor(
    async () =>
      expect(await standing(program, sent.importId)).toMatchObject({
        kind: 'bad',
        bad: { place: 'The file' },
      }),
    { timeout: 30_000 },
  );
  const taking = await fetch(`${importsOf(program)}/${sent.importId}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ bows: [{ bowId: newId(), how: 'add' }] }),
  });
  expect(taking.status).toBe(404);
  expect((await fetch(`${program.address}/api/workshop-file?bow=${newId()}`)).status).toBe(404);
  expect((await fetch(`${program.address}/api/workshop-file?bow=../x`)).status).toBe(400);
});
