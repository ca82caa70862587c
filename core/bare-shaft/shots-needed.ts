import { randomGamma } from 'd3-random';
import { withOne } from '../numeric/moments.ts';
import { drawnIndex, seededUniform, standardNormal } from '../numeric/random.ts';
import { callOf } from '../groups/axis-verdict.ts';
import {
  type AxisSums,
  offsetPosterior,
  SCATTER_FACTORS,
  type ScatterPrior,
  toleranceOdds,
} from '../groups/offset-posterior.ts';

/** More further bare shots than this is not worth asking for. */
const MOST_FURTHER_SHOTS = 24;
/** Simulated futures; the share of decided ones is known to about ±0.03. */
const FUTURES = 300;
/** Predictive chance of a decision at which a number of shots is named. */
const WORTH_SHOOTING = 0.5;

export type ShotsNeeded =
  | { readonly kind: 'bareShots'; readonly count: number; readonly chance: number }
  | { readonly kind: 'moreThanWorth' };

/**
 * How many more bare shots (fletched shot alongside at the present ratio) would probably settle
 * this axis: the smallest number for which a decision of any kind has predictive chance of at
 * least one half. Futures are drawn from the posterior and judged as the real shots would be.
 *
 * Cost: up to FUTURES × MOST_FURTHER_SHOTS posteriors, a few tenths of a second: run in a worker.
 */
export function shotsNeeded(
  sums: AxisSums,
  toleranceMm: number,
  prior: ScatterPrior,
  seed: number,
): ShotsNeeded {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const gamma = randomGamma.source(uniform);
  const posterior = offsetPosterior(sums, prior);
  const ratio = sums.fletchedCount / sums.bareCount;
  const decided = new Array<number>(MOST_FURTHER_SHOTS).fill(0);

  for (let future = 0; future < FUTURES; future += 1) {
    const index = drawnIndex(posterior.factorOdds, uniform());
    const k = SCATTER_FACTORS[index]!;
    const degrees = posterior.mixture[index]!.degrees;
    const scaleMm = posterior.mixture[index]!.scale;
    const squares = (scaleMm ** 2 * degrees) / (1 / sums.fletchedCount + k ** 2 / sums.bareCount);
    const sigmaMm = Math.sqrt(squares / (2 * gamma(degrees / 2)()));
    const fletchedCentreMm =
      sums.fletchedMeanMm + (sigmaMm / Math.sqrt(sums.fletchedCount)) * normal();
    const bareCentreMm = sums.bareMeanMm + ((k * sigmaMm) / Math.sqrt(sums.bareCount)) * normal();
    let running = sums;
    let fletchedOwed = 0;
    for (let shot = 0; shot < MOST_FURTHER_SHOTS; shot += 1) {
      running = withBare(running, bareCentreMm + k * sigmaMm * normal());
      for (fletchedOwed += ratio; fletchedOwed >= 1; fletchedOwed -= 1) {
        running = withFletched(running, fletchedCentreMm + sigmaMm * normal());
      }
      if (callOf(toleranceOdds(offsetPosterior(running, prior), toleranceMm)) !== 'undecided') {
        decided[shot]! += 1;
      }
    }
  }
  const first = decided.findIndex((count) => count / FUTURES >= WORTH_SHOOTING);
  return first < 0
    ? { kind: 'moreThanWorth' }
    : { kind: 'bareShots', count: first + 1, chance: decided[first]! / FUTURES };
}

function withBare(sums: AxisSums, valueMm: number): AxisSums {
  const { bareCount: count, bareMeanMm: mean, bareSquares: squares } = sums;
  const bare = withOne({ count, mean, squares }, valueMm);
  return { ...sums, bareCount: bare.count, bareMeanMm: bare.mean, bareSquares: bare.squares };
}

function withFletched(sums: AxisSums, valueMm: number): AxisSums {
  const { fletchedCount: count, fletchedMeanMm: mean, fletchedSquares: squares } = sums;
  const fletched = withOne({ count, mean, squares }, valueMm);
  return {
    ...sums,
    fletchedCount: fletched.count,
    fletchedMeanMm: fletched.mean,
    fletchedSquares: fletched.squares,
  };
}
