import { z } from 'zod';
import { entrySchema } from '#contract/entry.ts';
import { forget, remembered, rememberedNames } from '../device/device-store.ts';
import { keepEntries, keepUnreadable, type Refusal, readKept } from './outbox-db.ts';

/** Where entries waited before they were kept in a database. */
const PREFIX = 'keen-limb.outbox.';

const oldSchema = z.object({ entry: entrySchema, refused: z.string().nullable() });

/**
 * Takes over what an earlier program of this browser left waiting: at every start, since a tab of it
 * may still be open and leave more. Each goes from the old place only once it is on the disk in the
 * new one; what the old tab sends as well is known to the server by its id.
 *
 * @returns how many were taken over
 */
export async function takeOverOldStorage(nowMs: number): Promise<number> {
  const names = rememberedNames(PREFIX).toSorted();
  if (names.length === 0) return 0;
  const here = new Set((await readKept()).entries.map(({ entry }) => entry.id));
  for (const name of names) {
    const raw = remembered(name);
    if (raw === null) continue;
    const read = readOld(raw);
    if (read === null) await keepUnreadable({ name, raw });
    else if (!here.has(read.entry.id)) {
      // Then an entry said only what the device's clock showed.
      await keepEntries([read], Math.min(Date.parse(read.entry.at), nowMs), 0);
    }
    forget(name);
  }
  return names.length;
}

function readOld(raw: string) {
  try {
    const { entry, refused } = oldSchema.parse(JSON.parse(raw));
    const why: Refusal | null = refused === null ? null : { code: 'refused', words: refused };
    return { entry, refused: why };
  } catch {
    return null;
  }
}
