import type { Upset } from '../craft/upsets.ts';
import type { MarksEvidence } from './marks-evidence.ts';

/** From so many distances on the others follow. */
export const DISTANCES_NEEDED = 2;
/** Nearer to each other than this two distances are one, m. */
const APART_M = 1;

/** How far a bow's marks have come, and whether they hold. */
export interface MarksStanding {
  readonly distances: number;
  /** What was done to the tune since the newest of them. */
  readonly since: readonly Upset[];
  /** When the newest was shot; null: none was. */
  readonly shotAt: string | null;
}

/** @param evidence null: no session of marks was begun */
export function marksStanding(evidence: MarksEvidence | null): MarksStanding {
  const metres = (evidence?.ends ?? [])
    .map(({ distanceM }) => distanceM)
    .toSorted((one, other) => one - other);
  let [distances, last] = [0, Number.NEGATIVE_INFINITY];
  for (const at of metres)
    if (at - last >= APART_M) {
      distances += 1;
      last = at;
    }
  return {
    distances,
    since: evidence?.since ?? [],
    shotAt: evidence?.ends.at(-1)?.at ?? null,
  };
}
