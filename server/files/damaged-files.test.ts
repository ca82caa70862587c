import { readFileSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { badFileSchema } from '#contract/file-import.ts';
import { fileMember } from '#contract/workshop-file.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { demoClub } from '#demo/demo-club.ts';
import { entryQueries } from '../bows/entry-queries.ts';
import type { Db } from '../db/open.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { emptyRecord, FileBench } from '../fixtures/workshop-files.ts';
import { pictureQueries } from '../pictures/picture-queries.ts';
import { BadFile } from './bad-file.ts';

/** So many files are spoiled by turned bits and by cuts. */
const FLIPS = 700;
const CUTS = 300;
const SEED = Number(process.env['KEEN_LIMB_SEED'] ?? 20_261);

const bench = new FileBench();
let good: Buffer;
let bowId: string;
let lines: readonly string[];
let record: Db;
const ABOUT = JSON.stringify({ format: 'keen-limb-workshop', version: 1, entryVersion: 2 });

beforeAll(async () => {
  const source = emptyRecord();
  const queries = entryQueries(source, { nowMs: () => NOW_MS, mustBeThere: () => undefined });
  const small = demoClub(NOW_MS).find((log) => log.length > 30)!;
  queries.append(small.slice(0, 30), () => undefined);
  bowId = small[0]!.bowId;
  lines = queries.logOf(bowId).map(({ seq: _seq, ...entry }) => JSON.stringify(entry));
  const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#c84' } })
    .jpeg()
    .toBuffer();
  pictureQueries(source).keep({ id: newId(), bowId, type: 'image/jpeg', bytes });
  good = readFileSync(await bench.save(source));
  record = emptyRecord();
});
afterAll(() => bench.end());

const held = () => record.prepare('SELECT count(*) FROM entry').pluck().get();
async function refusalOf(path: string) {
  const error: unknown = await bench.take(path, record).then(
    () => null,
    (thrown: unknown) => thrown,
  );
  expect(error).toBeInstanceOf(BadFile);
  expect(held()).toBe(0);
  const said = badFileSchema.parse((error as BadFile).said);
  expect(said.remedy).not.toBe('');
  return said;
}
/** A file with this in place of the bow’s lines. */
const withLines = (text: string) =>
  bench.zip({ 'about.json': ABOUT, [`bows/${bowId}.jsonl`]: text });

it(`${FLIPS} files with a bit turned and ${CUTS} cut short add nothing that was not in them`, {
  timeout: 120_000,
}, async () => {
  const uniform = seededUniform(SEED);
  const plain = await bench.plan(write(good), record, NOW_MS);
  const tally = { refused: 0, harmless: 0 };
  const look = async (bytes: Buffer) => {
    try {
      // A bit that says when a member was written, and the like: what is in it is what was in it.
      expect(await bench.plan(write(bytes), record, NOW_MS)).toEqual(plain);
      tally.harmless += 1;
    } catch (error) {
      if (!(error instanceof BadFile)) throw error;
      const { place } = error.said;
      const [name = ''] = place.split(', line ');
      expect(
        ['The file', '“'].some((one) => place.startsWith(one)) || fileMember(name),
      ).toBeTruthy();
      tally.refused += 1;
    }
  };
  for (let n = 0; n < FLIPS; n += 1) {
    const bytes = Buffer.from(good);
    const at = Math.floor(uniform() * bytes.length);
    bytes[at] = bytes[at]! ^ (1 << Math.floor(uniform() * 8));
    await look(bytes);
  }
  const flipsRefused = tally.refused;
  for (let n = 0; n < CUTS; n += 1)
    await look(good.subarray(0, Math.floor(uniform() * good.length)));
  expect(tally.refused - flipsRefused).toBe(CUTS);
  expect(flipsRefused).toBeGreaterThan(FLIPS / 2);
  expect(held()).toBe(0);
});

function write(bytes: Buffer): string {
  const path = bench.path();
  writeFileSync(path, bytes);
  return path;
}

/** A zip of so many empty members, with a directory as the format has it for as many (APPNOTE 4.3). */
function emptyMembers(count: number): Buffer {
  const locals: Buffer[] = [];
  const directory: Buffer[] = [];
  let at = 0;
  for (let n = 0; n < count; n += 1) {
    const name = Buffer.from(
      `bows/${String(n).padStart(8, '0')}-0000-4000-8000-000000000000.jsonl`,
    );
    const local = Buffer.alloc(30);
    local.writeUInt32LE(0x04034b50, 0);
    local.writeUInt16LE(name.length, 26);
    const central = Buffer.alloc(46);
    central.writeUInt32LE(0x02014b50, 0);
    central.writeUInt16LE(name.length, 28);
    central.writeUInt32LE(at, 42);
    locals.push(local, name);
    directory.push(central, name);
    at += 30 + name.length;
  }
  const size = directory.reduce((sum, part) => sum + part.length, 0);
  const end64 = Buffer.alloc(56);
  end64.writeUInt32LE(0x06064b50, 0);
  end64.writeBigUInt64LE(44n, 4);
  end64.writeBigUInt64LE(BigInt(count), 24);
  end64.writeBigUInt64LE(BigInt(count), 32);
  end64.writeBigUInt64LE(BigInt(size), 40);
  end64.writeBigUInt64LE(BigInt(at), 48);
  const locator = Buffer.alloc(20);
  locator.writeUInt32LE(0x07064b50, 0);
  locator.writeBigUInt64LE(BigInt(at + size), 8);
  locator.writeUInt32LE(1, 16);
  const end = Buffer.alloc(22, 0xff);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt32LE(0, 4);
  end.writeUInt16LE(0, 20);
  return Buffer.concat([...locals, ...directory, end64, locator, end]);
}

describe('refused, with file and line', () => {
  it('a line that is no JSON, no entry, of another bow, or stands there twice', async () => {
    const [first = '', second = ''] = lines;
    const at = (line: number) => `bows/${bowId}.jsonl, line ${line}`;
    expect(await refusalOf(await withLines(`${first}\n{`))).toMatchObject({ place: at(2) });
    expect(await refusalOf(await withLines(`${first}\n\n[]`))).toMatchObject({ place: at(3) });
    const odd = JSON.parse(second) as { body: Record<string, unknown> };
    const spoiled = JSON.stringify({ ...odd, body: { kind: 'change', control: 'twists' } });
    const { place, says } = await refusalOf(await withLines(`${first}\n${spoiled}\n${second}`));
    expect(place).toBe(at(2));
    expect(says).toContain('body.amount');
    const astray = second.replace(bowId, newId());
    expect(await refusalOf(await withLines(`${first}\n${astray}`))).toMatchObject({ place: at(2) });
    expect(await refusalOf(await withLines(`${first}\n${second}\n${second}`))).toMatchObject({
      place: at(3),
    });
    const again = first.replace(/"id":"[^"]+"/, `"id":"${newId()}"`);
    expect(await refusalOf(await withLines(`${first}\n${again}`))).toMatchObject({ place: at(2) });
  });

  it('another version, of the file or of its entries', async () => {
    const about = (text: string) =>
      bench.zip({ 'about.json': text, [`bows/${bowId}.jsonl`]: lines.join('\n') });
    const newer = await refusalOf(await about(ABOUT.replace('"version":1', '"version":2')));
    expect(newer).toMatchObject({ place: 'about.json' });
    expect(newer.remedy).toContain('newer program');
    expect(
      await refusalOf(await about(ABOUT.replace('"entryVersion":2', '"entryVersion":99'))),
    ).toMatchObject({ place: `bows/${bowId}.jsonl, line 1` });
    for (const odd of ['{}', '[]', 'null', ABOUT.replace('keen-limb', 'other')])
      expect(await refusalOf(await about(odd))).toMatchObject({ place: 'about.json' });
    const without = await bench.zip({ [`bows/${bowId}.jsonl`]: lines.join('\n') });
    expect((await refusalOf(without)).says).toContain('not one of bows');
  });

  it.each([
    ['NUL in a name', '"by":"a\\u0000b"'],
    ['half a character', '"by":"\\ud800"'],
    ['a key that is everybody’s', '"__proto__":{"x":1},"by":"a"'],
    ['a name longer than any', `"by":"${'x'.repeat(5000)}"`],
    ['a moment that is none', '"by":"a","at":"yesterday"'],
  ])('%s', async (_name, by) => {
    const spoiled = lines[0]!.replace(/"by":"[^"]*"/, by);
    expect(spoiled).not.toBe(lines[0]);
    expect(await refusalOf(await withLines(spoiled))).toMatchObject({
      place: `bows/${bowId}.jsonl, line 1`,
    });
  });

  it('nesting ten thousand deep', async () => {
    const deep = `${'{"body":'.repeat(10_000)}1${'}'.repeat(10_000)}`;
    for (const text of [deep, `${'['.repeat(10_000)}${']'.repeat(10_000)}`])
      expect(await refusalOf(await withLines(text))).toMatchObject({
        place: `bows/${bowId}.jsonl, line 1`,
      });
  });

  it('bytes that are no text', async () => {
    const path = await bench.zip({
      'about.json': ABOUT,
      [`bows/${bowId}.jsonl`]: Buffer.from([0x7b, 0xff, 0xfe, 0x7d]),
    });
    expect((await refusalOf(path)).says).toContain('UTF-8');
  });

  it('a small file that unpacks to one endless line, or to lines without end', async () => {
    const wide = await withLines('x'.repeat(40_000_000));
    expect(readFileSync(wide).length).toBeLessThan(100_000);
    expect((await refusalOf(wide)).says).toContain('longer than 300 kB');
    expect((await refusalOf(await withLines('\n'.repeat(1_000_001)))).says).toContain('lines');
  });

  it('a member whose directory understates it', async () => {
    const bytes = Buffer.from(readFileSync(await withLines(`${lines[0]}\n${' '.repeat(900_000)}`)));
    const name = Buffer.from(`bows/${bowId}.jsonl`);
    const central = bytes.lastIndexOf(name) - 46;
    bytes.writeUInt32LE(100, central + 24);
    expect((await refusalOf(write(bytes))).place).toBe(name.toString());
  });

  it.each(['../', '/tmp', 'C:\\x', 'a\\..\\'])('names that lead out of it: %s', async (lead) => {
    const plain = `bows/${bowId}.jsonl`;
    const bad = `${lead}${plain.slice(lead.length)}`;
    const bytes = readFileSync(await withLines(lines.join('\n')));
    const spoiled = Buffer.from(bytes.toString('latin1').replaceAll(plain, bad), 'latin1');
    await refusalOf(write(spoiled));
  });

  it('names that do not belong there, or stand there twice', async () => {
    const odd = await bench.zip({ 'about.json': ABOUT, 'read me <b>.txt': 'x' });
    expect((await refusalOf(odd)).place).toBe('“read me <b>.txt”');
    const other = newId();
    const two = await bench.zip({
      'about.json': ABOUT,
      [`bows/${bowId}.jsonl`]: lines.join('\n'),
      [`bows/${other}.jsonl`]: lines.join('\n'),
    });
    const spoiled = readFileSync(two)
      .toString('latin1')
      .replaceAll(`bows/${other}`, `bows/${bowId}`);
    expect((await refusalOf(write(Buffer.from(spoiled, 'latin1')))).says).toContain('twice');
  });

  it('a hundred thousand members', async () => {
    expect((await refusalOf(write(emptyMembers(100_000)))).says).toContain('100000');
  });

  it('a picture that is none, or whose bow is not there', async () => {
    const log = { 'about.json': ABOUT, [`bows/${bowId}.jsonl`]: lines.join('\n') };
    const none = await bench.zip({ ...log, [`pictures/${bowId}/${newId()}.png`]: '<svg/>' });
    expect((await refusalOf(none)).place).toMatch(/^pictures\//);
    const picture = await sharp({
      create: { width: 8, height: 8, channels: 3, background: '#000' },
    })
      .png()
      .toBuffer();
    const astray = await bench.zip({ ...log, [`pictures/${newId()}/${newId()}.png`]: picture });
    expect((await refusalOf(astray)).says).toContain('not in the file');
  });

  it('no zip, an empty one, and one without a bow', async () => {
    for (const bytes of [Buffer.alloc(0), Buffer.from('PK'), Buffer.from('right_mm,up_mm\n1,2')])
      expect((await refusalOf(write(bytes))).place).toBe('The file');
    expect((await refusalOf(await bench.zip({ 'about.json': ABOUT }))).says).toContain('no bow');
    expect((await refusalOf(await withLines('\n'))).says).toContain('no entry');
  });
});
