import type { LoggedEntry } from './entry.ts';
import { FIRST_STRING } from './strings.ts';
import { takenMoments } from './taken-order.ts';

/**
 * When a string was last on the bow: just before another one was put on; the newest moment where it
 * still is.
 *
 * @param log in taken order
 * @param active those of its entries that stand
 * @returns ms since 1970; null where it never was
 */
export function lastMomentOfString(
  log: readonly LoggedEntry[],
  active: readonly LoggedEntry[],
  stringId: string,
): number | null {
  const moments = takenMoments(log);
  const stands = new Set(active);
  let fitted = FIRST_STRING;
  let last: number | null = null;
  for (const [index, entry] of log.entries()) {
    const { body } = entry;
    if (body.kind === 'itemFitted' && body.string !== undefined && stands.has(entry))
      fitted = body.string.stringId;
    if (fitted === stringId) last = moments[index] ?? null;
  }
  return last;
}
