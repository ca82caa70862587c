import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  statSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import { note, Program } from './fixtures/program.ts';

let folder: string;
let file: string;
const running: Program[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  file = join(folder, 'data', 'keen-limb.db');
});
afterEach(async () => {
  for (const program of running.splice(0)) await program.kill();
  rmSync(folder, { recursive: true, force: true });
});

function run(args: readonly string[] = [], env: Readonly<Record<string, string>> = {}): Program {
  const program = new Program(args, { KEEN_LIMB_DB: file, ...env });
  running.push(program);
  return program;
}
async function started(): Promise<Program> {
  const program = run();
  expect(await program.listening(), program.said).toBe(true);
  return program;
}
async function refusal(args: readonly string[] = [], env: Readonly<Record<string, string>> = {}) {
  const program = run(args, env);
  expect(await program.exit()).toBe(1);
  return program.said;
}
/** One line, no trace. */
const ONE_LINE = /^[^\n]+\n$/;

describe('a start that cannot be', () => {
  it.each(['abc', '-1', '70000', '80.5', '1e3'])(
    'PORT=%s is said, and nothing was touched',
    async (port) => {
      const said = await refusal([], { PORT: port });
      expect(said).toMatch(ONE_LINE);
      expect(said).toContain(`PORT is "${port}"`);
      expect(readdirSync(folder)).toEqual([]);
    },
  );

  it.each(['often', '-1', 'Infinity'])('hours between copies: %s is said', async (hours) => {
    const said = await refusal([], { KEEN_LIMB_COPY_HOURS: hours });
    expect(said).toMatch(ONE_LINE);
    expect(said).toContain(`KEEN_LIMB_COPY_HOURS is "${hours}"`);
    expect(readdirSync(folder)).toEqual([]);
  });

  it('a port that is taken is said, with another to try', async () => {
    const other = createServer();
    await new Promise<void>((listening) => other.listen(0, '127.0.0.1', listening));
    const { port } = other.address() as { port: number };
    const said = await refusal([], { PORT: String(port) });
    expect(said).toMatch(ONE_LINE);
    expect(said).toMatch(`Port ${port} is taken`);
    expect(said).toContain(`PORT=${port + 1} npm start`);
    other.close();
  });

  it('a record of a newer program, a damaged one, a folder in its place: one line each', async () => {
    mkdirSync(join(folder, 'data'));
    const db = new Database(file);
    db.pragma('user_version = 42');
    db.exec('CREATE TABLE later (x)');
    db.close();
    expect(await refusal()).toMatch(/^The record .* newer program .*Nothing was changed.*\n$/);
    writeFileSync(file, Buffer.alloc(9000, 3));
    expect(await refusal()).toMatch(/^.* is damaged or no record.*Nothing was changed.*\n$/);
    rmSync(file);
    mkdirSync(file);
    expect(await refusal()).toMatch(/^.*Nothing was changed.*\n$/);
    writeFileSync(join(folder, 'a file'), '');
    const inTheWay = await refusal([], { KEEN_LIMB_DB: join(folder, 'a file', 'keen-limb.db') });
    expect(inTheWay).toMatch(/^There can be no record at .*something else stands in its way.*\n$/);
  });

  it('an unknown command is said', async () => {
    expect(await refusal(['forget'])).toMatch(/^There is no command "forget".*\n$/);
    expect(await refusal(['restore'])).toMatch(/^Say which copy.*\n$/);
  });
});

describe('two first starts at once', () => {
  it('both serve, and there is one club', async () => {
    const [one, other] = [run(), run()];
    expect([await one.listening(), await other.listening()]).toEqual([true, true]);
    const bows = async ({ address }: Program) =>
      (
        (await (await fetch(`${address}/api/bows`)).json()) as { bows: { name: string }[] }
      ).bows.map(({ name }) => name);
    const names = await bows(one);
    expect(new Set(names).size).toBe(names.length);
    expect(await bows(other)).toEqual(names);
  });
});

describe('a running server', () => {
  const problemOf = async (answer: Response) => problemSchema.parse(await answer.json());

  it('whose folder is removed says so, and stores nothing', async () => {
    const program = await started();
    const bowId = await program.firstBow();
    expect((await program.post(bowId, [note(bowId, 'before')])).status).toBe(201);
    renameSync(join(folder, 'data'), join(folder, 'gone'));
    const answer = await program.post(bowId, [note(bowId, 'after')]);
    expect(answer.status).toBe(503);
    expect((await problemOf(answer)).code).toBe('recordGone');
    renameSync(join(folder, 'gone'), join(folder, 'data'));
    expect((await program.post(bowId, [note(bowId, 'back')])).status).toBe(201);
    const notes = (await program.log(bowId)).entries.flatMap(({ body }) =>
      body.kind === 'note' ? [body.text] : [],
    );
    expect(notes.slice(-2)).toEqual(['before', 'back']);
  });

  it('whose record is locked answers soon, says when to ask again, and reads go on', async () => {
    const program = await started();
    const bowId = await program.firstBow();
    const other = new Database(file);
    other.exec('BEGIN IMMEDIATE');
    const begun = performance.now();
    const answers = await Promise.all(
      [1, 2, 3].map((n) => program.post(bowId, [note(bowId, `${n}`)])),
    );
    // Three waited one after the other; the old way each held the server for five seconds.
    expect(performance.now() - begun).toBeLessThan(13_000);
    for (const answer of answers) {
      expect(answer.status).toBe(503);
      expect(Number(answer.headers.get('retry-after'))).toBeGreaterThan(0);
      expect((await problemOf(answer)).code).toBe('busy');
    }
    expect((await program.log(bowId)).entries.length).toBeGreaterThan(0);
    other.close();
    expect((await program.post(bowId, [note(bowId, 'free again')])).status).toBe(201);
  });

  it('is not restored under; stopped, it is', async () => {
    const program = await started();
    const copy = run(['copy']);
    expect(await copy.exit()).toBe(0);
    const path = /read through: (.+)\n/.exec(copy.said)![1]!;
    const bowId = await program.firstBow();
    await program.post(bowId, [note(bowId, 'since the copy')]);
    // Not its bytes: the server itself brings its journal into the file meanwhile.
    const before = await program.log(bowId);
    const inode = statSync(file).ino;
    expect(await refusal(['restore', path])).toMatch(
      /^A running server has the record open\. Nothing/,
    );
    expect(statSync(file).ino).toBe(inode);
    expect(await program.log(bowId)).toEqual(before);
    expect(before.entries.at(-1)?.body).toEqual({ kind: 'note', text: 'since the copy' });
    await program.kill();
    const restore = run(['restore', path]);
    expect(await restore.exit(), restore.said).toBe(0);
    expect(restore.said).toContain('The record before it is now');
    const again = await started();
    const { entries } = await again.log(bowId);
    expect(entries.some(({ body }) => body.kind === 'note' && body.text === 'since the copy')).toBe(
      false,
    );
  });
});
