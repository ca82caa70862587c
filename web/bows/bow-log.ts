import { useSWRConfig, mutate } from 'swr';
import useSWR from 'swr';
import { type LogResponse, ownLogResponseSchema } from '#contract/entry.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { request, requestKept, ServerAway } from '../api/http.ts';
import { keepAddition } from '../api/last-answers.ts';
import { onDelivered } from '../outbox/outbox.ts';

/** One bow's log as the server keeps it: asked for whole once, then only for what is newer. */
export function useBowLog(bowId: string) {
  const { cache } = useSWRConfig();
  return useSWR<LogResponse, Error>(logPath(bowId), (path: string) =>
    askOnce(path, cache.get(path)?.data as LogResponse | undefined),
  );
}

/** Has the log of a bow here before its page asks for it. */
export async function fetchLogAhead(bowId: string): Promise<LogResponse | undefined> {
  return mutate<LogResponse>(logPath(bowId), (known) => known ?? askOnce(logPath(bowId), known), {
    revalidate: false,
  });
}

const logPath = (bowId: string) => `/api/bows/${bowId}/entries`;

/** Page and look-ahead may ask at the same moment: one question, one answer. */
const asked = new Map<string, Promise<LogResponse>>();

function askOnce(path: string, known: LogResponse | undefined): Promise<LogResponse> {
  const going = asked.get(path);
  if (going !== undefined) return going;
  const answer = ask(path, known).finally(() => asked.delete(path));
  asked.set(path, answer);
  return answer;
}

async function ask(path: string, known: LogResponse | undefined): Promise<LogResponse> {
  if (known === undefined || known.entries.length === 0) return askWhole(path);
  // What this page sent itself may have been stored before what another device sent meanwhile.
  const newest = Math.max(...known.entries.map(({ seq }) => seq ?? 0));
  try {
    const newer = await request(`${path}?after=${newest}`, ownLogResponseSchema);
    const entries = mergeLog(known.entries, newer.entries);
    // Something came between, or this is another record than the one known here.
    if (entries.length !== newer.count) return await askWhole(path);
    if (entries === known.entries) return known;
    await keepNewer(path, newer.entries);
    return { entries, count: newer.count, setAside: newer.setAside };
  } catch (error) {
    if (error instanceof ServerAway) return known;
    throw error;
  }
}

function askWhole(path: string): Promise<LogResponse> {
  return requestKept(path, ownLogResponseSchema, ADDED);
}

/** What came since the log was last asked for whole, kept beside it for when the network is cut. */
const ADDED = {
  holds: ({ entries }: LogResponse, id: string) => entries.some((entry) => entry.id === id),
  join: (answer: unknown, additions: readonly unknown[]): unknown => {
    const log = ownLogResponseSchema.parse(answer);
    const more = additions.flatMap((one) => ownLogResponseSchema.parse(one).entries);
    const inOrder = more.toSorted((one, other) => (one.seq ?? 0) - (other.seq ?? 0));
    return whole(mergeLog(log.entries, inOrder), log.setAside);
  },
};

async function keepNewer(path: string, entries: readonly LoggedEntry[]): Promise<void> {
  const [first] = entries;
  if (first !== undefined) await keepAddition(path, first.id, whole(entries, 0));
}

function whole(entries: readonly LoggedEntry[], setAside: number): LogResponse {
  return { entries, count: entries.length, setAside };
}

/** A log with more entries after it, each once; the same list when it holds them all already. */
export function mergeLog(
  known: readonly LoggedEntry[],
  more: readonly LoggedEntry[],
): readonly LoggedEntry[] {
  if (more.length === 0) return known;
  const ids = new Set(known.map((entry) => entry.id));
  const fresh = more.filter(({ id }) => {
    const isNew = !ids.has(id);
    ids.add(id);
    return isNew;
  });
  return fresh.length === 0 ? known : [...known, ...fresh];
}

onDelivered({
  show: async (entries) => {
    const path = pathOf(entries);
    if (path === null) return;
    const merged = await mutate<LogResponse>(
      path,
      (known) =>
        known === undefined ? known : whole(mergeLog(known.entries, entries), known.setAside),
      { revalidate: false },
    );
    // A bow just made was not on the server when its page first asked: ask again now that it is.
    if (merged === undefined) await mutate(path);
  },
  keep: async (entries) => {
    const path = pathOf(entries);
    if (path !== null) await keepNewer(path, entries);
  },
});

/** One request tells of one bow. */
function pathOf([first]: readonly LoggedEntry[]): string | null {
  return first === undefined ? null : logPath(first.bowId);
}
