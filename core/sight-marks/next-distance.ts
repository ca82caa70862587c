import { combinationOf } from '../numeric/normal-update.ts';
import { slopeOf, wholeRow } from './marks-model.ts';
import { endVariance, type MarksPosterior } from './marks-posterior.ts';

const MM_PER_M = 1000;
/** Distances an archer is likely to find a butt at, m. */
const DISTANCES_M = [5, 10, 12, 15, 18, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90] as const;
/** 90 % of a normal lies within so many standard deviations. */
const Z90 = 1.645;
/** So many scatters have to stay on the butt, a hand's breadth from its edge. */
const SCATTERS = 3;
const HAND_MM = 100;

/** Why a distance is not asked for. */
export type NotAsked = 'leavesButt' | 'outOfReach';

/** A distance that could be shot next, and what it would make of the mark that is wanted. */
export interface DistanceChoice {
  readonly distanceM: number;
  readonly refused: NotAsked | null;
  /** Half the 90 % interval of the wanted mark after it, as a slope; infinite where it is refused. */
  readonly leaves: number;
}

export interface NextDistanceAsked {
  /** The mark that is wanted, m. */
  readonly wantedM: number;
  readonly shots: number;
  readonly buttMm: number;
  /** How far to the side the arrow goes for each metre, mm. */
  readonly windageMmPerM: number;
  /** Crawl set at a distance, with kind `crawl`, mm. */
  readonly setAt?: (distanceM: number) => number;
}

/** Every distance up to the one that is wanted, with what it is worth; refused ones with the reason. */
export function distanceChoices(
  posterior: MarksPosterior,
  asked: NextDistanceAsked,
): readonly DistanceChoice[] {
  return DISTANCES_M.filter((distanceM) => distanceM <= asked.wantedM).map((distanceM) => ({
    distanceM,
    ...choiceAt(posterior, distanceM, asked),
  }));
}

/** The one after which the wanted mark is known best; null where none is safe. */
export function nextDistance(choices: readonly DistanceChoice[]): DistanceChoice | null {
  const safe = choices.filter(({ refused }) => refused === null);
  return safe.reduce<DistanceChoice | null>(
    (best, one) => (best === null || one.leaves < best.leaves ? one : best),
    null,
  );
}

function choiceAt(
  { aiming, changes, parts }: MarksPosterior,
  distanceM: number,
  asked: NextDistanceAsked,
): Pick<DistanceChoice, 'refused' | 'leaves'> {
  const crawlAt = asked.setAt ?? (() => 0);
  const [crawlHere, crawlWanted] = [crawlAt(distanceM), crawlAt(asked.wantedM)];
  let [weights, here, there] = [0, 0, 0];
  let [hereHere, thereThere, hereThere, scatter2] = [0, 0, 0, 0];
  for (const { weight, flight, unknowns, scatter } of parts) {
    const at = slopeOf(aiming, flight, distanceM, crawlHere);
    const wanted = slopeOf(aiming, flight, asked.wantedM, crawlWanted);
    if (at === null || wanted === null) continue;
    const [rowAt, rowWanted] = [wholeRow(at, changes, 0), wholeRow(wanted, changes, 0)];
    const one = combinationOf(unknowns, rowAt);
    const other = combinationOf(unknowns, rowWanted);
    const sum = combinationOf(
      unknowns,
      rowAt.map((value, i) => value + rowWanted[i]!),
    );
    const [a, b] = [at.base + one.mean, wanted.base + other.mean];
    weights += weight;
    here += weight * a;
    there += weight * b;
    hereHere += weight * (a * a + one.variance);
    thereThere += weight * (b * b + other.variance);
    hereThere += weight * (a * b + (sum.variance - one.variance - other.variance) / 2);
    scatter2 += weight * scatter * scatter;
  }
  if (weights < 0.5) return { refused: 'outOfReach', leaves: Number.POSITIVE_INFINITY };
  const mean = (total: number) => total / weights;
  const varianceHere = mean(hereHere) - mean(here) ** 2;
  const varianceThere = mean(thereThere) - mean(there) ** 2;
  const together = mean(hereThere) - mean(here) * mean(there);
  const scatter = Math.sqrt(mean(scatter2));
  const distanceMm = distanceM * MM_PER_M;
  const reachMm = (Z90 * Math.sqrt(Math.max(0, varianceHere)) + SCATTERS * scatter) * distanceMm;
  const asideMm = SCATTERS * scatter * distanceMm + Math.abs(asked.windageMmPerM) * distanceM;
  const halfMm = asked.buttMm / 2 - HAND_MM;
  if (reachMm > halfMm || asideMm > halfMm)
    return { refused: 'leavesButt', leaves: Number.POSITIVE_INFINITY };
  const noise = endVariance(aiming, { distanceM, shots: asked.shots }, scatter);
  const after = varianceThere - together ** 2 / (varianceHere + noise);
  return { refused: null, leaves: Z90 * Math.sqrt(Math.max(0, after)) };
}
