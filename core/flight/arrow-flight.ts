import { findRisingRoot } from '../numeric/find-root.ts';

export const GRAVITY_MPS2 = 9.80665;
/** Step of the integration, s: halved, the fall at 90 m changes by less than a hundredth of a millimetre. */
const STEP_S = 0.01;
/** No arrow of a hand-drawn bow is in the air for longer, s. */
const LONGEST_S = 12;
/** Beyond this elevation it is not shot at a mark, rad. */
const STEEPEST_RAD = 0.6;

/** An elevation is found to this: a hundredth of a millimetre at 90 m. */
const ELEVATION_TO_RAD = 1e-7;

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

interface Moving {
  readonly x: number;
  readonly y: number;
  readonly vx: number;
  readonly vy: number;
}

/**
 * An arrow as a point mass with a drag that grows with the square of its speed, by Runge and Kutta's fourth
 * order in even steps; the crossing is found within a step by the cubic through its ends and slopes.
 *
 * @param elevationRad above level
 * @param stepS for the test of the step itself
 * @returns null where it never comes so far
 */
export function flightAt(
  { speedMps, dragPerM }: ArrowFlight,
  elevationRad: number,
  distanceM: number,
  stepS = STEP_S,
): FlightAt | null {
  let at: Moving = {
    x: 0,
    y: 0,
    vx: speedMps * Math.cos(elevationRad),
    vy: speedMps * Math.sin(elevationRad),
  };
  for (let timeS = 0; timeS < LONGEST_S; timeS += stepS) {
    const next = stepped(at, dragPerM, stepS);
    if (next.x >= distanceM) return crossing(at, next, { timeS, stepS, distanceM });
    if (next.vx <= 0) return null;
    at = next;
  }
  return null;
}

/**
 * How steeply it has to leave to pass so far above its nock at a distance.
 *
 * @returns null where it cannot
 */
export function elevationFor(flight: ArrowFlight, distanceM: number, upM: number): number | null {
  const off = (elevationRad: number) =>
    (flightAt(flight, elevationRad, distanceM)?.upM ?? Number.NEGATIVE_INFINITY) - upM;
  const most = Math.atan2(upM, distanceM);
  // Beyond the steepest useful angle it falls short again: the flat one of the two ways is wanted.
  if (!(off(STEEPEST_RAD) > 0)) return null;
  const found = findRisingRoot(off, most, STEEPEST_RAD, ELEVATION_TO_RAD);
  return found.kind === 'converged' ? found.at : null;
}

function stepped(at: Moving, dragPerM: number, h: number): Moving {
  const one = slopeOf(at, dragPerM);
  const two = slopeOf(moved(at, one, h / 2), dragPerM);
  const three = slopeOf(moved(at, two, h / 2), dragPerM);
  const four = slopeOf(moved(at, three, h), dragPerM);
  const mean = (of: (slope: Moving) => number) =>
    (of(one) + 2 * of(two) + 2 * of(three) + of(four)) / 6;
  return moved(
    at,
    {
      x: mean(({ x }) => x),
      y: mean(({ y }) => y),
      vx: mean(({ vx }) => vx),
      vy: mean(({ vy }) => vy),
    },
    h,
  );
}

function slopeOf({ vx, vy }: Moving, dragPerM: number): Moving {
  const slowing = dragPerM * Math.hypot(vx, vy);
  return { x: vx, y: vy, vx: -slowing * vx, vy: -slowing * vy - GRAVITY_MPS2 };
}

function moved(at: Moving, slope: Moving, h: number): Moving {
  return {
    x: at.x + h * slope.x,
    y: at.y + h * slope.y,
    vx: at.vx + h * slope.vx,
    vy: at.vy + h * slope.vy,
  };
}

/** Height where it crosses a distance: Hermite's cubic in the share of the step, which is nearly straight in x. */
function crossing(
  from: Moving,
  to: Moving,
  {
    timeS,
    stepS,
    distanceM,
  }: { readonly timeS: number; readonly stepS: number; readonly distanceM: number },
): FlightAt {
  const along = (share: number) => hermite(share, [from.x, to.x], [from.vx * stepS, to.vx * stepS]);
  let share = (distanceM - from.x) / (to.x - from.x);
  // Newton, from nearly there: two steps leave nothing.
  for (let step = 0; step < 3; step += 1)
    share -= (along(share) - distanceM) / (from.vx * (1 - share) + to.vx * share) / stepS;
  return {
    upM: hermite(share, [from.y, to.y], [from.vy * stepS, to.vy * stepS]),
    timeS: timeS + share * stepS,
  };
}

function hermite(
  s: number,
  [a, b]: readonly [number, number],
  [da, db]: readonly [number, number],
): number {
  const s2 = s * s;
  const s3 = s2 * s;
  return (
    (2 * s3 - 3 * s2 + 1) * a + (s3 - 2 * s2 + s) * da + (3 * s2 - 2 * s3) * b + (s3 - s2) * db
  );
}
