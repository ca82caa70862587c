import { useCallback, useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { v7 as newId } from 'uuid';
import type { Entry, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { sameLog } from '#core/log/same-entry.ts';
import { inTakenOrder, newestTakenMs } from '#core/log/taken-order.ts';
import { stepStates } from '#core/order/step-states.ts';
import { fetchLogAhead, mergeLog, useBowLog } from './bow-log.ts';
import { timeNow } from '../device/device-time.ts';
import { outboxNow, post, subscribeOutbox, type Waiting } from '../outbox/outbox.ts';
import { cleanTexts } from '../api/clean-text.ts';
import { tunerName } from '../device/tuner-name.ts';
import { whenIdle } from '../device/when-idle.ts';

export interface BowHandle {
  readonly state: BowState | null;
  readonly log: readonly LoggedEntry[];
  readonly loading: boolean;
  /** Set when there is nothing to show and why. */
  readonly error: Error | null;
  /** How many entries of it are on the server's disk but cannot be read. */
  readonly setAside: number;
  /** Logs entries: shown at once, sent when the server answers. Returns their ids. */
  readonly append: (bodies: readonly EntryBody[]) => readonly string[];
}

interface Folded {
  readonly waiting: string;
  readonly unreadable: number;
  readonly log: readonly LoggedEntry[];
  readonly state: BowState | null;
}

const NO_ENTRIES: readonly LoggedEntry[] = [];
/** Page, top bar and menu all look at the same bow: its log is folded once for all of them. */
const FOLDED = new WeakMap<readonly LoggedEntry[], Folded>();
/** Each bow as it was folded last. */
const LAST = new Map<string, Folded>();

function foldedOnce(
  stored: readonly LoggedEntry[],
  waiting: readonly Waiting[],
  unreadable: number,
): Folded {
  const sendable = waiting.filter((one) => one.refused === null);
  // Where it is kept meanwhile changes nothing in what it says, but when it was taken may.
  const key = sendable.map((one) => `${one.key} ${one.entry.at}`).join();
  const known = FOLDED.get(stored);
  if (known?.waiting === key && known.unreadable === unreadable) return known;
  const pending = sendable.map((one): LoggedEntry => ({ ...one.entry, seq: null }));
  const log = inTakenOrder(mergeLog(stored, pending));
  const before = LAST.get(log[0]?.bowId ?? '');
  // What waited and is stored now says what it said before: nothing that follows from it is worked out again.
  const isSame =
    before !== undefined && before.unreadable === unreadable && sameLog(log, before.log);
  const state = isSame ? before.state : foldLog(log, unreadable);
  const folded = { waiting: key, unreadable, log, state };
  FOLDED.set(stored, folded);
  if (log[0] !== undefined) LAST.set(log[0].bowId, folded);
  return folded;
}

/** One bow: its log from the server and the outbox, folded; and the one way to add to it. */
export function useBow(bowId: string): BowHandle {
  const { data, error, isLoading } = useBowLog(bowId);
  const outbox = useSyncExternalStore(subscribeOutbox, outboxNow);
  const waiting = useMemo(() => waitingFor(bowId, outbox.waiting), [outbox, bowId]);
  const setAside = data?.setAside ?? 0;
  const { log, state } = useMemo(
    () => foldedOnce(data?.entries ?? NO_ENTRIES, waiting, setAside),
    [data, waiting, setAside],
  );
  const newest = useRef(0);
  useEffect(() => {
    newest.current = newestTakenMs(log);
  }, [log]);
  const append = useCallback(
    (bodies: readonly EntryBody[]) => {
      const entries = bodies.map((body) => makeEntry(bowId, body));
      post(entries, newest.current);
      return entries.map((entry) => entry.id);
    },
    [bowId],
  );
  return {
    state,
    log,
    loading: isLoading && state === null,
    error: state === null ? (error ?? null) : null,
    setAside,
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
        const { state } = foldedOnce(
          log.entries,
          waitingFor(bowId, outboxNow().waiting),
          log.setAside,
        );
        if (state !== null) whenIdle(() => stepStates(state));
      });
    })
    // Opening the page asks again, and says what is wrong.
    .catch(() => undefined);
}

function waitingFor(bowId: string, all: readonly Waiting[]): readonly Waiting[] {
  return all.filter((one) => one.entry.bowId === bowId);
}

/** Makes a bow from its first entries; its page shows it even before the server has answered. */
export function makeBowFrom(bodies: readonly EntryBody[]): string {
  const bowId = newId();
  post(
    bodies.map((body) => makeEntry(bowId, body)),
    0,
  );
  return bowId;
}

function makeEntry(bowId: string, body: EntryBody): Entry {
  const by = cleanTexts(tunerName());
  return { id: newId(), bowId, at: new Date(timeNow()).toISOString(), by, body: cleanTexts(body) };
}
