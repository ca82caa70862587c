import { HAND_MM } from '../priors/room-on-butt.ts';
import {
  AIM_SET_SD_MM,
  type PredictedHit,
  scatterAt,
  type WalkBackFlight,
} from './walk-back-flight.ts';

/** An arrow keeps this many of its own scatters to every edge of the butt. */
const SCATTERS = 3;
const STEP_M = 3;
const FARTHEST_M = 40;
/** Nobody stands nearer to a butt. */
const NEAREST_STAND_M = 3;
/** Of what is uncertain about a hit, this many standard deviations are allowed for. */
const CAUTIOUS = 2;

/** The butt and where on it the mark hangs, mm. */
export interface WalkBackButt {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly markBelowTopMm: number;
}

/** Why a distance must not be shot from, as data. */
export type DistanceRefusal = 'below' | 'over' | 'aside' | 'tooNarrow';

export interface PlannedDistance {
  readonly distanceM: number;
  /** Where the arrow should hit, mm over and outward of the mark (falls are negative). */
  readonly upMm: number;
  readonly outwardMm: number;
  readonly plusMinusMm: number;
  /** Null when it is safe. */
  readonly refused: DistanceRefusal | null;
}

/**
 * Distances from near to far with where each will hit. The first that could leave the butt ends the
 * plan: as high, as far aside and as scattered as the hits were, an arrow must keep a hand's breadth
 * and three scatters from every edge.
 *
 * @param scatterMm at 18 m: the larger of the archer's own and this walk's
 */
export function planWalkBack(
  nearestM: number,
  flight: WalkBackFlight,
  scatterMm: number,
  butt: WalkBackButt,
): readonly PlannedDistance[] {
  const plan: PlannedDistance[] = [];
  for (let distanceM = nearestM; distanceM <= FARTHEST_M; distanceM += STEP_M) {
    const one = plannedDistance(distanceM, flight.at(distanceM), scatterMm, butt);
    plan.push(one);
    if (one.refused !== null) break;
  }
  return plan;
}

/**
 * From how near one arrow is safe while nobody knows where the sight points: the farthest whole metre,
 * at most the nearest distance of the walk; null when the butt is too small even from 3 m.
 */
export function sightingInDistance(
  nearestM: number,
  flight: WalkBackFlight,
  scatterMm: number,
  butt: WalkBackButt,
): number | null {
  for (let distanceM = nearestM; distanceM >= Math.min(nearestM, NEAREST_STAND_M); distanceM -= 1) {
    const one = plannedDistance(distanceM, flight.at(distanceM), scatterMm, butt);
    if (one.refused === null) return distanceM;
  }
  return null;
}

/** True when the nearest distance would be safe once the sight is set for it: else the butt is too small. */
export function isSafeOnceSet(nearestM: number, scatterMm: number, butt: WalkBackButt): boolean {
  const set = { outwardMm: 0, outwardSdMm: AIM_SET_SD_MM, upMm: 0, upSdMm: AIM_SET_SD_MM };
  return plannedDistance(nearestM, set, scatterMm, butt).refused === null;
}

function plannedDistance(
  distanceM: number,
  hit: PredictedHit,
  scatterMm: number,
  butt: WalkBackButt,
): PlannedDistance {
  const scatter = SCATTERS * scatterAt(scatterMm, distanceM);
  const room = (sdMm: number) => CAUTIOUS * sdMm + scatter + HAND_MM;
  const lowest = hit.upMm - room(hit.upSdMm);
  const highest = hit.upMm + room(hit.upSdMm);
  const aside = Math.abs(hit.outwardMm) + room(hit.outwardSdMm);
  const refused =
    2 * (scatter + HAND_MM) > Math.min(butt.widthMm, butt.heightMm)
      ? 'tooNarrow'
      : lowest < butt.markBelowTopMm - butt.heightMm
        ? 'below'
        : highest > butt.markBelowTopMm
          ? 'over'
          : aside > butt.widthMm / 2
            ? 'aside'
            : null;
  return {
    distanceM,
    upMm: hit.upMm,
    outwardMm: hit.outwardMm,
    plusMinusMm: CAUTIOUS * hit.upSdMm,
    refused,
  };
}
