import type { Aiming } from '../craft/aiming.ts';

const MM_PER_M = 1000;

/** How far the aperture goes to follow a group, mm on the bar; up and outward are above 0. */
export interface SightMove {
  readonly upMm: number;
  readonly outwardMm: number;
  /** The same on the scale, as its reading changes. */
  readonly units: number;
}

/** Chase the arrow: the aperture goes where the group went, as far as the angle is at the eye. */
export function chase(
  aiming: Extract<Aiming, { readonly kind: 'sight' }>,
  {
    distanceM,
    upMm,
    outwardMm,
  }: { readonly distanceM: number; readonly upMm: number; readonly outwardMm: number },
): SightMove {
  const share = aiming.eyeToApertureMm / (distanceM * MM_PER_M);
  const up = upMm * share;
  return {
    upMm: up,
    outwardMm: outwardMm * share,
    units: ((aiming.growsDown ? -1 : 1) * up) / aiming.mmPerUnit,
  };
}
