import type { ShootingSession, Shot } from '../log/shooting.ts';

/**
 * A point of the butt in the frame of a bow that leans: canted, what the bow does “up” goes partly
 * sideways. Turned back by the cant, up is the bow's up and outward its outward.
 *
 * @param cantOutwardDeg how far the top limb leans outward, degrees; 0 is upright
 */
function inBowFrame(
  point: { readonly outwardMm: number; readonly upMm: number },
  cantOutwardDeg: number,
): { readonly outwardMm: number; readonly upMm: number } {
  const angle = (cantOutwardDeg * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  return {
    outwardMm: point.outwardMm * cos - point.upMm * sin,
    upMm: point.outwardMm * sin + point.upMm * cos,
  };
}

/** A shot as the bow saw it; the shot itself when the bow was upright. */
export function shotInBowFrame(session: ShootingSession, shot: Shot): Shot {
  const cant = session.cantOutwardDeg ?? 0;
  return cant === 0 ? shot : { ...shot, ...inBowFrame(shot, cant) };
}
