import type { Entry } from '#core/log/entry.ts';

/** Same content, whatever the order of keys in the request was: both have passed the contract. */
export function sameEntry(one: Entry, other: Entry | undefined): boolean {
  if (other === undefined) return false;
  return canonical(said(one)) === canonical(said(other));
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
