import { type ArrowFlight, elevationFor, flightAt } from '../flight/arrow-flight.ts';

const MM_PER_M = 1000;

/** Where the eye stands at anchor, and what it aims over. Lengths mm. */
export interface AimGeometry {
  /** Of the eye over the nock at anchor, hook right under it. */
  readonly eyeOverNockMm: number;
  /** Hook below the nock. */
  readonly crawlMm: number;
}

/** Of the eye over the nock with this crawl: a crawl brings the arrow nearer to the eye. */
function eyeHeightMm({ eyeOverNockMm, crawlMm }: AimGeometry): number {
  return eyeOverNockMm - crawlMm;
}

/**
 * How steeply the arrow leaves when the eye looks level at a mark that is hit: it starts under the eye and has to be as
 * high as the eye there.
 *
 * @returns null where it cannot be hit
 */
export function hittingElevation(
  flight: ArrowFlight,
  aim: AimGeometry,
  distanceM: number,
): number | null {
  return elevationFor(flight, distanceM, eyeHeightMm(aim) / MM_PER_M);
}

/**
 * How far the aperture stands below the line through the eye along the arrow, mm: the line of sight and
 * the arrow part by the elevation, over the distance from eye to aperture.
 *
 * @returns null where the mark cannot be hit
 */
export function apertureDropMm(
  flight: ArrowFlight,
  aim: AimGeometry,
  { eyeToApertureMm, distanceM }: { readonly eyeToApertureMm: number; readonly distanceM: number },
): number | null {
  const elevation = hittingElevation(flight, aim, distanceM);
  return elevation === null ? null : eyeToApertureMm * Math.tan(elevation);
}

/**
 * Where it hits when the point is laid on the mark, mm above it: the line from the eye over the point gives the arrow
 * its elevation, whatever the distance.
 *
 * @param arrowMm from the nock to the point
 * @returns null where it falls short
 */
export function pointOnMarkHitsMm(
  flight: ArrowFlight,
  aim: AimGeometry,
  { arrowMm, distanceM }: { readonly arrowMm: number; readonly distanceM: number },
): number | null {
  const elevation = Math.atan2(eyeHeightMm(aim), arrowMm);
  const at = flightAt(flight, elevation, distanceM);
  return at === null ? null : at.upM * MM_PER_M - eyeHeightMm(aim);
}
