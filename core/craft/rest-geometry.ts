import { PLUNGER_MM_PER_TURN } from '../quantity/units.ts';

const RAD_PER_DEG = Math.PI / 180;
const STEEPEST_ARM_DEG = 20;

/**
 * How far the rest arm stands below the plunger's centre so that the shaft's centre meets it:
 * (d / 2) / cos α, α the arm's slope up toward the plunger.
 *
 * @param shaftDiameterMm 3 to 15 mm
 * @param armAngleDeg 0 is level; within ±20°
 * @throws RangeError outside those
 */
export function armBelowPlungerMm(shaftDiameterMm: number, armAngleDeg: number): number {
  if (!(shaftDiameterMm >= 3 && shaftDiameterMm <= 15))
    throw new RangeError(`armBelowPlungerMm: a shaft of ${shaftDiameterMm} mm`);
  if (!(Math.abs(armAngleDeg) <= STEEPEST_ARM_DEG))
    throw new RangeError(`armBelowPlungerMm: an arm at ${armAngleDeg}°`);
  return shaftDiameterMm / 2 / Math.cos(armAngleDeg * RAD_PER_DEG);
}

/** What a shaft of another diameter moves. */
export interface DiameterEffect {
  /** The arm, down positive. */
  readonly armDownMm: number;
  /** The same locator, read from the arm's new place: this much more. */
  readonly nockingHeightMoreMm: number;
  /** Plunger reach that keeps the shaft's centre where it was, turns in. */
  readonly reachInTurns: number;
}

/**
 * A fatter shaft needs its arm lower by half the difference, and the plunger further in by as much,
 * for its centre to stay where it was. The locator stays on the string: from the lower support it
 * reads half the difference more.
 */
export function diameterEffect(fromMm: number, toMm: number, armAngleDeg: number): DiameterEffect {
  const armDownMm = armBelowPlungerMm(toMm, armAngleDeg) - armBelowPlungerMm(fromMm, armAngleDeg);
  return {
    armDownMm,
    nockingHeightMoreMm: (toMm - fromMm) / 2,
    reachInTurns: (toMm - fromMm) / 2 / PLUNGER_MM_PER_TURN,
  };
}

/** Centre shot at the point from the lateral place at the plunger: similar triangles from the nock. */
export function atPointFromPlunger(
  atPlungerMm: number,
  arrowLengthMm: number,
  nockToPlungerMm: number,
): number {
  if (!(nockToPlungerMm > 0 && arrowLengthMm > nockToPlungerMm))
    throw new RangeError(
      `atPointFromPlunger: ${arrowLengthMm} mm arrow, plunger at ${nockToPlungerMm} mm`,
    );
  return (atPlungerMm * arrowLengthMm) / nockToPlungerMm;
}
