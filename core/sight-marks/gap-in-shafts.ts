const MM_PER_M = 1000;

/**
 * A gap as it looks over the point: how many thicknesses of the shaft. The eye stands about over the nock, so that the shaft
 * covers as much more of the butt than it is thick as the butt is farther than the arrow is long.
 *
 * @param gapMm on the butt, above or below
 * @param arrowMm nock to point, above 0
 * @param shaftMm its thickness, above 0
 */
export function gapInShafts(
  gapMm: number,
  { distanceM, shaftMm, arrowMm }: { distanceM: number; shaftMm: number; arrowMm: number },
): number {
  return Math.abs(gapMm) / ((shaftMm * distanceM * MM_PER_M) / arrowMm);
}
