import { crc32 } from 'node:zlib';
import yauzl from 'yauzl';
import { FILE_BOUNDS, fileMember, type FileMember } from '#contract/workshop-file.ts';
import { BadFile, SAVE_AGAIN } from './bad-file.ts';

/** The members of a file, by their directory: names and bounds are looked at before any is opened. */
export interface ZipMembers {
  readonly list: readonly ZipMember[];
  /**
   * The bytes of a member as they come, counted and summed on the way.
   *
   * @throws BadFile where they are not what the directory says
   */
  readonly bytesOf: (member: ZipMember) => AsyncGenerator<Buffer>;
  readonly close: () => void;
}

export interface ZipMember {
  readonly name: string;
  readonly what: FileMember;
  readonly packedBytes: number;
  readonly entry: yauzl.Entry;
}

const CUT = 'It is no zip file, or a part of it is missing.';

/**
 * Opens a file.
 *
 * @throws BadFile when it is no zip, holds what does not belong there, or more than a workshop can be
 */
export async function openZip(path: string): Promise<ZipMembers> {
  const zip = await yauzl
    .openPromise(path, { lazyEntries: true, autoClose: false, strictFileNames: true })
    .catch(() => {
      throw new BadFile('The file', CUT, SAVE_AGAIN);
    });
  try {
    const list = await listOf(zip);
    let unpacked = 0;
    const count = (bytes: number, name: string) => {
      unpacked += bytes;
      if (unpacked > FILE_BOUNDS.bytes) throw tooLarge(name);
    };
    return { list, bytesOf: (member) => bytesOf(zip, member, count), close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function listOf(zip: yauzl.ZipFile): Promise<readonly ZipMember[]> {
  if (zip.entryCount > FILE_BOUNDS.members)
    throw new BadFile(
      'The file',
      `It says it holds ${zip.entryCount} members; a workshop has at most ${FILE_BOUNDS.members}.`,
      SAVE_AGAIN,
    );
  const list: ZipMember[] = [];
  const names = new Set<string>();
  try {
    for await (const entry of zip.eachEntry()) {
      const name = entry.fileName;
      const what = fileMember(name);
      if (what === null)
        throw new BadFile(
          named(name),
          'Nothing of that name belongs in a workshop file.',
          'Take it out, or save the file anew where it came from.',
        );
      if (names.has(name)) throw new BadFile(named(name), 'It is in the file twice.', SAVE_AGAIN);
      names.add(name);
      list.push({ name, what, packedBytes: entry.compressedSize, entry });
    }
  } catch (error) {
    if (error instanceof BadFile) throw error;
    throw new BadFile('The file', `${CUT} (${messageOf(error)})`, SAVE_AGAIN);
  }
  return list;
}

async function* bytesOf(
  zip: yauzl.ZipFile,
  { name, entry }: ZipMember,
  count: (bytes: number, name: string) => void,
): AsyncGenerator<Buffer> {
  let sum = 0;
  try {
    const header = await zip.readLocalFileHeaderPromise(entry);
    // Two names for one member: one program would read it as this, another as that.
    if (header.fileName.toString() !== name) throw damaged(name, 'its name is written in two ways');
    const stream = await zip.openReadStreamPromise(entry);
    for await (const chunk of stream as AsyncIterable<Buffer>) {
      count(chunk.length, name);
      sum = crc32(chunk, sum);
      yield chunk;
    }
  } catch (error) {
    if (error instanceof BadFile) throw error;
    throw damaged(name, messageOf(error));
  }
  if (sum !== entry.crc32) throw damaged(name, 'its checksum does not fit');
}

function damaged(name: string, why: string): BadFile {
  return new BadFile(name, `It is damaged: ${why}.`, SAVE_AGAIN);
}

function tooLarge(name: string): BadFile {
  return new BadFile(
    name,
    `Unpacked, the file is larger than ${FILE_BOUNDS.bytes / 1e9} GB, which no workshop is.`,
    SAVE_AGAIN,
  );
}

/** A name as it can be shown: anybody may have written it. */
function named(name: string): string {
  const plain = name.replaceAll(/[^\x20-\x7e]/g, '?');
  return `“${plain.length > MOST_SHOWN ? `${plain.slice(0, MOST_SHOWN)}…` : plain}”`;
}
const MOST_SHOWN = 80;

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'it cannot be read';
}
