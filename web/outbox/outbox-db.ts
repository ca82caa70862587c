import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { v7 as newId } from 'uuid';
import { z } from 'zod';
import { entrySchema } from '#contract/entry.ts';
import { ENTRY_VERSION, upcastEntry } from '#contract/entry-version.ts';
import type { Entry } from '#core/log/entry.ts';

/** Why the server does not take an entry: its code decides, its words are shown. */
export interface Refusal {
  readonly code: string;
  readonly words: string;
}

/** An entry kept by the browser, under its place in the order of this device. */
export interface KeptEntry {
  readonly count: number;
  readonly entry: Entry;
  readonly refused: Refusal | null;
}

/** What is kept but cannot be read as an entry: by a newer program, or damaged. */
export interface UnreadableKept {
  readonly count: number;
  readonly raw: unknown;
}

interface Device {
  readonly id: string;
  /** Of the newest entry; the next gets one more. */
  readonly count: number;
  /** When the newest entry was taken: no later one is taken before it. */
  readonly lastMs: number;
}

interface OutboxSchema extends DBSchema {
  waiting: { key: number; value: unknown };
  /** What was let go of, with a press: kept here all the same. */
  letGo: { key: number; value: unknown };
  device: { key: string; value: Device };
}

const NAME = 'keen-limb-outbox';
const THIS_DEVICE = 'this';
/** On the disk, not only on its way there, before it is said to be kept. */
const ON_DISK = { durability: 'strict' } as const;

let opening: Promise<IDBPDatabase<OutboxSchema>> | null = null;

function db(): Promise<IDBPDatabase<OutboxSchema>> {
  opening ??= openDB<OutboxSchema>(NAME, 1, {
    upgrade: (made) => {
      made.createObjectStore('waiting', { keyPath: 'count' });
      made.createObjectStore('letGo', { autoIncrement: true });
      made.createObjectStore('device');
    },
    terminated: () => {
      opening = null;
    },
  });
  opening.catch(() => {
    opening = null;
  });
  return opening;
}

/**
 * Keeps entries in order, each with its place: one transaction, so that two tabs never give the same
 * count and a cut in the middle keeps all of them or none. What is there already is left as it is.
 *
 * @param nowMs by the server's clock
 * @param afterMs no entry is taken before this: what was seen came first
 * @returns what is kept now, with its place
 */
export async function keepEntries(
  entries: readonly { readonly entry: Entry; readonly refused: Refusal | null }[],
  nowMs: number,
  afterMs: number,
): Promise<readonly KeptEntry[]> {
  const tx = (await db()).transaction(['waiting', 'device'], 'readwrite', ON_DISK);
  const devices = tx.objectStore('device');
  const waiting = tx.objectStore('waiting');
  let device = (await devices.get(THIS_DEVICE)) ?? { id: newId(), count: 0, lastMs: 0 };
  const kept: KeptEntry[] = [];
  for (const { entry, refused } of entries) {
    const ms = Math.max(nowMs, device.lastMs, afterMs);
    device = { ...device, count: device.count + 1, lastMs: ms };
    const taken = entry.taken ?? { ms, device: device.id, count: device.count };
    const one = { count: device.count, entry: { ...entry, taken }, refused };
    void waiting.add({ ...one, version: ENTRY_VERSION });
    kept.push(one);
  }
  void devices.put(device, THIS_DEVICE);
  await tx.done;
  return kept;
}

/** Keeps what cannot be read as an entry, to be shown and saved. */
export async function keepUnreadable(raw: object): Promise<void> {
  const tx = (await db()).transaction(['waiting', 'device'], 'readwrite', ON_DISK);
  const devices = tx.objectStore('device');
  const device = (await devices.get(THIS_DEVICE)) ?? { id: newId(), count: 0, lastMs: 0 };
  const count = device.count + 1;
  void devices.put({ ...device, count }, THIS_DEVICE);
  void tx.objectStore('waiting').add({ ...raw, count });
  await tx.done;
}

const keptSchema = z.object({
  count: z.int(),
  version: z.int(),
  entry: z.unknown(),
  refused: z.object({ code: z.string(), words: z.string() }).nullable(),
});

/** All that is kept, in order; of all tabs. */
export async function readKept(): Promise<{
  readonly entries: readonly KeptEntry[];
  readonly unreadable: readonly UnreadableKept[];
}> {
  const tx = (await db()).transaction('waiting');
  const [rows, counts] = await Promise.all([tx.store.getAll(), tx.store.getAllKeys()]);
  const entries: KeptEntry[] = [];
  const unreadable: UnreadableKept[] = [];
  for (const [at, raw] of rows.entries()) {
    const count = counts[at] ?? 0;
    const read = readRow(raw);
    if (read === null) unreadable.push({ count, raw });
    else entries.push({ ...read, count });
  }
  return { entries, unreadable };
}

function readRow(raw: unknown): Omit<KeptEntry, 'count'> | null {
  const row = keptSchema.safeParse(raw);
  if (!row.success) return null;
  try {
    const { entry, version, refused } = row.data;
    return { entry: entrySchema.parse(upcastEntry(entry, version)), refused };
  } catch {
    return null;
  }
}

/** What the server has stored goes: where that is lost it is sent again, and found stored. */
export async function dropStored(counts: readonly number[]): Promise<void> {
  const tx = (await db()).transaction('waiting', 'readwrite');
  for (const count of counts) void tx.store.delete(count);
  await tx.done;
}

/** Lets go of what is kept, but not without a copy. */
export async function dropWithCopy(count: number): Promise<void> {
  const tx = (await db()).transaction(['waiting', 'letGo'], 'readwrite', ON_DISK);
  const raw = await tx.objectStore('waiting').get(count);
  if (raw !== undefined) void tx.objectStore('letGo').add(raw);
  void tx.objectStore('waiting').delete(count);
  await tx.done;
}

/** Changes entries that wait; those gone meanwhile stay gone. */
export async function changeKept(
  counts: readonly number[],
  change: (kept: KeptEntry) => KeptEntry,
): Promise<void> {
  const tx = (await db()).transaction('waiting', 'readwrite', ON_DISK);
  for (const count of counts) {
    const raw: unknown = await tx.store.get(count);
    const read = readRow(raw);
    if (read !== null) void tx.store.put({ ...change({ ...read, count }), version: ENTRY_VERSION });
  }
  await tx.done;
}

/** The clock was ahead and is not any more: the next entry need not wait for it. */
export async function forgetFuture(nowMs: number): Promise<void> {
  const tx = (await db()).transaction('device', 'readwrite', ON_DISK);
  const device = await tx.store.get(THIS_DEVICE);
  if (device !== undefined)
    void tx.store.put({ ...device, lastMs: Math.min(device.lastMs, nowMs) }, THIS_DEVICE);
  await tx.done;
}
