import { HAND_MM } from '../priors/room-on-butt.ts';
import type { BowState } from '../log/bow-state.ts';
import type { SessionKind } from '../craft/session-kinds.ts';

/** A build nobody has shot yet starts near, then goes to the second distance, m. */
export const FIRST_DISTANCES_M = { first: 6, second: 10 } as const;
/** Shots at one distance before the next is gone to. */
const SHOTS_BEFORE_FARTHER = 3;

/** How far this build may be shot, and what that is reckoned from. */
export interface FarthestDistance {
  /** Infinity when every shot so far stayed well on the butt. */
  readonly farthestM: number;
  readonly why: 'neverShot' | 'shotNear' | 'strayed' | 'proved';
}

/** What makes another build of an arrow: it flies as it likes until it was seen. */
const BUILD_ITEMS: readonly string[] = ['shaft', 'spine', 'insert', 'fletching'];

/**
 * How far bare shafts of this build may be shot: 6 m, then 10 m, and never to a distance at which one
 * that strayed as it did would leave the butt. Offsets grow with the distance.
 *
 * Fletched arrows of a bow that was shot in are only held to the first distances.
 */
export function farthestDistance(
  state: BowState,
  kind: SessionKind,
  buttMm: number,
): FarthestDistance {
  const bare = kind === 'bareShaft';
  const since = state.upsets.findLast(
    (one) => one.kind === 'item' && BUILD_ITEMS.includes(one.item),
  )?.index;
  const shots = state.sessions.flatMap((session) =>
    session.shots.filter(
      // Stryker disable next-line EqualityOperator,UnaryOperator: a shot is never an item, nor the first entry
      ({ arrow, index }) => (bare ? arrow === 'bare' : true) && index > (since ?? -1),
    ),
  );
  if (shots.length === 0) {
    const shotIn = state.strings.all.some((string) => string.shots > 0);
    if (!bare && shotIn) return { farthestM: Number.POSITIVE_INFINITY, why: 'proved' };
    return { farthestM: FIRST_DISTANCES_M.first, why: 'neverShot' };
  }
  let strayed = Number.POSITIVE_INFINITY;
  let proved = 0;
  const seen = new Map<number, number>();
  for (const { distanceM, outwardMm, upMm } of shots) {
    const off = Math.max(Math.abs(outwardMm), Math.abs(upMm));
    // Stryker disable next-line ConditionalExpression,EqualityOperator: a shot in the very middle strays infinitely late either way
    if (bare && off > 0) strayed = Math.min(strayed, (distanceM * (buttMm / 2 - HAND_MM)) / off);
    seen.set(distanceM, (seen.get(distanceM) ?? 0) + 1);
  }
  for (const [distanceM, count] of seen)
    if (count >= SHOTS_BEFORE_FARTHER) proved = Math.max(proved, distanceM);
  if (proved < FIRST_DISTANCES_M.second) {
    const next = proved > 0 ? FIRST_DISTANCES_M.second : FIRST_DISTANCES_M.first;
    // Stryker disable next-line EqualityOperator: at the very edge both answers name the same distance
    if (strayed >= next) return { farthestM: next, why: proved > 0 ? 'shotNear' : 'neverShot' };
  }
  if (strayed === Number.POSITIVE_INFINITY) return { farthestM: strayed, why: 'proved' };
  return { farthestM: Math.max(2, Math.floor(strayed)), why: 'strayed' };
}
