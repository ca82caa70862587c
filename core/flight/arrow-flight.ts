export const GRAVITY_MPS2 = 9.80665;
/** Step of the integration along the ground, m: halved, the fall at 90 m changes by less than a hundredth of a millimetre. */
const STEP_M = 5;
/** Beyond this elevation it is not shot at a mark, as a slope. */
const STEEPEST = 0.68;
/** Steeper down than this it has fallen short, as a slope. */
const FALLEN = -4;
/** An elevation is found to this slope: a hundredth of a millimetre at 90 m. */
const SLOPE_TO = 1e-7;
const MOST_STEPS = 40;

/** What an arrow does in the air: how fast it leaves, and what slows it. */
export interface ArrowFlight {
  readonly speedMps: number;
  /** ½ ρ Cd A / m, 1/m: its deceleration is this times the square of its speed. */
  readonly dragPerM: number;
}

/** Where an arrow is when it has come so far: above its nock at the loose, m, and when, s. */
export interface FlightAt {
  readonly upM: number;
  readonly timeS: number;
}

/**
 * An arrow as a point mass with a drag that grows with the square of its speed, in even steps along the
 * ground by Runge and Kutta's fourth order, so that the last one ends at the distance: with slope p and
 * speed over ground u, dy/dx = p, dp/dx = −g/u², du/dx = −k u √(1 + p²), dt/dx = 1/u.
 *
 * @param elevationRad above level
 * @returns null where it never comes so far
 */
export function flightAt(
  { speedMps, dragPerM }: ArrowFlight,
  elevationRad: number,
  distanceM: number,
  stepM = STEP_M,
): FlightAt | null {
  const steps = Math.max(1, Math.ceil(distanceM / stepM));
  const h = distanceM / steps;
  let y = 0;
  let p = Math.tan(elevationRad);
  let u = speedMps * Math.cos(elevationRad);
  let t = 0;
  const fall = (speed: number) => -GRAVITY_MPS2 / (speed * speed);
  const slowing = (slope: number, speed: number) => -dragPerM * speed * Math.hypot(1, slope);
  for (let step = 0; step < steps; step += 1) {
    const p1 = fall(u);
    const u1 = slowing(p, u);
    const p2 = fall(u + (h / 2) * u1);
    const u2 = slowing(p + (h / 2) * p1, u + (h / 2) * u1);
    const p3 = fall(u + (h / 2) * u2);
    const u3 = slowing(p + (h / 2) * p2, u + (h / 2) * u2);
    const p4 = fall(u + h * u3);
    const u4 = slowing(p + h * p3, u + h * u3);
    // The slopes the four stages start from: y is their integral.
    y += h * p + ((h * h) / 6) * (p1 + p2 + p3);
    const [before, middle] = [u, u + (h / 2) * u2];
    p += (h / 6) * (p1 + 2 * p2 + 2 * p3 + p4);
    u += (h / 6) * (u1 + 2 * u2 + 2 * u3 + u4);
    if (!(p > FALLEN)) return null;
    t += (h / 6) * (1 / before + 4 / middle + 1 / u);
  }
  return { upM: y, timeS: t };
}

/**
 * How steeply it has to leave to pass so far above its nock at a distance: the flatter of the two ways.
 *
 * @returns null where it cannot
 */
export function elevationFor(flight: ArrowFlight, distanceM: number, upM: number): number | null {
  const level = flightAt(flight, 0, distanceM);
  if (level === null) return null;
  let slope = (upM - level.upM) / distanceM;
  for (let step = 0; step < MOST_STEPS && slope < STEEPEST; step += 1) {
    const at = flightAt(flight, Math.atan(slope), distanceM);
    if (at === null) return null;
    // The fall grows with the steepness as 1 + p² does; beyond 45 degrees or so it grows faster than the rise.
    const fallM = slope * distanceM - at.upM;
    const rise = distanceM - (2 * slope * fallM) / (1 + slope * slope);
    if (!(rise > 0)) return null;
    const next = slope + (upM - at.upM) / rise;
    if (Math.abs(next - slope) < SLOPE_TO) return Math.atan(next);
    slope = next;
  }
  return null;
}
