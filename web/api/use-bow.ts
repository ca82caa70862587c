import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { mutate } from 'swr';
import { v7 as newId } from 'uuid';
import type { Entry, EntryBody, LoggedEntry } from '#core/record/entry.ts';
import { type BowState, foldLog } from '#core/record/fold.ts';
import { stepStates } from '#core/work/step-states.ts';
import { fetchLogAhead, mergeLog, useBowLog } from './bow-log.ts';
import { cleanTexts } from './clean-text.ts';
import { whenIdle } from './when-idle.ts';
import { flush, outboxNow, post, subscribeOutbox, type Waiting } from './outbox.ts';
import { isServerAway, subscribeServerAway } from './server-away.ts';
import { tunerName } from './tuner-name.ts';

/** While the server is away it is asked again and again; once it answers, what is shown is asked anew. */
const ASK_AGAIN_MS = 5000;
let asking: ReturnType<typeof setInterval> | undefined;
subscribeServerAway(() => {
  clearInterval(asking);
  if (isServerAway()) asking = setInterval(() => void mutate(isOurs), ASK_AGAIN_MS);
  else void flush().then(() => mutate(isOurs));
});
const isOurs = (key: unknown) => typeof key === 'string' && key.startsWith('/api/bows');

export interface BowHandle {
  readonly state: BowState | null;
  readonly log: readonly LoggedEntry[];
  readonly loading: boolean;
  /** Set when there is nothing to show and why. */
  readonly error: Error | null;
  /** True while the server does not answer but an earlier answer is shown. */
  readonly away: boolean;
  readonly waiting: readonly Waiting[];
  /** Logs entries: shown at once, sent when the server answers. Returns their ids. */
  readonly append: (bodies: readonly EntryBody[]) => readonly string[];
}

interface Folded {
  readonly waiting: string;
  readonly log: readonly LoggedEntry[];
  readonly state: BowState | null;
}

const NO_ENTRIES: readonly LoggedEntry[] = [];
/** Page, top bar and menu all look at the same bow: its log is folded once for all of them. */
const FOLDED = new WeakMap<readonly LoggedEntry[], Folded>();

function foldedOnce(stored: readonly LoggedEntry[], waiting: readonly Waiting[]): Folded {
  const sendable = waiting.filter((one) => one.refused === null);
  const key = sendable.map((one) => one.key).join();
  const known = FOLDED.get(stored);
  if (known?.waiting === key) return known;
  const pending = sendable.map((one): LoggedEntry => ({ ...one.entry, seq: null }));
  const log = mergeLog(stored, pending);
  const folded = { waiting: key, log, state: foldLog(log) };
  FOLDED.set(stored, folded);
  return folded;
}

/** One bow: its log from the server and the outbox, folded; and the one way to add to it. */
export function useBow(bowId: string): BowHandle {
  const { data, error, isLoading } = useBowLog(bowId);
  const away = useSyncExternalStore(subscribeServerAway, isServerAway);
  const outbox = useSyncExternalStore(subscribeOutbox, outboxNow);
  const waiting = useMemo(() => waitingFor(bowId, outbox), [outbox, bowId]);
  const { log, state } = useMemo(
    () => foldedOnce(data?.entries ?? NO_ENTRIES, waiting),
    [data, waiting],
  );
  const append = useCallback(
    (bodies: readonly EntryBody[]) => {
      const entries = bodies.map((body) => makeEntry(bowId, body));
      post(entries);
      return entries.map((entry) => entry.id);
    },
    [bowId],
  );
  return {
    state,
    log,
    loading: isLoading && state === null,
    error: state === null ? (error ?? null) : null,
    away,
    waiting,
    append,
  };
}

/**
 * Fetches and folds a bow's log before its page is opened, where somebody looks like opening it: a
 * finger or pointer on its name, or the focus.
 */
export function lookAhead(bowId: string): void {
  void fetchLogAhead(bowId)
    .then((log) => {
      if (log === undefined) return;
      whenIdle(() => {
        const { state } = foldedOnce(log.entries, waitingFor(bowId, outboxNow()));
        if (state !== null) whenIdle(() => stepStates(state));
      });
    })
    // Opening the page asks again, and says what is wrong.
    .catch(() => undefined);
}

function waitingFor(bowId: string, outbox: readonly Waiting[]): readonly Waiting[] {
  return outbox.filter((one) => one.entry.bowId === bowId);
}

/** Makes a bow from its first entries; its page shows it even before the server has answered. */
export function makeBowFrom(bodies: readonly EntryBody[]): string {
  const bowId = newId();
  post(bodies.map((body) => makeEntry(bowId, body)));
  return bowId;
}

function makeEntry(bowId: string, body: EntryBody): Entry {
  const by = cleanTexts(tunerName());
  return { id: newId(), bowId, at: new Date().toISOString(), by, body: cleanTexts(body) };
}
