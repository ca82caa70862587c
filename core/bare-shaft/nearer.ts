import { ordinarySquares, type ShotAxis } from '../groups/scatter-history.ts';
import { SCATTER_FACTORS } from '../groups/offset-posterior.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { BareShaftVerdict } from './bare-shaft-verdict.ts';

/** Shots this many scatters from their middle are still to be met with. */
const SCATTERS = 3;
/** Nearer than this nobody needs to go, m. */
const NEAREST_M = 5;

/**
 * The distance from which bare shafts stay on the butt, in whole metres, where from this one they would
 * not: offset and three of their scatters beyond half the butt. Both grow with the distance.
 *
 * @returns null where they stay on it, or where it cannot be shot nearer
 */
export function nearerDistanceM(
  session: ShootingSession,
  { outward, up }: BareShaftVerdict,
): number | null {
  const room = session.buttMm / 2;
  const needed = Math.max(reachMm(session, outward, 'outwardMm'), reachMm(session, up, 'upMm'));
  if (needed <= room || session.distanceM <= NEAREST_M) return null;
  return Math.max(NEAREST_M, Math.floor((session.distanceM * room) / needed));
}

/** How far from the middle of the fletched a bare shaft may well land, mm. */
function reachMm(session: ShootingSession, { offsetMm, posterior }: AxisVerdict, axis: ShotAxis) {
  if (offsetMm === null || posterior === null) return 0;
  const { squares, degrees } = ordinarySquares([session], session.distanceM, axis);
  const fletchedSd = degrees === 0 ? 0 : Math.sqrt(squares / degrees);
  const factor = posterior.factorOdds.reduce(
    (sum, odds, index) => sum + odds * SCATTER_FACTORS[index]!,
    0,
  );
  return Math.abs(offsetMm) + SCATTERS * factor * fletchedSd;
}
