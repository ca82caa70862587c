import { z } from 'zod';
import { appendResponseSchema, entrySchema } from '#contract/entry.ts';
import type { Entry, LoggedEntry } from '#core/record/entry.ts';
import { RefusedByServer, request } from './http.ts';

/**
 * Entries on their way to the server. Each is kept in the browser's storage from the moment it is
 * made until the server has answered for it, so a reload, a cut network or a killed server loses
 * nothing. The server knows entries by their id, so sending one twice stores it once.
 */
export interface Waiting {
  readonly key: string;
  readonly entry: Entry;
  /** Set when the server refused it: it stays here until the tuner lets it go. */
  readonly refused: string | null;
}

const PREFIX = 'keen-limb.outbox.';
const RETRY_MS = 3000;
const MOST_A_REQUEST = 50;

const storedSchema = z.object({ entry: entrySchema, refused: z.string().nullable() });

let waiting: readonly Waiting[] = readStorage();
let made = 0;
let sending = false;
let retry: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();
let deliver: (entries: readonly LoggedEntry[]) => Promise<void> = () => Promise.resolve();

function readStorage(): readonly Waiting[] {
  const found: Waiting[] = [];
  for (let i = 0; i < localStorage.length; i += 1) {
    const key = localStorage.key(i);
    if (key === null || !key.startsWith(PREFIX)) continue;
    try {
      const { entry, refused } = storedSchema.parse(JSON.parse(localStorage.getItem(key) ?? ''));
      found.push({ key, entry, refused });
    } catch {
      // Written by an older program: kept where it is, but it cannot be sent.
    }
  }
  return found.toSorted((one, other) => (one.key < other.key ? -1 : 1));
}

function set(next: readonly Waiting[]): void {
  waiting = next;
  for (const listener of listeners) listener();
}

export function subscribeOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function outboxNow(): readonly Waiting[] {
  return waiting;
}

/** Called with what the server has stored, before it leaves the outbox. */
export function onDelivered(listener: (entries: readonly LoggedEntry[]) => Promise<void>): void {
  deliver = listener;
}

/** Puts entries in the outbox, in order, and starts sending. */
export function post(entries: readonly Entry[]): void {
  const added = entries.map((entry) => {
    made += 1;
    const key = `${PREFIX}${String(Date.now()).padStart(15, '0')}.${String(made).padStart(6, '0')}.${entry.id}`;
    localStorage.setItem(key, JSON.stringify({ entry, refused: null }));
    return { key, entry, refused: null };
  });
  set([...waiting, ...added]);
  void flush();
}

/** Lets go of an entry the server has refused. */
export function letGo(key: string): void {
  localStorage.removeItem(key);
  set(waiting.filter((one) => one.key !== key));
}

/** Sends what waits, oldest first, one bow's run of entries a request. */
export async function flush(): Promise<void> {
  if (sending) return;
  sending = true;
  clearTimeout(retry);
  try {
    for (;;) {
      const batch = nextBatch();
      if (batch.length === 0) break;
      await send(batch);
    }
  } catch {
    retry = setTimeout(() => void flush(), RETRY_MS);
  } finally {
    sending = false;
  }
}

function nextBatch(): readonly Waiting[] {
  const ready = waiting.filter((one) => one.refused === null);
  const bowId = ready[0]?.entry.bowId;
  const end = ready.findIndex((one) => one.entry.bowId !== bowId);
  return ready.slice(0, Math.min(end < 0 ? ready.length : end, MOST_A_REQUEST));
}

async function send(batch: readonly Waiting[]): Promise<void> {
  const bowId = batch[0]?.entry.bowId;
  if (bowId === undefined) return;
  try {
    const { entries } = await request(`/api/bows/${bowId}/entries`, appendResponseSchema, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ entries: batch.map((one) => one.entry) }),
    });
    await deliver(entries);
    for (const { key } of batch) localStorage.removeItem(key);
    const sent = new Set(batch.map((one) => one.key));
    set(waiting.filter((one) => !sent.has(one.key)));
  } catch (error) {
    if (!(error instanceof RefusedByServer)) throw error;
    // One bad entry must not hold up the rest: find it by sending one at a time.
    const [first, ...rest] = batch;
    if (first === undefined) return;
    if (rest.length > 0) {
      for (const one of batch) await send([one]);
      return;
    }
    localStorage.setItem(first.key, JSON.stringify({ entry: first.entry, refused: error.message }));
    set(waiting.map((one) => (one.key === first.key ? { ...one, refused: error.message } : one)));
  }
}

window.addEventListener('online', () => void flush());
