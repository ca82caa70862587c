import { momentsOf } from '../numeric/moments.ts';
import type { StudentPart } from '../numeric/student-mixture.ts';
import {
  FEWEST_EACH,
  normaliseLogOdds,
  type OffsetPosterior,
  PLOT_READING_SD_MM,
  SCATTER_FACTOR_ODDS,
  SCATTER_FACTORS,
  type ScatterPrior,
} from './offset-posterior.ts';

/** Shots of one axis, grouped by end, in shooting order; called bad shots already left out. */
export interface AxisEnd {
  readonly fletchedMm: readonly number[];
  readonly bareMm: readonly number[];
}

/** Count, mean and squares about it, of each kind of one end. */
export interface EndSums {
  readonly fletched: Sums;
  readonly bare: Sums;
}
/** How many shots along one axis, their mean and squares about it, mm. */
export interface Sums {
  readonly count: number;
  readonly meanMm: number;
  readonly squares: number;
}

/** The aim of an end wanders by this many scatters, one standard deviation; unknown on this grid. */
export const AIM_WANDERS = [0, 0.25, 0.5, 1, 1.5] as const;
/** Odds of each before an archer's ends have shown any: about half a scatter. */
export const AIM_WANDER_ODDS: readonly number[] = [0.15, 0.25, 0.45, 0.12, 0.03];
/** Members of the mixture less likely than this are left out: they move nothing that is shown. */
const LEAST_ODDS = 1e-3;

export function endSums({ fletchedMm, bareMm }: AxisEnd): EndSums {
  return { fletched: sumsOf(fletchedMm), bare: sumsOf(bareMm) };
}

/** @param valuesMm none: the mean is 0 */
export function sumsOf(valuesMm: readonly number[]): Sums {
  const { count, mean, squares } = momentsOf(valuesMm);
  return { count, meanMm: mean, squares };
}

/** What a set of ends says of the offset when bare shafts scatter k times and the aim wanders by ρ. */
interface EndsFit {
  readonly offsetMm: number;
  /** Variance of the offset in squared scatters of fletched shots. */
  readonly varianceFactor: number;
  /** Squares that are left of the ends' means about the fit, in mm². */
  readonly squares: number;
  /** −½ log of the determinants of the ends and of the information. */
  readonly logDeterminants: number;
}

/**
 * Generalised least squares of centre μ and offset δ over the means of ends. In one end the fletched
 * mean is μ + aim and the bare one μ + δ + aim, aim ~ N(0, (ρσ)²): what both share cancels where both
 * were shot, and stays where only one was.
 *
 * @returns null when no end, or only one kind of arrow, was shot
 */
export function fitEnds(ends: readonly EndSums[], k: number, wander: number): EndsFit | null {
  let [a, b, d, u, v, w, logDeterminants] = [0, 0, 0, 0, 0, 0, 0];
  for (const { fletched, bare } of ends) {
    const [one, other] = [fletched.count, bare.count];
    if (one + other === 0) continue;
    if (one > 0 && other > 0) {
      const [vf, vb, shared] = [1 / one + wander ** 2, k ** 2 / other + wander ** 2, wander ** 2];
      const determinant = vf * vb - shared ** 2;
      const [pff, pbb, pfb] = [vb / determinant, vf / determinant, -shared / determinant];
      a += pff + 2 * pfb + pbb;
      b += pbb + pfb;
      d += pbb;
      u += (pff + pfb) * fletched.meanMm + (pfb + pbb) * bare.meanMm;
      v += pfb * fletched.meanMm + pbb * bare.meanMm;
      w +=
        pff * fletched.meanMm ** 2 +
        2 * pfb * fletched.meanMm * bare.meanMm +
        pbb * bare.meanMm ** 2;
      logDeterminants -= Math.log(determinant) / 2;
      continue;
    }
    const isBare = other > 0;
    const variance = (isBare ? k ** 2 / other : 1 / one) + wander ** 2;
    const mean = isBare ? bare.meanMm : fletched.meanMm;
    a += 1 / variance;
    u += mean / variance;
    w += mean ** 2 / variance;
    if (isBare) {
      b += 1 / variance;
      d += 1 / variance;
      v += mean / variance;
    }
    logDeterminants -= Math.log(variance) / 2;
  }
  const information = a * d - b * b;
  if (!(information > 1e-12)) return null;
  const centreMm = (d * u - b * v) / information;
  const offsetMm = (a * v - b * u) / information;
  return {
    offsetMm,
    varianceFactor: a / information,
    squares: Math.max(0, w - centreMm * u - offsetMm * v),
    logDeterminants: logDeterminants - Math.log(information) / 2,
  };
}

