import type { Aiming } from '../craft/aiming.ts';
import type { MarkRow } from './marks-figures.ts';

/** A printed line of this length is held against a rule before anything is glued. */
export const STRIP_CHECK_MM = 100;
/** Lines nearer together than this cannot be told apart by their figures, mm. */
const LEAST_APART_MM = 2.6;

/** Where the marks lie on the bar, mm down from the uppermost. */
export function stripLines(
  aiming: Extract<Aiming, { readonly kind: 'sight' }>,
  rows: readonly MarkRow[],
): {
  readonly lines: readonly { readonly distanceM: number; readonly atMm: number }[];
  readonly lengthMm: number;
} {
  const down = aiming.growsDown ? aiming.mmPerUnit : -aiming.mmPerUnit;
  const places = rows
    .flatMap(({ distanceM, set }) =>
      set === null ? [] : [{ distanceM, downMm: down * set.middle }],
    )
    .toSorted((one, other) => one.downMm - other.downMm);
  const top = places[0]?.downMm ?? 0;
  const lines: { distanceM: number; atMm: number }[] = [];
  for (const { distanceM, downMm } of places) {
    const atMm = downMm - top;
    if (lines.length === 0 || atMm - lines.at(-1)!.atMm >= LEAST_APART_MM)
      lines.push({ distanceM, atMm });
  }
  return { lines, lengthMm: lines.at(-1)?.atMm ?? 0 };
}
