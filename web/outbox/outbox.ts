import { v7 as newId } from 'uuid';
import type { Entry, LoggedEntry } from '#core/log/entry.ts';
import { connectionNow, noteNothingWaits, noteStorage } from '../connection/connection.ts';
import { timeNow } from '../device/device-time.ts';
import { leaveBehind, takeOverLeftBehind } from './left-behind.ts';
import {
  changeKept,
  dropStored,
  dropWithCopy,
  forgetFuture,
  keepEntries,
  readKept,
  type Refusal,
  type UnreadableKept,
} from './outbox-db.ts';

/**
 * Entries on their way to the server. Each is kept in the browser's database from the moment it is made
 * until the server has answered for it, so a reload, a cut network or a killed server loses nothing;
 * all tabs share them. The server knows entries by their id, so sending one twice stores it once.
 */
export interface Waiting {
  /** Differs from every other that waits. */
  readonly key: string;
  readonly entry: Entry;
  /** Its place among what the browser keeps; null: in this page only, so far or for good. */
  readonly count: number | null;
  /** Set when the server refused it: it stays here until the tuner lets it go. */
  readonly refused: Refusal | null;
}

export interface Outbox {
  readonly waiting: readonly Waiting[];
  readonly unreadable: readonly UnreadableKept[];
}

let outbox: Outbox = { waiting: [], unreadable: [] };
const listeners = new Set<() => void>();
const channel = 'BroadcastChannel' in globalThis ? new BroadcastChannel('keen-limb-outbox') : null;
/** What is done with entries the server has stored. */
interface Delivery {
  /** Puts them where the page looks; resolves once they are there. */
  readonly show: (entries: readonly LoggedEntry[]) => Promise<void>;
  /** Keeps them for when the server cannot be asked. */
  readonly keep: (entries: readonly LoggedEntry[]) => Promise<void>;
}

const toNobody = () => Promise.resolve();
let delivery: Delivery = { show: toNobody, keep: toNobody };
/** Stored and shown, but still in the browser's database: nobody is to see them wait again. */
const leaving = new Set<string>();
let wake: () => void = () => undefined;

export function subscribeOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function outboxNow(): Outbox {
  return outbox;
}

/** Asked with what the server has stored, before it leaves the outbox: shown in every tab, kept by one. */
export function onDelivered(listener: Delivery): void {
  delivery = listener;
}

/** Called when there is something new to send. */
export function onPosted(sender: () => void): void {
  wake = sender;
}

function show(next: Outbox): void {
  outbox = next;
  if (next.waiting.length === 0) noteNothingWaits();
  for (const listener of listeners) listener();
}

const keyOf = (entry: Entry) => entry.id;

/** One keeping after the other, so that what was made first is kept first. */
let keeping: Promise<unknown> = Promise.resolve();
/** When what is not kept yet was made; by key. */
const onItsWay = new Map<string, number>();

/**
 * Puts entries in the outbox, in order, and starts sending. They are shown at once; what is said of
 * them follows what becomes of them.
 *
 * @param afterMs when the newest entry was taken that whoever made these had seen
 */
export function post(entries: readonly Entry[], afterMs: number): void {
  const added = entries.map((entry) => ({ key: keyOf(entry), entry, count: null, refused: null }));
  show({ ...outbox, waiting: [...outbox.waiting, ...added] });
  const nowMs = timeNow();
  for (const entry of entries) onItsWay.set(keyOf(entry), Math.max(nowMs, afterMs));
  keeping = keeping.then(() => keep(entries, nowMs, afterMs)).then(wake);
}

async function keep(entries: readonly Entry[], nowMs: number, afterMs: number): Promise<void> {
  try {
    const kept = await keepEntries(
      entries.map((entry) => ({ entry, refused: null })),
      nowMs,
      afterMs,
    );
    place(kept.map((one) => ({ key: keyOf(one.entry), ...one })));
    if (connectionNow().storage !== 'fine') await keepWhatWasInPage(nowMs);
    tell({ kind: 'changed' });
  } catch (error) {
    noteStorage(isFull(error) ? 'full' : 'forbidden');
    place(inPageOnly(entries, nowMs, afterMs));
  }
  for (const entry of entries) onItsWay.delete(keyOf(entry));
}

/**
 * The page may go now: what is nowhere but in it is left for the next one.
 *
 * @returns whether nothing would be lost
 */
export function leaveWhatIsInPage(): boolean {
  const inPage = outbox.waiting.filter(({ count }) => count === null);
  return leaveBehind(
    inPage.map((one) => ({
      ...one,
      ms: onItsWay.get(one.key) ?? one.entry.taken?.ms ?? timeNow(),
    })),
  );
}

/** There is room again: what had none is kept now, as it was taken. */
async function keepWhatWasInPage(nowMs: number): Promise<void> {
  const inPage = outbox.waiting.filter(
    (one) => one.count === null && one.entry.taken !== undefined,
  );
  const kept = await keepEntries(inPage, nowMs, 0);
  place(kept.map((one) => ({ key: keyOf(one.entry), ...one })));
  noteStorage('fine');
}

function place(known: readonly Waiting[]): void {
  const byKey = new Map(known.map((one) => [one.key, one]));
  show({ ...outbox, waiting: outbox.waiting.map((one) => byKey.get(one.key) ?? one) });
}

/** The browser keeps nothing: then this page counts for itself, as a device of its own. */
const page = { id: newId(), count: 0, lastMs: 0 };

function inPageOnly(entries: readonly Entry[], nowMs: number, afterMs: number): readonly Waiting[] {
  return entries.map((entry) => {
    page.count += 1;
    page.lastMs = Math.max(nowMs, page.lastMs, afterMs);
    const taken = entry.taken ?? { ms: page.lastMs, device: page.id, count: page.count };
    return { key: keyOf(entry), entry: { ...entry, taken }, count: null, refused: null };
  });
}

