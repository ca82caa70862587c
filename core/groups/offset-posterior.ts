import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import {
  type StudentMixture,
  studentMixtureCdf,
  studentMixtureHalfWidth,
} from '../numeric/student-mixture.ts';

/** What is known of an archer's scatter before this session: scaled-inverse-χ²(degrees, sdMm). */
export interface ScatterPrior {
  readonly degrees: number;
  readonly sdMm: number;
}
export const NO_SCATTER_PRIOR: ScatterPrior = { degrees: 0, sdMm: 0 };

/** Bare shafts scatter k times as much as fletched; k is unknown on this grid with these odds. */
export const SCATTER_FACTORS = [1, 1.25, 1.6, 2, 2.5] as const;
export const SCATTER_FACTOR_ODDS = [0.2, 0.3, 0.25, 0.15, 0.1] as const;

/**
 * Shots are read to about a millimetre; identical plots must not claim a scatter of zero.
 * Standard deviation of that reading, mm.
 */
export const PLOT_READING_SD_MM = 0.5;

/** Fewest counted shots of each kind that allow an offset at all. */
export const FEWEST_EACH = 2;

/** The offset of bare from fletched on one axis: a mixture of Student t about one centre. */
export interface OffsetPosterior {
  readonly centreMm: number;
  readonly mixture: StudentMixture;
  /** Posterior odds of each scatter factor by this axis alone, summing to 1. */
  readonly factorOdds: readonly number[];
}

/** Sums that are enough to know an axis: counts, means and squares about them. */
export interface AxisSums {
  readonly fletchedCount: number;
  readonly bareCount: number;
  readonly fletchedMeanMm: number;
  readonly bareMeanMm: number;
  readonly fletchedSquares: number;
  readonly bareSquares: number;
}

/** @throws RangeError when either list is shorter than FEWEST_EACH */
export function axisSums(fletchedMm: readonly number[], bareMm: readonly number[]): AxisSums {
  if (!(fletchedMm.length >= FEWEST_EACH && bareMm.length >= FEWEST_EACH)) {
    throw new RangeError(
      `axisSums: needs ${FEWEST_EACH} of each, has ${fletchedMm.length} fletched and ${bareMm.length} bare`,
    );
  }
  return {
    fletchedCount: fletchedMm.length,
    bareCount: bareMm.length,
    fletchedMeanMm: meanOf(fletchedMm),
    bareMeanMm: meanOf(bareMm),
    fletchedSquares: squaresAboutMean(fletchedMm),
    bareSquares: squaresAboutMean(bareMm),
  };
}

/**
 * Posterior of δ where fletched ~ N(μ, σ²) and bare ~ N(μ + δ, (kσ)²), with μ and δ flat, σ²
 * scaled-inverse-χ² and k on its grid, all integrated out.
 *
 * For each k: ν = ν0 + nf + nb − 2, S = ν0 s0² + SSf + SSb/k², and δ is Student t with ν degrees
 * about the difference of means, scale² = S/ν · (1/nf + k²/nb); the odds of k are
 * p(k) · k^−(nb−1) · S^(−ν/2). (Standard conjugate normal algebra.)
 */
export function offsetPosterior(sums: AxisSums, prior: ScatterPrior): OffsetPosterior {
  const { fletchedCount: nf, bareCount: nb } = sums;
  const degrees = prior.degrees + nf + nb - 2;
  const floor = degrees * PLOT_READING_SD_MM ** 2;
  const logOdds: number[] = [];
  const scales: number[] = [];
  for (const [index, k] of SCATTER_FACTORS.entries()) {
    const squares = Math.max(
      floor,
      prior.degrees * prior.sdMm ** 2 + sums.fletchedSquares + sums.bareSquares / k ** 2,
    );
    logOdds.push(
      Math.log(SCATTER_FACTOR_ODDS[index]!) -
        (nb - 1) * Math.log(k) -
        (degrees / 2) * Math.log(squares),
    );
    scales.push(Math.sqrt((squares / degrees) * (1 / nf + k ** 2 / nb)));
  }
  const factorOdds = normaliseLogOdds(logOdds);
  const centreMm = sums.bareMeanMm - sums.fletchedMeanMm;
  return {
    centreMm,
    factorOdds,
    mixture: factorOdds.map((weight, index) => ({
      weight,
      degrees,
      mean: centreMm,
      scale: scales[index]!,
    })),
  };
}

/** Turns logarithms of odds into odds that sum to 1, safely for very unlikely members. */
export function normaliseLogOdds(logOdds: readonly number[]): number[] {
  const highest = Math.max(...logOdds);
  const odds = logOdds.map((value) => Math.exp(value - highest));
  const total = odds.reduce((sum, value) => sum + value, 0);
  return odds.map((value) => value / total);
}

/** Chances that the offset lies outward (or up) beyond, inward (or down) beyond, or within ±tolerance. */
export interface ToleranceOdds {
  readonly plus: number;
  readonly minus: number;
  readonly inside: number;
}

/** @throws RangeError unless toleranceMm is above 0 */
export function toleranceOdds(
  { mixture }: { readonly mixture: StudentMixture },
  toleranceMm: number,
): ToleranceOdds {
  if (!(toleranceMm > 0))
    throw new RangeError(`toleranceOdds: tolerance ${toleranceMm} must be above 0`);
  const minus = studentMixtureCdf(mixture, -toleranceMm);
  const upToPlus = studentMixtureCdf(mixture, toleranceMm);
  return { plus: 1 - upToPlus, minus, inside: Math.max(0, upToPlus - minus) };
}

/**
 * Half the central interval of the offset, mm.
 *
 * @param level e.g. 0.9, the program's ± everywhere
 */
export function offsetHalfWidthMm(
  { mixture }: { readonly mixture: StudentMixture },
  level = 0.9,
): number {
  return studentMixtureHalfWidth(mixture, level);
}

/**
 * Odds of each scatter factor by both axes together: one k, two independent axes.
 */
export function jointFactorOdds(outward: OffsetPosterior, up: OffsetPosterior): readonly number[] {
  return normaliseLogOdds(
    SCATTER_FACTOR_ODDS.map(
      (prior, index) =>
        Math.log(Math.max(outward.factorOdds[index]!, Number.MIN_VALUE)) +
        Math.log(Math.max(up.factorOdds[index]!, Number.MIN_VALUE)) -
        Math.log(prior),
    ),
  );
}
