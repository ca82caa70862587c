/** Room an arrow must have to the butt's edge beyond its scatter: a hand's breadth. */
const HAND_MM = 100;
const SCATTERS = 3;
/** Scatter is an angle: known at 18 m. */
const SCATTER_AT_M = 18;
const STEP_M = 3;
const FARTHEST_M = 40;
const GRAVITY_MPS2 = 9.81;
/** The eye over the nock at anchor, about; it matters little beside the drop. */
const EYE_OVER_NOCK_MM = 110;
/** No hand-drawn bow shoots faster: hits that climb with distance are a sight that was moved. */
const FASTEST_MPS = 120;
/** Of a predicted drop, this far on the long side: 19 times in 20 the arrow falls less. */
const PESSIMISTIC = 1.645;

/** The butt and where on it the mark hangs, mm. */
export interface WalkBackButt {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly markBelowTopMm: number;
}

/** How fast arrows drop: g / 2v², per metre, with its standard deviation. */
export interface Drop {
  readonly perM: number;
  readonly sd: number;
}

export interface PlannedDistance {
  readonly distanceM: number;
  /** Where the arrow should hit, mm over the mark (falls are negative). */
  readonly upMm: number;
  readonly plusMinusMm: number;
  /** Why it must not be shot; null when it is safe. */
  readonly refused: string | null;
}

/** @param share of the speed that is uncertain, one standard deviation */
export function dropFromSpeed(speedMps: number, share: number): Drop {
  const perM = GRAVITY_MPS2 / (2 * speedMps ** 2);
  return { perM, sd: 2 * share * perM };
}

/**
 * Learns the drop from hits: with the sight set for the nearest distance n, an arrow at d hits
 * e (d/n − 1) − K d (d − n) over the mark, e the eye over the nock, K the drop. Drag is left out:
 * at these distances it is inside the uncertainty of the speed.
 */
export function learnDrop(
  before: Drop,
  nearestM: number,
  hits: readonly { readonly distanceM: number; readonly upMm: number }[],
  scatterMm: number,
): Drop {
  let precision = 1 / before.sd ** 2;
  let weighted = before.perM * precision;
  for (const { distanceM, upMm } of hits) {
    const lever = distanceM * (distanceM - nearestM) * 1000;
    if (lever <= 0) continue;
    const seen = (eyeLift(distanceM, nearestM) - upMm) / lever;
    const weight = (lever / scatterAt(scatterMm, distanceM)) ** 2;
    precision += weight;
    weighted += weight * seen;
  }
  const least = dropFromSpeed(FASTEST_MPS, 0).perM;
  return { perM: Math.max(least, weighted / precision), sd: Math.sqrt(1 / precision) };
}

/**
 * Distances from near to far with where each will hit. The first that could leave the butt ends the
 * plan: an arrow must keep a hand's breadth and three scatters from every edge.
 */
export function planWalkBack(
  nearestM: number,
  drop: Drop,
  scatterMm: number,
  butt: WalkBackButt,
): readonly PlannedDistance[] {
  const plan: PlannedDistance[] = [];
  for (let distanceM = nearestM; distanceM <= FARTHEST_M; distanceM += STEP_M) {
    const one = planned(distanceM, nearestM, drop, scatterMm, butt);
    plan.push(one);
    if (one.refused !== null) break;
  }
  return plan;
}

function planned(
  distanceM: number,
  nearestM: number,
  drop: Drop,
  scatterMm: number,
  butt: WalkBackButt,
): PlannedDistance {
  const lever = distanceM * (distanceM - nearestM) * 1000;
  const upMm = eyeLift(distanceM, nearestM) - drop.perM * lever;
  const spreadMm = PESSIMISTIC * drop.sd * lever;
  const room = HAND_MM + SCATTERS * scatterAt(scatterMm, distanceM);
  const lowest = upMm - spreadMm - room;
  const highest = upMm + spreadMm + room;
  const refused =
    lowest < butt.markBelowTopMm - butt.heightMm
      ? 'it could fall below the butt'
      : highest > butt.markBelowTopMm
        ? 'it could pass over the butt: hang the mark lower'
        : room > butt.widthMm / 2
          ? 'the butt is too narrow for this scatter'
          : null;
  return { distanceM, upMm, plusMinusMm: spreadMm, refused };
}

function eyeLift(distanceM: number, nearestM: number): number {
  return EYE_OVER_NOCK_MM * (distanceM / nearestM - 1);
}

function scatterAt(scatterMm: number, distanceM: number): number {
  return (scatterMm * distanceM) / SCATTER_AT_M;
}
