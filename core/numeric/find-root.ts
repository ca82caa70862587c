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
 * Where a function that rises through zero does so, by Chandrupatla's rule (1997): through the last
 * three looks a parabola of x over f is laid where that is safe, and the bracket halved where it is not.
 * It cannot miss. After as many steps as halving alone would have taken, halving is all that is done, so
 * that at most twice ⌈log₂((high − low) / (2 tolerance))⌉ are taken; a dozen where the function is smooth.
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
  let across: Look = { x: low, f: f(low) };
  let latest: Look = { x: high, f: f(high) };
  if (!(across.f <= 0 && latest.f >= 0)) return { kind: 'noBracket' };
  const halvings = Math.ceil(Math.log2((high - low) / (2 * tolerance)));
  let share = 0.5;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const width = across.x - latest.x;
    const middle = latest.x + width / 2;
    if (Math.abs(width) <= 2 * tolerance) return { kind: 'converged', at: middle };
    if (middle === latest.x || middle === across.x) break;
    const x = latest.x + share * width;
    const look: Look = { x, f: f(x) };
    if (look.f === 0) return { kind: 'converged', at: x };
    const staysAcross = look.f < 0 === latest.f < 0;
    const before = staysAcross ? latest : across;
    if (!staysAcross) across = latest;
    latest = look;
    const least = tolerance / Math.abs(across.x - latest.x);
    const next = step < halvings ? nextShare(latest, across, before) : 0.5;
    share = Math.min(Math.max(next, least), 1 - least);
  }
  const [below, above] = [latest.x, across.x].toSorted((one, other) => one - other);
  return { kind: 'stalled', low: below!, high: above! };
}

/** What a function was found to be at x. */
interface Look {
  readonly x: number;
  readonly f: number;
}

/** How far from the latest look towards the one across the root to look next, as a share of the way. */
function nextShare(latest: Look, across: Look, before: Look): number {
  const along = (latest.x - across.x) / (before.x - across.x);
  const risen = (latest.f - across.f) / (before.f - across.f);
  const bendsLittle = risen ** 2 < along && (1 - risen) ** 2 < 1 - along;
  if (!bendsLittle) return 0.5;
  const straight = (latest.f / (across.f - latest.f)) * (before.f / (across.f - before.f));
  const bend = (latest.f / (before.f - latest.f)) * (across.f / (before.f - across.f));
  const share = straight + ((before.x - latest.x) / (across.x - latest.x)) * bend;
  return Number.isFinite(share) ? share : 0.5;
}
