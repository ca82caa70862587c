/**
 * Where to begin when nothing is known: spine, in thousandths of an inch, of a carbon shaft of 28 to 29 in
 * with 100 to 125 gr on it and a low-stretch string, by pounds on the fingers. A start within a step or
 * two, never a verdict. Rule of thumb, the middle of what charts give.
 */
const BY_POUNDS: readonly (readonly [pounds: number, spine: number])[] = [
  [25, 1100],
  [30, 850],
  [35, 700],
  [40, 600],
  [45, 550],
  [50, 500],
  [55, 475],
];

/** What the table is stated for: inches from the throat to the end of the shaft, grains in its front. */
export const STARTING_SPINE_FOR = { lengthIn: 28.5, frontGr: 125 } as const;
/** From one spine to the next on the shelf: natural logarithm of their ratio. */
export const SPINE_STEP = 0.1;
/** Steps softer (+) or stiffer (−) the shaft should be: rules of thumb. */
export const SPINE_STEPS = {
  polyesterString: 1,
  offTheShelf: 1,
  perInchLonger: -1,
  per50GrMoreInFront: -1,
} as const;
/**
 * Off the shelf, by how far the window is cut: past the middle as far as a plunger would hold the shaft it is as
 * with one; each so many mm less wants a step softer, at the middle the one step above.
 */
export const WINDOW_STEPS = { softestMm: 3, mmPerStep: 3, mostSteps: 3 } as const;
/** How far off the start may be, steps, one standard deviation. */
export const STARTING_SPINE_SD_STEPS = 1.5;
/** A shaft this many steps softer than the start can break: it is refused. */
export const TOO_SOFT_STEPS = 2;

/**
 * The starting spine for so many pounds on the fingers, between the rows of the table in proportion.
 *
 * @returns null outside the table, 25 to 55 lb: nothing is said where nobody has written it down
 */
export function startingSpine(pounds: number): number | null {
  const above = BY_POUNDS.findIndex(([row]) => row >= pounds);
  const next = BY_POUNDS[above];
  if (next === undefined) return null;
  const before = BY_POUNDS[above - 1];
  if (before === undefined) return pounds === next[0] ? next[1] : null;
  const share = (pounds - before[0]) / (next[0] - before[0]);
  return before[1] + share * (next[1] - before[1]);
}
