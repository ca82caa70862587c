import { combination, fitGridLinear, type GridLinearPosterior } from '../numeric/grid-linear.ts';

const GRAVITY_MPS2 = 9.81;
const MM_PER_M = 1000;
/** Scatter is an angle: known at 18 m. */
const SCATTER_AT_M = 18;

/** The eye over the nock at anchor, mm: 80 to 150 from archer to archer. */
const EYE_OVER_NOCK_MM = { mean: 115, sd: 21 } as const;
/** Where a sight or an aim that nobody has shot yet sends the arrow, mm at the nearest distance. */
const AIM_UNKNOWN_SD_MM = 200;
/** The same once it was set by an end that was shot. */
export const AIM_SET_SD_MM = 40;
/** How a line may lean, mm a metre, and bend, mm a square metre, before it is known. */
const LEAN_SD = 4;
const BEND_SD = 0.15;
/** Each distance is aimed at anew: the whole end lies off by this share of the archer's scatter. */
const AIM_SHARE = 0.5;

/** Speeds hand-drawn bows shoot at, m/s: what the hits say beyond them is questioned. */
const BELIEVED_SPEED_MPS = { slowest: 25, fastest: 80 } as const;
/** Prior standard deviations away from what was expected, a drop is questioned as well. */
const DROP_SURPRISE = 3;

/** One hit of a walk-back, with the aim it was shot with: 0 the first, one more after each new setting. */
export interface WalkBackHitSeen {
  readonly distanceM: number;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly aim: number;
}

/** What is known before the first hit. */
export interface FlightPrior {
  readonly nearestM: number;
  readonly speedMps: number;
  /** Uncertain by this share, one standard deviation. */
  readonly speedShare: number;
  /** The archer's scatter at 18 m, one standard deviation, on the cautious side. */
  readonly scatterMm: number;
  /** The sight is known to be set for the nearest distance: shot there before. */
  readonly aimKnown: boolean;
}

/** Where a shot will land, mm from the mark, and how surely that is known; its scatter comes on top. */
export interface PredictedHit {
  readonly outwardMm: number;
  readonly outwardSdMm: number;
  readonly upMm: number;
  readonly upSdMm: number;
}

export interface WalkBackFlight {
  /** Predicts a hit with the present aim. */
  readonly at: (distanceM: number) => PredictedHit;
  /** The speed the drops speak of, m/s. */
  readonly speedMps: number;
  /** No bow shoots like that: sight or aim was moved, or the hits were not all of one arrow. */
  readonly questioned: boolean;
}

/**
 * The flight of a walk-back, all of it uncertain together: with the sight nominally set for n, an arrow
 * at d hits
 *   up  = s d/n + e (d/n − 1) − κ d (d − n)
 *   out = a d/n + b (d − n) + c (d − n)²
 * s and a the errors of the aim at n (their own for every time it was set anew), e the eye over the
 * nock, κ = 1000 g/(2v²) the drop in mm/m², b the lean and c the bend of the line. Every hit is used,
 * the nearest included, and each end has an aim of its own besides. Drag is left out: at these
 * distances it is inside the uncertainty of the speed.
 */
export function fitWalkBackFlight(
  hits: readonly WalkBackHitSeen[],
  prior: FlightPrior,
  aimNow: number,
): WalkBackFlight {
  const { nearestM, speedMps } = prior;
  const drop = (mps: number) => (MM_PER_M * GRAVITY_MPS2) / (2 * mps ** 2);
  const expected = { mean: drop(speedMps), sd: 2 * prior.speedShare * drop(speedMps) };
  const aims = aimNow + 1;
  const aimRow = (aim: number, distanceM: number) =>
    Array.from({ length: aims }, (_, one) => (one === aim ? distanceM / nearestM : 0));
  const upRow = (aim: number, distanceM: number) => [
    distanceM / nearestM - 1,
    -distanceM * (distanceM - nearestM),
    ...aimRow(aim, distanceM),
  ];
  const outRow = (aim: number, distanceM: number) => [
    distanceM - nearestM,
    (distanceM - nearestM) ** 2,
    ...aimRow(aim, distanceM),
  ];
  const aimPriors = Array.from({ length: aims }, (_, aim) => ({
    mean: 0,
    sd: aim > 0 || prior.aimKnown ? AIM_SET_SD_MM : AIM_UNKNOWN_SD_MM,
  }));
  const ends = endsOf(hits);
  const observe = (row: typeof upRow, axis: 'upMm' | 'outwardMm') =>
    ends.map(({ distanceM, aim, shots }) => ({
      row: row(aim, distanceM),
      special: 0,
      y: shots.reduce((sum, shot) => sum + shot[axis], 0) / shots.length,
      variance: endVariance(prior.scatterMm, distanceM, shots.length),
    }));
  const up = fitGridLinear(
    observe(upRow, 'upMm'),
    [EYE_OVER_NOCK_MM, expected, ...aimPriors],
    null,
  );
  const out = fitGridLinear(
    observe(outRow, 'outwardMm'),
    [{ mean: 0, sd: LEAN_SD }, { mean: 0, sd: BEND_SD }, ...aimPriors],
    null,
  );
  const kappa = figure(up, [0, 1, ...aimPriors.map(() => 0)]);
  const dropNow = Math.max(drop(FASTEST_SHOWN_MPS), kappa.mean);
  const speedNow = Math.sqrt((MM_PER_M * GRAVITY_MPS2) / (2 * dropNow));
  return {
    at: (distanceM) => {
      const high = figure(up, upRow(aimNow, distanceM));
      const aside = figure(out, outRow(aimNow, distanceM));
      const aimVariance = (AIM_SHARE * scatterAt(prior.scatterMm, distanceM)) ** 2;
      return {
        outwardMm: aside.mean,
        outwardSdMm: Math.sqrt(aside.sd ** 2 + aimVariance),
        upMm: high.mean,
        upSdMm: Math.sqrt(high.sd ** 2 + aimVariance),
      };
    },
    speedMps: speedNow,
    questioned:
      speedNow < BELIEVED_SPEED_MPS.slowest ||
      speedNow > BELIEVED_SPEED_MPS.fastest ||
      Math.abs(kappa.mean - expected.mean) > DROP_SURPRISE * expected.sd,
  };
}

/** A drop too small to reckon a speed from is shown as this one, m/s. */
const FASTEST_SHOWN_MPS = 300;

/** All parameters are normal here: the one that need not be plays no part. */

function figure(posterior: GridLinearPosterior, row: readonly number[]) {
  const [part] = combination(posterior, row, 0);
  if (part === undefined) throw new RangeError('figure: a posterior without parts');
  return { mean: part.mean, sd: part.sd };
}

/** Scatter at a distance, from what it is at 18 m. */
export function scatterAt(scatterMm: number, distanceM: number): number {
  return (scatterMm * distanceM) / SCATTER_AT_M;
}

function endVariance(scatterMm: number, distanceM: number, shots: number): number {
  return scatterAt(scatterMm, distanceM) ** 2 * (1 / shots + AIM_SHARE ** 2);
}

interface SeenEnd {
  readonly distanceM: number;
  readonly aim: number;
  readonly shots: WalkBackHitSeen[];
}

function endsOf(hits: readonly WalkBackHitSeen[]): readonly SeenEnd[] {
  const ends = new Map<string, SeenEnd>();
  for (const hit of hits) {
    const key = `${hit.aim} ${hit.distanceM}`;
    const known = ends.get(key) ?? { distanceM: hit.distanceM, aim: hit.aim, shots: [] };
    ends.set(key, known);
    known.shots.push(hit);
  }
  return [...ends.values()];
}
