import { setImmediate } from 'node:timers/promises';
import type { ImportProgress } from '#contract/file-import.ts';
import { NewerEntry, upcastEntry } from '#contract/entry-version.ts';
import { MOST_PICTURE_BYTES, type KeptType } from '#contract/picture.ts';
import {
  ABOUT_NAME,
  aboutFileSchema,
  FILE_VERSION,
  type FiledEntry,
  filedEntrySchema,
} from '#contract/workshop-file.ts';
import type { Taken } from '#core/log/entry.ts';
import { pictureFault } from '../pictures/check-picture.ts';
import { BadFile, NEWER_PROGRAM, SAVE_AGAIN } from './bad-file.ts';
import { readLines } from './read-lines.ts';
import { openZip, type ZipMember, type ZipMembers } from './zip-members.ts';

/** An entry of a file, with the moment it was taken even where an old file does not say so. */
export type ReadEntry = FiledEntry & { readonly taken: Taken };

/** Where what is read goes. */
export interface FileSink {
  readonly entry: (entry: ReadEntry, place: string) => void;
  readonly picture: (picture: {
    readonly id: string;
    readonly bowId: string;
    readonly type: KeptType;
    readonly bytes: Buffer;
  }) => void;
  readonly progress: (progress: ImportProgress) => void;
}

/** How often what waits gets its turn, and progress is told. */
const LINES_A_TURN = 500;

/**
 * Reads a whole workshop file, checking every line by the contract and every picture by decoding it.
 *
 * @throws BadFile naming member and line
 */
export async function readWorkshopFile(path: string, sink: FileSink): Promise<void> {
  const zip = await openZip(path);
  try {
    const { entryVersion } = await readAbout(zip);
    const bows = new Set<string>();
    const packed = zip.list.reduce((sum, { packedBytes }) => sum + packedBytes, 0);
    let entries = 0;
    let done = 0;
    const told = () => sink.progress({ share: Math.min(1, done / Math.max(1, packed)), entries });
    for (const member of zip.list) {
      if (member.what.kind === 'bow') {
        bows.add(member.what.bowId);
        const before = entries;
        for await (const entry of entriesOf(zip, member, entryVersion)) {
          sink.entry(entry.read, entry.place);
          entries += 1;
          if (entries % LINES_A_TURN === 0) {
            told();
            await setImmediate();
          }
        }
        if (entries === before)
          throw new BadFile(member.name, 'There is no entry in it.', SAVE_AGAIN);
      }
      if (member.what.kind === 'picture') sink.picture(await pictureOf(zip, member));
      done += member.packedBytes;
      told();
    }
    const astray = zip.list.find(({ what }) => what.kind === 'picture' && !bows.has(what.bowId));
    if (astray !== undefined)
      throw new BadFile(astray.name, 'Its bow is not in the file.', SAVE_AGAIN);
    if (bows.size === 0) throw new BadFile('The file', 'There is no bow in it.', SAVE_AGAIN);
  } finally {
    zip.close();
  }
}

async function readAbout(zip: ZipMembers) {
  const member = zip.list.find(({ what }) => what.kind === 'about');
  if (member === undefined)
    throw new BadFile(
      'The file',
      `It has no ${ABOUT_NAME}: it is a zip file, but not one of bows.`,
      'Choose a file this program saved.',
    );
  const read = aboutFileSchema.safeParse(parsed(await wholeText(zip, member), member.name));
  if (!read.success)
    throw new BadFile(
      member.name,
      `It says something else: ${firstIssue(read.error)}.`,
      SAVE_AGAIN,
    );
  if (read.data.version > FILE_VERSION)
    throw new BadFile(
      member.name,
      `The file is of form ${read.data.version}; this program knows form ${FILE_VERSION}.`,
      NEWER_PROGRAM,
    );
  return read.data;
}

async function wholeText(zip: ZipMembers, member: ZipMember): Promise<string> {
  const lines: string[] = [];
  for await (const { text } of readLines(zip.bytesOf(member), member.name)) lines.push(text);
  return lines.join('\n');
}

async function* entriesOf(zip: ZipMembers, member: ZipMember, version: number) {
  if (member.what.kind !== 'bow') return;
  let beforeMs = 0;
  for await (const { text, number } of readLines(zip.bytesOf(member), member.name)) {
    const place = `${member.name}, line ${number}`;
    const entry = checked(parsed(text, place), version, place);
    if (entry.bowId !== member.what.bowId)
      throw new BadFile(place, 'The entry belongs to another bow.', SAVE_AGAIN);
    // What does not say when it was taken keeps its place among the others.
    beforeMs = Math.max(beforeMs, entry.taken?.ms ?? Date.parse(entry.at));
    const taken = entry.taken ?? { ms: beforeMs, device: '', count: number };
    yield { read: { ...entry, taken }, place };
  }
}

function checked(raw: unknown, version: number, place: string): FiledEntry {
  let upcast: unknown;
  try {
    upcast = upcastEntry(raw, version);
  } catch (error) {
    if (!(error instanceof NewerEntry)) throw error;
    throw new BadFile(place, `A newer program wrote it: ${error.message}.`, NEWER_PROGRAM);
  }
  const read = filedEntrySchema.safeParse(upcast);
  if (read.success) return read.data;
  throw new BadFile(place, `It is no entry: ${firstIssue(read.error)}.`, SAVE_AGAIN);
}

function firstIssue({ issues }: { readonly issues: readonly IssueSaid[] }): string {
  const [issue] = issues;
  if (issue === undefined) return 'it does not fit';
  const path = issue.path.map(String).join('.');
  return `${path === '' ? '' : `${path}: `}${issue.message}`.slice(0, MOST_SAID);
}
interface IssueSaid {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}
const MOST_SAID = 200;

function parsed(text: string, place: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new BadFile(place, 'It is no JSON.', SAVE_AGAIN);
  }
}

async function pictureOf(zip: ZipMembers, member: ZipMember) {
  const { what, name } = member;
  if (what.kind !== 'picture') throw new Error(`${name} is no picture`);
  const parts: Buffer[] = [];
  let size = 0;
  for await (const chunk of zip.bytesOf(member)) {
    size += chunk.length;
    if (size > MOST_PICTURE_BYTES)
      throw new BadFile(
        name,
        `It is larger than ${MOST_PICTURE_BYTES / 1e6} MB, which no kept picture is.`,
        SAVE_AGAIN,
      );
    parts.push(chunk);
  }
  const bytes = Buffer.concat(parts);
  if ((await pictureFault(bytes, what.type)) !== null)
    throw new BadFile(name, 'It is no picture, or a damaged one.', SAVE_AGAIN);
  return { id: what.pictureId, bowId: what.bowId, type: what.type, bytes };
}
