import { type ArrowFlight, elevationFor, flightAt } from '../flight/arrow-flight.ts';
import type { NormalPrior } from '../numeric/grid-linear.ts';
import { CRAWL_SLOWS } from '../priors/flight-priors.ts';
import type { Aiming } from '../craft/aiming.ts';
import type { MarkShot } from './mark-shot.ts';

const MM_PER_M = 1000;
/** Where the scale's zero stands is anybody's guess, as a slope from the eye. */
const OFFSET_SD = 0.3;

/**
 * One aim at one distance as a slope, for an arrow's speed and drag: what it is for the eye as it is taken to be,
 * and what it gains for each unit of what else is not known (its row). The rest is linear, but for the last digits.
 */
export interface AimSlope {
  readonly base: number;
  readonly row: readonly number[];
  /** What it was before a change of the tune, for each unit of what the change did: ln speed, and zero as a slope. */
  readonly before: readonly [speed: number, zero: number];
}

/** What a change of the tune is thought to have done. */
export interface TuneChange {
  /** ln of the speed after over the speed before. */
  readonly logSpeed: NormalPrior;
  /** How much higher it shoots, as a slope. */
  readonly zero: NormalPrior;
}

/**
 * What else is not known, before any shot: sight's zero and the eye; the eye; the eye and what a crawl costs; then
 * what each change of the tune did, the newest first.
 *
 * @param eye beside what it is taken to be, mm
 */
export function unknownsOf(
  { kind }: Aiming,
  eye: NormalPrior,
  changes: readonly TuneChange[],
): readonly NormalPrior[] {
  const own = {
    sight: [{ mean: 0, sd: OFFSET_SD }, eye],
    point: [eye],
    crawl: [eye, { mean: 0, sd: CRAWL_SLOWS.sd }],
  }[kind];
  return [...own, ...changes.flatMap(({ logSpeed, zero }) => [logSpeed, zero])];
}

/** The row of a mark among all that is not known: so many of the newest changes lie between it and now. */
export function wholeRow(
  { row, before }: AimSlope,
  changes: number,
  changesSince: number,
): readonly number[] {
  const since = Array.from({ length: changes }, (_, at) => (at < changesSince ? before : [0, 0]));
  return [...row, ...since.flat()];
}

/** Which of them is the eye's height, mm beside what it is taken to be. */
export function eyeUnknown({ kind }: Aiming): number {
  return kind === 'sight' ? 1 : 0;
}

/**
 * The slope seen: with a sight, from the scale's zero down to the aperture that would have hit; else how far above the
 * mark it lands with the point laid on it, over the distance.
 */
export function slopeSeen(aiming: Aiming, { distanceM, set, upMm }: MarkShot): number {
  const up = upMm / (distanceM * MM_PER_M);
  switch (aiming.kind) {
    case 'sight':
      return scaleSlope(aiming) * set - up;
    case 'point':
      return up - set / (distanceM * MM_PER_M);
    case 'crawl':
      return up;
  }
}

/** What a whole division read wrong does to that slope. */
export function divisionSlope(aiming: Aiming, { distanceM }: Pick<MarkShot, 'distanceM'>): number {
  switch (aiming.kind) {
    case 'sight':
      return Math.abs(scaleSlope(aiming)) * aiming.division;
    case 'point':
      return aiming.division / (distanceM * MM_PER_M);
    case 'crawl':
      // The line over the point falls with the crawl; what that costs of speed is small beside it.
      return aiming.division * Math.abs(1 / aiming.arrowMm - 1 / (distanceM * MM_PER_M));
  }
}

/** One unit of the scale as a slope from the eye. */
export function scaleSlope(aiming: Extract<Aiming, { readonly kind: 'sight' }>): number {
  return ((aiming.growsDown ? 1 : -1) * aiming.mmPerUnit) / aiming.eyeToApertureMm;
}

/**
 * That slope as flight and aim make it.
 *
 * @param set what is set there; only a crawl changes how it flies
 * @returns null where the arrow never comes so far
 */
export function slopeOf(
  aiming: Aiming,
  flight: ArrowFlight,
  distanceM: number,
  set = 0,
): AimSlope | null {
  const crawlMm = aiming.kind === 'crawl' ? set : 0;
  const distanceMm = distanceM * MM_PER_M;
  if (aiming.kind === 'sight') {
    const elevation = elevationFor(flight, distanceM, aiming.eyeOverNockMm / MM_PER_M);
    if (elevation === null) return null;
    const slope = Math.tan(elevation);
    const fall = slope - aiming.eyeOverNockMm / distanceMm;
    return {
      base: slope,
      row: [1, 1 / (distanceMm * (1 - steepened(slope, fall)))],
      before: [2 * fall, 1],
    };
  }
  const slower = { ...flight, speedMps: flight.speedMps * (1 - CRAWL_SLOWS.mean * crawlMm) };
  const eyeMm = aiming.eyeOverNockMm - crawlMm;
  const slope = eyeMm / aiming.arrowMm;
  const at = flightAt(slower, Math.atan(slope), distanceM);
  if (at === null) return null;
  const base = (at.upM * MM_PER_M - eyeMm) / distanceMm;
  const fall = slope - at.upM / distanceM;
  // The eye higher: the line steeper, and the mark's own line higher.
  const eye = (1 - steepened(slope, fall)) / aiming.arrowMm - 1 / distanceMm;
  return {
    base,
    row: aiming.kind === 'point' ? [eye] : [eye, -2 * crawlMm * fall],
    before: [-2 * fall, -1],
  };
}

/** How much more it falls the steeper it leaves, slope by slope: the fall grows as 1 + p². */
function steepened(slope: number, fall: number): number {
  return (2 * slope * fall) / (1 + slope * slope);
}
