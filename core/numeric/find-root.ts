/** What became of a search for a root. */
export type FoundRoot =
  /** The root lies within the tolerance of `at`. */
  | { readonly kind: 'converged'; readonly at: number }
  /** The function has the same sign at both ends: nothing is known of a root. */
  | { readonly kind: 'noBracket' }
  /** Out of steps, or out of numbers between the ends: the root lies between them. */
  | { readonly kind: 'stalled'; readonly low: number; readonly high: number };

/** Enough for every double between two others. */
const MOST_STEPS = 200;

/**
 * Where a function that rises through zero does so, by bisection: slow, and it cannot miss. Each step
 * halves the bracket, so ⌈log₂((high − low) / (2 tolerance))⌉ steps are taken.
 *
 * @param f negative below the root, positive above it; a step of it counts as the root
 * @param low,high finite, low < high
 * @param tolerance largest distance between the answer and the root, above 0, in the unit of x
 * @throws RangeError for a bracket or a tolerance that is none
 */
export function findRisingRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance: number,
): FoundRoot {
  if (!(Number.isFinite(low) && Number.isFinite(high) && low < high))
    throw new RangeError(`findRisingRoot: no bracket from ${low} to ${high}`);
  if (!(tolerance > 0)) throw new RangeError(`findRisingRoot: tolerance ${tolerance}`);
  let [below, above] = [low, high];
  if (!(f(below) <= 0 && f(above) >= 0)) return { kind: 'noBracket' };
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const middle = below + (above - below) / 2;
    if (above - below <= 2 * tolerance) return { kind: 'converged', at: middle };
    if (middle === below || middle === above) break;
    if (f(middle) < 0) below = middle;
    else above = middle;
  }
  return { kind: 'stalled', low: below, high: above };
}
