/** How a nocking-point locator is made, and what that means for moving it. */
export const LOCATOR_KINDS = ['tied', 'clamped'] as const;
export type LocatorKind = (typeof LOCATOR_KINDS)[number];

/** A common centre serving, mm; stands in until the thread is measured. Rule of thumb. */
export const USUAL_SERVING_THREAD_MM = 0.5;
/** Room between nock and each locator, so that the nock is not pinched at full draw, mm. */
export const NOCK_CLEARANCE_MM = 0.5;

/**
 * Turns of a tied locator for a move along the serving: it climbs one serving thread a turn, like a
 * nut on a bolt.
 *
 * @param moveMm how far, up positive
 * @param servingThreadMm diameter of the serving thread, 0.25 to 0.9 mm
 * @throws RangeError outside that
 */
export function locatorTurns(moveMm: number, servingThreadMm: number): number {
  if (!(servingThreadMm >= 0.25 && servingThreadMm <= 0.9))
    throw new RangeError(`locatorTurns: a serving thread of ${servingThreadMm} mm`);
  return moveMm / servingThreadMm;
}

/**
 * The gap to leave between two locators: the nock's outside height and a clearance at either side.
 *
 * @param nockHeightMm outside height of the nock at the string
 */
export function locatorGapMm(nockHeightMm: number): number {
  return nockHeightMm + 2 * NOCK_CLEARANCE_MM;
}

/** What a nocking height depends on besides the locator. */
export interface ShaftAndNock {
  readonly shaftDiameterMm: number;
  readonly nockHeightMm: number;
}

/**
 * Arrow slope height: how far the nock's centre stands above the shaft's. Nocking height less half
 * the nock's outside height less half the shaft's diameter; tail high positive.
 */
export function arrowSlopeMm(nockingHeightMm: number, arrow: ShaftAndNock): number {
  return nockingHeightMm - (arrow.nockHeightMm + arrow.shaftDiameterMm) / 2;
}

/** The nocking height at which another arrow stands at the same slope. */
export function slopeEquivalentMm(
  nockingHeightMm: number,
  from: ShaftAndNock,
  to: ShaftAndNock,
): number {
  return arrowSlopeMm(nockingHeightMm, from) + (to.nockHeightMm + to.shaftDiameterMm) / 2;
}