/** Members this much alike are told apart by nobody: one of the same mean and spread stands for them. */
const ALIKE = { scales: 1.4, means: 0.25 } as const;

/** One member for those that hardly differ, which is so wherever ends are mixed. */
function merged(parts: readonly StudentPart[]): readonly StudentPart[] {
  const [first] = parts;
  if (first === undefined || parts.length === 1) return parts;
  const scales = parts.map(({ scale }) => scale);
  const [least, most] = [Math.min(...scales), Math.max(...scales)];
  const means = parts.map(({ mean }) => mean);
  const apart = Math.max(...means) - Math.min(...means);
  if (most > ALIKE.scales * least || apart > ALIKE.means * least) return parts;
  const weight = parts.reduce((sum, one) => sum + one.weight, 0);
  const mean = parts.reduce((sum, one) => sum + one.weight * one.mean, 0) / weight;
  const squares = parts.reduce(
    (sum, one) => sum + one.weight * (one.scale ** 2 + (one.mean - mean) ** 2),
    0,
  );
  return [{ weight, degrees: first.degrees, mean, scale: Math.sqrt(squares / weight) }];
}

/**
 * Posterior of δ where each end has an aim of its own: for every k and ρ of their grids,
 * ν = ν0 + nf + nb − 2, S = ν0 s0² + squares within ends (bare over k²) + what is left between them,
 * δ is Student t with ν degrees about the generalised least squares estimate, scale² = S/ν · its
 * variance factor; odds ∝ p(k) p(ρ) k^−(nb − ends with bare) |V|^−½ |X′V⁻¹X|^−½ S^(−ν/2). With one
 * end it is the posterior without any wander.
 *
 * @param wanderOdds what is held of ρ beforehand, one for each of AIM_WANDERS
 * @returns null with fewer than FEWEST_EACH of either kind
 */
export function offsetOfEnds(
  ends: readonly EndSums[],
  prior: ScatterPrior,
  wanderOdds: readonly number[] = AIM_WANDER_ODDS,
): OffsetPosterior | null {
  const count = (of: 'fletched' | 'bare') => ends.reduce((sum, end) => sum + end[of].count, 0);
  const [nf, nb] = [count('fletched'), count('bare')];
  if (nf < FEWEST_EACH || nb < FEWEST_EACH) return null;
  const degrees = prior.degrees + nf + nb - 2;
  const floor = degrees * PLOT_READING_SD_MM ** 2;
  const squares = (of: 'fletched' | 'bare') => ends.reduce((sum, end) => sum + end[of].squares, 0);
  const [within, withinBare] = [
    prior.degrees * prior.sdMm ** 2 + squares('fletched'),
    squares('bare'),
  ];
  const bareFree = nb - ends.filter(({ bare }) => bare.count > 0).length;
  const members = SCATTER_FACTORS.flatMap((k, factor) =>
    AIM_WANDERS.flatMap((wander, index) => {
      const fit = fitEnds(ends, k, wander);
      if (fit === null) return [];
      const all = Math.max(floor, within + withinBare / k ** 2 + fit.squares);
      return [
        {
          factor,
          mean: fit.offsetMm,
          scale: Math.sqrt((all / degrees) * fit.varianceFactor),
          logOdds:
            Math.log(SCATTER_FACTOR_ODDS[factor]!) +
            Math.log(Math.max(wanderOdds[index] ?? 0, Number.MIN_VALUE)) -
            bareFree * Math.log(k) +
            fit.logDeterminants -
            (degrees / 2) * Math.log(all),
        },
      ];
    }),
  );
  const odds = normaliseLogOdds(members.map(({ logOdds }) => logOdds));
  const kept = members
    .map(({ factor, mean, scale }, index) => ({ factor, mean, scale, weight: odds[index]! }))
    .filter(({ weight }) => weight >= LEAST_ODDS);
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  const mixture = SCATTER_FACTORS.flatMap((_, factor) =>
    merged(
      kept
        .filter((one) => one.factor === factor)
        .map(({ mean, scale, weight }) => ({ weight: weight / total, degrees, mean, scale })),
    ),
  );
  return {
    centreMm: mixture.reduce((sum, { weight, mean }) => sum + weight * mean, 0),
    mixture,
    factorOdds: SCATTER_FACTORS.map((_, factor) =>
      members.reduce((sum, one, index) => (one.factor === factor ? sum + odds[index]! : sum), 0),
    ),
  };
}
