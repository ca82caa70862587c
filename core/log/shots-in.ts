import type { EntryBody } from './entry.ts';

/**
 * How many shots through the bow an entry tells of: the one count, for string, limbs, day, curve and the
 * steps that are cleared by shooting. What the stand-in of a practice plays goes through nothing.
 */
export function shotsIn(body: EntryBody): number {
  switch (body.kind) {
    case 'shotPlaced':
      return 1;
    case 'shotsFired':
      return body.count;
    case 'shotHeard':
      return body.source === 'standIn' ? 0 : 1;
    default:
      return 0;
  }
}
