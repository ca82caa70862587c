import type { EntryBody } from '#core/log/entry.ts';

/** What was entered last, whatever has become of it since. */
export interface LastEntered {
  readonly ids: readonly string[];
  readonly bodies: readonly EntryBody[];
}

/** Null where something was taken back: that is not taken back again from the line. */
export function lastEntered(
  ids: readonly string[],
  bodies: readonly EntryBody[],
): LastEntered | null {
  return bodies.some((body) => body.kind === 'undone') ? null : { ids, bodies };
}
