/** Spines that shafts of carbon and aluminium are commonly sold in, softest first. */
export const SHELF_SPINES = [
  1200, 1000, 900, 800, 750, 700, 650, 600, 550, 500, 450, 400, 350, 300,
] as const;

/** Points that are commonly sold, grains. */
export const SHELF_POINTS_GR = [75, 85, 100, 125, 145, 175, 200] as const;

/** As shafts are bought, mm, before anything is cut. */
export const SHELF_LENGTH_MM = 815;

/**
 * About what a carbon shaft of a spine weighs, g/m: stiffer ones have more wall. Shafts of one spine differ by
 * a fifth; the maker's own figure counts.
 */
export function usualMassPerLength(spine: number): number {
  return 8 + 5400 / spine;
}
