import type { ShotSeen } from './shot-seen.ts';

const FEWEST_IN_HEAP = 3;
/** Half a dozen shots fall into two parts by themselves. */
const FEWEST_FOR_HEAPS = 9;
/** The smaller heap holds at least this share: contact “half the time”, not a slip now and then. */
const LEAST_SHARE = 0.2;
/** Lines the shots are parted across, over half a turn. */
const DIRECTIONS = 12;
const REGROUPINGS = 4;

/** The middle of every setting's shots, mm. */
export function middlesOf(shots: readonly ShotSeen[]) {
  const middles = new Map<number, { readonly outwardMm: number; readonly upMm: number }>();
  for (const { block } of shots) {
    if (middles.has(block)) continue;
    const own = shots.filter((one) => one.block === block);
    middles.set(block, {
      outwardMm: own.reduce((sum, one) => sum + one.outwardMm, 0) / own.length,
      upMm: own.reduce((sum, one) => sum + one.upMm, 0) / own.length,
    });
  }
  return middles;
}

/** Likely ways to part the shots in two: across lines in every direction, then each to its nearest. */
export function partings(shots: readonly ShotSeen[]): readonly (readonly number[])[] {
  const n = shots.length;
  const fewest = Math.max(FEWEST_IN_HEAP, Math.ceil(LEAST_SHARE * n));
  if (n < FEWEST_FOR_HEAPS) return [];
  const middles = middlesOf(shots);
  const at = shots.map(({ outwardMm, upMm, block }) => ({
    x: outwardMm - middles.get(block)!.outwardMm,
    y: upMm - middles.get(block)!.upMm,
  }));
  const found = new Map<string, readonly number[]>();
  const keep = (column: readonly number[]) => {
    const of = column.filter((one) => one === 1).length;
    const smaller = of * 2 > n ? column.map((one) => 1 - one) : column;
    if (Math.min(of, n - of) >= fewest) found.set(smaller.join(''), smaller);
  };
  for (let direction = 0; direction < DIRECTIONS; direction += 1) {
    const angle = (Math.PI * direction) / DIRECTIONS;
    const along = at.map(({ x, y }) => x * Math.cos(angle) + y * Math.sin(angle));
    let column: readonly number[] = partedAlong(along, fewest);
    keep(column);
    for (let pass = 0; pass < REGROUPINGS; pass += 1) {
      column = regrouped(at, column);
      keep(column);
    }
  }
  return [...found.values()];
}

/** The cut across a line that leaves the least squares about the two middles (Otsu's rule). */
function partedAlong(along: readonly number[], fewest: number): readonly number[] {
  const order = along.map((_, index) => index).toSorted((a, b) => along[a]! - along[b]!);
  const total = along.reduce((sum, value) => sum + value, 0);
  let [low, best, bestCut] = [0, Number.NEGATIVE_INFINITY, fewest];
  for (let cut = 1; cut <= along.length - fewest; cut += 1) {
    low += along[order[cut - 1]!]!;
    const between = low ** 2 / cut + (total - low) ** 2 / (along.length - cut);
    if (cut >= fewest && between > best) [best, bestCut] = [between, cut];
  }
  const upper = new Set(order.slice(bestCut));
  return along.map((_, index) => (upper.has(index) ? 1 : 0));
}

/** Every shot to the nearer of the two middles. */
function regrouped(
  at: readonly { readonly x: number; readonly y: number }[],
  column: readonly number[],
): readonly number[] {
  const middle = (which: number) => {
    const own = at.filter((_, index) => column[index] === which);
    const count = Math.max(1, own.length);
    return {
      x: own.reduce((sum, { x }) => sum + x, 0) / count,
      y: own.reduce((sum, { y }) => sum + y, 0) / count,
    };
  };
  const [zero, one] = [middle(0), middle(1)];
  return at.map(({ x, y }) =>
    Math.hypot(x - one.x, y - one.y) < Math.hypot(x - zero.x, y - zero.y) ? 1 : 0,
  );
}
