import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import type { GridLinearPosterior } from '../numeric/grid-linear.ts';

/** Nodes of a standard normal, equally likely. */
const NODES = 15;
const NORMAL_NODES: readonly number[] = Array.from({ length: NODES }, (_, i) =>
  normalQuantile((i + 0.5) / NODES, 0, 1),
);
/** Bowls less likely than this decide nothing. */
const LEAST_WEIGHT = 1e-4;
/** So many bowls of the grid are looked at. */
const MOST_BOWLS = 16;

interface Shape {
  readonly tilt: number;
  readonly bowl: number;
  readonly weight: number;
}

/** Shapes a curve may have, tilt · t + bowl · t², with how likely each is: all that decides which setting is best. */
export class CurveShapes {
  private readonly shapes: readonly Shape[];

  private constructor(shapes: readonly Shape[]) {
    this.shapes = shapes;
  }

  /** From the fit: the bowl on its grid, the tilt normal given it. */
  static of({ values, weights, base, slope, covariance }: GridLinearPosterior, tiltAt: number) {
    const sd = Math.sqrt(Math.max(0, covariance[tiltAt]![tiltAt]!));
    const kept = values
      .map((bowl, k) => ({ bowl, weight: weights[k]! }))
      .filter(({ weight }) => weight > LEAST_WEIGHT);
    const stride = Math.max(1, Math.ceil(kept.length / MOST_BOWLS));
    const thinned = kept.filter((_, at) => at % stride === 0);
    const total = thinned.reduce((sum, { weight }) => sum + weight, 0);
    return new CurveShapes(
      thinned.flatMap(({ bowl, weight }) =>
        NORMAL_NODES.map((z) => ({
          tilt: base[tiltAt]! - bowl * slope[tiltAt]! + sd * z,
          bowl,
          weight: weight / total / NODES,
        })),
      ),
    );
  }

  /** Tilt and bowl normal together, with their variances and what they share. */
  static normal(
    mean: { readonly tilt: number; readonly bowl: number },
    covariance: { readonly tilt: number; readonly both: number; readonly bowl: number },
  ) {
    // Cholesky of a 2 × 2 covariance.
    const a = Math.sqrt(Math.max(0, covariance.tilt));
    const b = a === 0 ? 0 : covariance.both / a;
    const c = Math.sqrt(Math.max(0, covariance.bowl - b * b));
    return new CurveShapes(
      NORMAL_NODES.flatMap((one) =>
        NORMAL_NODES.map((other) => ({
          tilt: mean.tilt + a * one,
          bowl: mean.bowl + b * one + c * other,
          weight: 1 / NODES ** 2,
        })),
      ),
    );
  }

  /** How often each place is best, and what staying there loses on average, as a share of the group. */
  judge(places: readonly number[]): {
    readonly isBest: readonly number[];
    readonly regret: readonly number[];
  } {
    const isBest = places.map(() => 0);
    const regret = places.map(() => 0);
    for (const { tilt, bowl, weight } of this.shapes) {
      const logs = places.map((t) => tilt * t + bowl * t * t);
      const least = Math.min(...logs);
      isBest[logs.indexOf(least)]! += weight;
      for (const [index, log] of logs.entries())
        regret[index]! += weight * (Math.exp((log - least) / 2) - 1);
    }
    return { isBest, regret };
  }
}
