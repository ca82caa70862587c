import { Matrix } from 'ml-matrix';
import { factorSymmetric } from './cholesky.ts';
import type { NormalPrior } from './grid-linear.ts';
import type { NormalMixture } from './normal-mixture.ts';

/** The mean of a block of values taken together: y = row · θ + block + e/√n, weighed by `scale`. */
export interface BlockMean {
  readonly row: readonly number[];
  readonly mean: number;
  readonly count: number;
  /** Both the block's own shift and the scatter within it are so many times as large here. */
  readonly scale: number;
}

/** What the values inside blocks, and whoever knew of them before, say of their scatter (at scale 1). */
export interface ScatterKnown {
  readonly squares: number;
  readonly degrees: number;
}

export interface BlockLinearPosterior {
  /** A linear combination of θ. */
  readonly combination: (row: readonly number[]) => NormalMixture;
  /** The scatter at scale 1 it rests on, its middle. */
  readonly sd: number;
}

/** ln σ is looked at from so many of its own standard deviations below to above. */
const SCATTER_NODES = [-2, -1, 0, 1, 2] as const;
/** A scatter known from less than this is taken as known from so much: its grid stays finite. */
const LEAST_DEGREES = 2;
/** Members lighter than this move nothing that is shown. */
const LEAST_WEIGHT = 1e-4;

/**
 * Bayesian linear regression over means of blocks that each have a shift of their own, sd ρσ: σ (with a
 * scaled-inverse-χ² from inside the blocks) and ρ are integrated on a grid, θ is normal given both.
 * Weight of a member ∝ p(ρ) p(σ | inside) |V|^−½ |A|^−½ exp(−½ (yᵀV⁻¹y + mᵀP m − rᵀA⁻¹r)), with
 * A = P + XᵀV⁻¹X and r = XᵀV⁻¹y + P m. (Standard conjugate algebra.)
 *
 * @param scatter its `degrees` above 0
 * @param shifts the values of ρ, with their odds
 * @returns null when the rows cannot be solved for
 */
export function fitBlockLinear(
  blocks: readonly BlockMean[],
  priors: readonly NormalPrior[],
  scatter: ScatterKnown,
  shifts: readonly { readonly share: number; readonly odds: number }[],
): BlockLinearPosterior | null {
  if (!(scatter.degrees > 0)) throw new RangeError(`fitBlockLinear: ${scatter.degrees} degrees`);
  const degrees = Math.max(LEAST_DEGREES, scatter.degrees);
  const variance = scatter.squares / scatter.degrees;
  const step = 1 / Math.sqrt(2 * degrees);
  const members = SCATTER_NODES.flatMap((node) =>
    shifts.flatMap(({ share, odds }) => {
      if (odds <= 0) return [];
      const sigma2 = variance * Math.exp(2 * node * step);
      const solved = solveGiven(blocks, priors, sigma2, share);
      if (solved === null) return [];
      // Scaled-inverse-χ² as a density of ln σ.
      const inside = -degrees * node * step - (degrees / 2) * Math.exp(-2 * node * step);
      return [{ ...solved, sigma2, logWeight: Math.log(odds) + inside + solved.logEvidence }];
    }),
  );
  if (members.length === 0) return null;
  const most = Math.max(...members.map(({ logWeight }) => logWeight));
  const kept = members
    .map((one) => ({ ...one, weight: Math.exp(one.logWeight - most) }))
    .filter(({ weight }) => weight >= LEAST_WEIGHT);
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  return {
    combination: (row) =>
      kept.map(({ theta, solve, weight }) => ({
        weight: weight / total,
        mean: dot(row, theta),
        sd: Math.sqrt(Math.max(0, dot(row, solve(row)))),
      })),
    sd: Math.sqrt(kept.reduce((sum, { sigma2, weight }) => sum + (weight / total) * sigma2, 0)),
  };
}

interface Solved {
  readonly theta: ArrayLike<number>;
  readonly solve: (right: ArrayLike<number>) => Float64Array;
  readonly logEvidence: number;
}

function solveGiven(
  blocks: readonly BlockMean[],
  priors: readonly NormalPrior[],
  sigma2: number,
  share: number,
): Solved | null {
  const size = priors.length;
  const information = Matrix.zeros(size, size);
  const right = new Float64Array(size);
  let squares = 0;
  let logVariances = 0;
  for (const [at, { mean, sd }] of priors.entries()) {
    information.set(at, at, 1 / sd ** 2);
    right[at] = mean / sd ** 2;
    squares += (mean / sd) ** 2;
  }
  for (const { row, mean, count, scale } of blocks) {
    const precision = 1 / (sigma2 * scale ** 2 * (1 / count + share ** 2));
    squares += precision * mean ** 2;
    logVariances -= Math.log(precision);
    for (let i = 0; i < size; i += 1) {
      const one = row[i]!;
      if (one === 0) continue;
      right[i]! += precision * one * mean;
      for (let j = 0; j < size; j += 1) {
        const other = row[j]!;
        if (other !== 0) information.set(i, j, information.get(i, j) + precision * one * other);
      }
    }
  }
  const factoring = factorSymmetric(information);
  if (factoring.kind !== 'factored') return null;
  const { solve, logDeterminant } = factoring.matrix;
  const theta = solve(right);
  return {
    theta,
    solve,
    logEvidence: -(logVariances + logDeterminant + squares - dot(right, theta)) / 2,
  };
}

function dot(one: ArrayLike<number>, other: ArrayLike<number>): number {
  let sum = 0;
  for (let at = 0; at < one.length; at += 1) sum += one[at]! * other[at]!;
  return sum;
}
