import { parseISO } from 'date-fns';

/** Milliseconds since 1970 of an ISO 8601 instant. Core has no clock of its own, nor a way to name one. */
export function instantMs(at: string): number {
  return parseISO(at).getTime();
}
