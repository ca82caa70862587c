import { z } from 'zod';
import { entrySchema } from '#contract/entry.ts';
import { ENTRY_VERSION, upcastEntry } from '#contract/entry-version.ts';
import type { Entry } from '#core/log/entry.ts';
import { forget, remember, remembered, rememberedNames } from '../device/device-store.ts';
import { keepEntries, keepUnreadable, type Refusal, readKept } from './outbox-db.ts';

/**
 * Where a page that goes leaves what is not in the browser's database yet: writing there takes no time,
 * which is all such a page has. An earlier program kept all that waited here.
 */
const PREFIX = 'keen-limb.outbox.';

const leftSchema = z.object({
  /** The earlier program did not say: then it is of the first that did. */
  version: z.int().optional(),
  entry: z.unknown(),
  refused: z.string().nullable(),
  /** When it was made, by the server's clock, where that was known. */
  ms: z.number().optional(),
});

export interface LeftBehind {
  readonly entry: Entry;
  readonly refused: Refusal | null;
  /** When it was made, and not before what whoever made it had seen. */
  readonly ms: number;
}

/**
 * Leaves these for the next page of this browser, in the order in which they stand.
 *
 * @returns whether all of them outlive this page
 */
export function leaveBehind(those: readonly LeftBehind[]): boolean {
  const areLeft = those.map(({ entry, refused, ms }, at) => {
    const name = `${PREFIX}${String(ms).padStart(15, '0')}.${String(at).padStart(6, '0')}.${entry.id}`;
    const left = { version: ENTRY_VERSION, entry, refused: refused?.words ?? null, ms };
    return remember(name, JSON.stringify(left));
  });
  return areLeft.every(Boolean);
}

/**
 * Takes over what was left here: at every start, since another tab may leave more. Each goes from here
 * only once it is on the disk in the database; what was sent meanwhile is known to the server by its id.
 *
 * @returns what the database does not take: it stays here, and is only in the page
 */
export async function takeOverLeftBehind(nowMs: number): Promise<readonly LeftBehind[]> {
  const names = rememberedNames(PREFIX).toSorted();
  if (names.length === 0) return [];
  const here = await idsKept();
  const notTaken: LeftBehind[] = [];
  for (const name of names) {
    const raw = remembered(name);
    if (raw === null) continue;
    const read = readLeft(raw, nowMs);
    try {
      if (read === null) await keepUnreadable({ name, raw });
      else if (!here.has(read.entry.id)) await keepEntries([read], read.ms, 0);
      forget(name);
    } catch {
      if (read !== null) notTaken.push(read);
    }
  }
  return notTaken;
}

async function idsKept(): Promise<ReadonlySet<string>> {
  try {
    return new Set((await readKept()).entries.map(({ entry }) => entry.id));
  } catch {
    return new Set();
  }
}

function readLeft(raw: string, nowMs: number): LeftBehind | null {
  try {
    const { version, entry, refused, ms } = leftSchema.parse(JSON.parse(raw));
    const read = entrySchema.parse(upcastEntry(entry, version ?? 1));
    return {
      entry: read,
      refused: refused === null ? null : { code: 'refused', words: refused },
      // The earlier program said only what the device's clock showed.
      ms: ms ?? Math.min(Date.parse(read.at), nowMs),
    };
  } catch {
    return null;
  }
}
