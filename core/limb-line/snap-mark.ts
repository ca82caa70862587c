import type { PhotoPoint } from './read-photo.ts';

/** A grey picture: one byte a pixel, row by row. */
export interface GreyPicture {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8Array;
}

/** What a mark is meant to sit on: the middle of a thin line, or an edge between light and dark. */
export type SnapTo = 'line' | 'edge';

/** How far to either side it looks, and how many rows above and below are averaged, px. */
const REACH_PX: Readonly<Record<SnapTo, number>> = { line: 14, edge: 5 };
const ROWS_PX = 4;
/** This much at either end of a profile is taken as the ground a line stands on, px. */
const GROUND_PX = 4;
/** Less contrast than this is no feature: the mark stays where it was put. Grey levels. */
const LEAST_CONTRAST = 12;

/** A picture with more than this many px to its longer side is looked at in coarser ones: a string fits in what is looked at. */
const FINEST_SIDE_PX = 4032;

/** How many of the picture's px are taken as one where a mark snaps; 1 in all but the largest. */
export function snapShrink({ width, height }: { width: number; height: number }): number {
  return Math.max(1, Math.max(width, height) / FINEST_SIDE_PX);
}

/**
 * Moves a mark sideways onto the line or edge nearest to it, to a fraction of a pixel: a thumb is
 * good to a pixel or two, the picture knows better. The row stays. Without a clear feature near it
 * the mark stays where it is.
 */
export function snapMark(picture: GreyPicture, mark: PhotoPoint, to: SnapTo): PhotoPoint {
  const reachPx = REACH_PX[to];
  const profile = profileAround(picture, mark, reachPx);
  const offset = to === 'line' ? lineOffset(profile, reachPx) : edgeOffset(profile, reachPx);
  return offset === null ? mark : { x: Math.round(mark.x) + offset, y: mark.y };
}

/** Grey levels from −REACH−1 to REACH+1 about the mark, each a mean over a few rows. */
function profileAround(
  { width, height, grey }: GreyPicture,
  mark: PhotoPoint,
  reachPx: number,
): readonly number[] {
  const centre = Math.round(mark.x);
  const row = Math.round(mark.y);
  return Array.from({ length: 2 * reachPx + 3 }, (_, index) => {
    const x = Math.min(width - 1, Math.max(0, centre + index - reachPx - 1));
    let sum = 0;
    for (let dy = -ROWS_PX; dy <= ROWS_PX; dy += 1) {
      const y = Math.min(height - 1, Math.max(0, row + dy));
      sum += grey[y * width + x] ?? 0;
    }
    return sum / (2 * ROWS_PX + 1);
  });
}

/**
 * Centroid of what stands out, dark or light, from the ground at both ends of the profile; the
 * ground may slope.
 */
function lineOffset(profile: readonly number[], reachPx: number): number | null {
  const meanOfEnd = (end: readonly number[]) => end.reduce((sum, one) => sum + one, 0) / end.length;
  const left = meanOfEnd(profile.slice(0, GROUND_PX));
  const right = meanOfEnd(profile.slice(-GROUND_PX));
  const weights = profile.map((level, index) => {
    const ground = left + ((right - left) * index) / (profile.length - 1);
    return Math.max(0, Math.abs(level - ground) - LEAST_CONTRAST);
  });
  const contrast = Math.max(...weights);
  // Grounds that differ by more than the line does from them: one end lies on the line itself.
  if (contrast < LEAST_CONTRAST || Math.abs(left - right) > contrast) return null;
  return centroid(weights, reachPx);
}

/** Centroid of the gradient about its strongest place. */
function edgeOffset(profile: readonly number[], reachPx: number): number | null {
  const steps = profile.map((level, index) =>
    index === 0 || index === profile.length - 1
      ? 0
      : ((profile[index + 1] ?? level) - (profile[index - 1] ?? level)) / 2,
  );
  const strongest = steps.reduce(
    (best, step, index) => (Math.abs(step) > Math.abs(steps[best] ?? 0) ? index : best),
    0,
  );
  const peak = steps[strongest] ?? 0;
  if (Math.abs(peak) < LEAST_CONTRAST / 2) return null;
  const sameWay = steps.map((step, index) =>
    Math.abs(index - strongest) <= 2 && Math.sign(step) === Math.sign(peak) ? Math.abs(step) : 0,
  );
  return centroid(sameWay, reachPx);
}

function centroid(weights: readonly number[], reachPx: number): number {
  let sum = 0;
  let moment = 0;
  for (const [index, weight] of weights.entries()) {
    sum += weight;
    moment += weight * (index - reachPx - 1);
  }
  return moment / sum;
}
