import type { Entry, LoggedEntry } from './entry.ts';

/** Same content, whatever the order of keys in the request was: both have passed the contract. */
export function sameEntry(one: Entry, other: Entry | undefined): boolean {
  if (other === undefined) return false;
  return canonical(said(one)) === canonical(said(other));
}

/**
 * Two logs that fold to the same state: the same entries in the same order, whether or not the server has
 * numbered them. When they were taken did its part in the order.
 *
 * @param one,other in taken order
 */
export function sameLog(one: readonly LoggedEntry[], other: readonly LoggedEntry[]): boolean {
  return (
    one.length === other.length &&
    one.every((entry, index) => entry === other[index] || sameEntry(entry, other[index]))
  );
}

/** When it was taken may have been said by the server, or anew by a device that took it over. */
function said({ id, bowId, at, by, body }: Entry): Omit<Entry, 'taken'> {
  return { id, bowId, at, by, body };
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