function isFull(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'QuotaExceededError';
}

/** What can be sent: kept, or known not to be kept; in order. */
export function sendable(): readonly Waiting[] {
  return outbox.waiting.filter((one) => one.refused === null && one.entry.taken !== undefined);
}

/** Reads what the browser keeps anew: another tab may have added to it or sent it. */
export async function readOutbox(): Promise<void> {
  try {
    const { entries, unreadable } = await readKept();
    const kept = entries
      .map((one): Waiting => ({ key: keyOf(one.entry), ...one }))
      .filter(({ key }) => !leaving.has(key));
    const known = new Set(kept.map((one) => one.key));
    const inPage = outbox.waiting.filter((one) => one.count === null && !known.has(one.key));
    const next = { waiting: [...kept, ...inPage].toSorted(asTaken), unreadable };
    // Mostly it is what is shown already: nothing is drawn for it again.
    if (!isSame(outbox, next)) show(next);
  } catch (error) {
    noteStorage(isFull(error) ? 'full' : 'forbidden');
  }
}

function isSame(one: Outbox, other: Outbox): boolean {
  if (one.unreadable.length > 0 || other.unreadable.length > 0) return false;
  return (
    one.waiting.length === other.waiting.length &&
    one.waiting.every((waiting, at) => {
      const then = other.waiting[at];
      return (
        waiting.key === then?.key &&
        waiting.count === then.count &&
        waiting.refused?.code === then.refused?.code &&
        waiting.entry.taken?.ms === then.entry.taken?.ms
      );
    })
  );
}

/** What opens a session is sent before its shots, wherever each of them is kept. */
function asTaken(one: Waiting, other: Waiting): number {
  const ms = ({ entry }: Waiting) => entry.taken?.ms ?? Number.POSITIVE_INFINITY;
  return ms(one) === ms(other) ? 0 : ms(one) - ms(other);
}

/**
 * The server has stored these: all tabs learn of it before they leave the outbox, and this page says so
 * before the browser has tidied up. They stay in its database until they are kept beside the log they
 * belong to, so that a page closed in between has them all the same.
 */
export async function leave(
  sent: readonly Waiting[],
  stored: readonly LoggedEntry[],
): Promise<void> {
  await delivery.show(stored);
  tell({ kind: 'delivered', entries: stored });
  const gone = new Set(sent.map((one) => one.key));
  for (const key of gone) leaving.add(key);
  show({ ...outbox, waiting: outbox.waiting.filter((one) => !gone.has(one.key)) });
  await delivery.keep(stored);
  await dropStored(sent.flatMap(({ count }) => (count === null ? [] : [count]))).catch(() => {
    // It will be sent again and found stored.
  });
  for (const key of gone) leaving.delete(key);
  tell({ kind: 'changed' });
}

export async function refuse(one: Waiting, refused: Refusal): Promise<void> {
  place([{ ...one, refused }]);
  if (one.count !== null) await changeKept([one.count], (kept) => ({ ...kept, refused }));
  tell({ kind: 'changed' });
}

/** Sends refused entries once more: what stood in their way may be gone. */
export async function tryAgain(those: readonly Waiting[]): Promise<void> {
  place(those.map((one) => ({ ...one, refused: null })));
  await changeKept(
    those.flatMap(({ count }) => (count === null ? [] : [count])),
    (kept) => ({ ...kept, refused: null }),
  );
  wake();
}

/** The device's clock was ahead: these were taken just now, in their order. */
export async function takenJustNow(those: readonly Waiting[]): Promise<void> {
  const nowMs = timeNow();
  const retimed = <T extends { readonly entry: Entry }>(one: T): T => ({
    ...one,
    refused: null,
    entry: {
      ...one.entry,
      at: new Date(nowMs).toISOString(),
      ...(one.entry.taken === undefined ? {} : { taken: { ...one.entry.taken, ms: nowMs } }),
    },
  });
  page.lastMs = Math.min(page.lastMs, nowMs);
  place(those.map(retimed));
  const counts = those.flatMap(({ count }) => (count === null ? [] : [count]));
  if (counts.length > 0) {
    await changeKept(counts, retimed);
    await forgetFuture(nowMs);
  }
  wake();
}

/** Lets go of an entry the server has refused, or of what cannot be read: a copy stays in the browser. */
export async function letGo(what: {
  readonly key?: string;
  readonly count: number | null;
}): Promise<void> {
  if (what.count !== null) await dropWithCopy(what.count);
  show({
    waiting: outbox.waiting.filter((one) => one.key !== what.key),
    unreadable: outbox.unreadable.filter((one) => one.count !== what.count),
  });
  tell({ kind: 'changed' });
}

type Told =
  | { readonly kind: 'changed' }
  | { readonly kind: 'delivered'; readonly entries: readonly LoggedEntry[] };

function tell(told: Told): void {
  channel?.postMessage(told);
}

if (channel !== null)
  channel.onmessage = ({ data }: MessageEvent<Told>) => {
    if (data.kind === 'delivered') void delivery.show(data.entries);
    else void readOutbox().then(wake);
  };

/** What waited when this browser was last open, and what an earlier program left. */
export async function openOutbox(): Promise<void> {
  const left = await takeOverLeftBehind(timeNow());
  const shown = new Set(outbox.waiting.map(({ key }) => key));
  const inPage = left.flatMap(({ entry, refused, ms }) =>
    shown.has(keyOf(entry)) ? [] : inPageOnly([entry], ms, 0).map((one) => ({ ...one, refused })),
  );
  if (inPage.length > 0) show({ ...outbox, waiting: [...inPage, ...outbox.waiting] });
  await readOutbox();
  wake();
}
