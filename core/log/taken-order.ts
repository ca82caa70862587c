import { instantMs } from '../quantity/instant.ts';
import type { LoggedEntry, Taken } from './entry.ts';
import { onceFor } from './once-for.ts';

/**
 * A log in the order in which it was taken, whatever the order it arrived in: by the moment, then by
 * device, then by the device's own count. Moments never fall on one device, so a clock set back in
 * the middle reverses nothing.
 *
 * An entry that does not say when it was taken keeps the place it arrived at: never before the one it
 * arrived after.
 *
 * @param log as it arrived
 * @returns the very same list where it was in order already
 */
export function inTakenOrder<T extends LoggedEntry>(log: readonly T[]): readonly T[] {
  const places = placesOf(log);
  let isInOrder = true;
  for (let index = 1; index < places.length && isInOrder; index += 1)
    isInOrder = byPlace(places[index - 1]!, places[index]!) <= 0;
  if (isInOrder) return log;
  return log
    .map((entry, index) => ({ entry, place: places[index]! }))
    .toSorted((one, other) => byPlace(one.place, other.place))
    .map(({ entry }) => entry);
}

/** The moment after which the next entry of this log is taken at the earliest, ms since 1970; 0: none. */
export function newestTakenMs(log: readonly LoggedEntry[]): number {
  return placesOf(log.slice(-1)).at(-1)?.ms ?? 0;
}

/**
 * What of a log had been taken by a moment, that moment included.
 *
 * @param log in taken order
 */
export function takenBy<T extends LoggedEntry>(log: readonly T[], momentMs: number): readonly T[] {
  return log.slice(0, takenMoments(log).findLastIndex((ms) => ms <= momentMs) + 1);
}

/** When each entry of a log was taken, ms since 1970. */
export const takenMoments = onceFor((log: readonly LoggedEntry[]): readonly number[] =>
  placesOf(log).map(({ ms }) => ms),
);

/** Read once: a log that grows by one entry is put in order again as a whole. */
const atMs = onceFor(({ at }: LoggedEntry) => instantMs(at));

function placesOf(log: readonly LoggedEntry[]): readonly Taken[] {
  const places: Taken[] = [];
  let before: Taken = { ms: 0, device: '', count: 0 };
  for (const entry of log) {
    if (entry.taken !== undefined) before = entry.taken;
    else {
      const ms = atMs(entry);
      if (ms > before.ms) before = { ms, device: '', count: 0 };
    }
    places.push(before);
  }
  return places;
}

function byPlace(one: Taken, other: Taken): number {
  if (one.ms !== other.ms) return one.ms - other.ms;
  if (one.device !== other.device) return one.device < other.device ? -1 : 1;
  return one.count - other.count;
}
