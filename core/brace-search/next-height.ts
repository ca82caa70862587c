import { HEARD, SHOTS_A_HEIGHT } from '../craft/search-terms.ts';
import { heardLikelihood } from './heard.ts';
import type { CurvePart, NoiseCurve } from './noise-curve.ts';

/** Gauss–Hermite over a standard normal, 7 nodes: what the next height may show. */
const NODES: readonly (readonly [z: number, weight: number])[] = [
  [0, 0.4571428571428571],
  [1.1544053947399682, 0.2401231786050127],
  [2.366759410734541, 0.03075712396758651],
  [3.750439717725742, 0.0005482688559722178],
].flatMap(([z = 0, weight = 0]) =>
  z === 0 ? [[z, weight] as const] : [[z, weight] as const, [-z, weight] as const],
);

/** A standard normal in even steps: an answer's chance bends more than a few nodes can follow. */
const FINE: readonly (readonly [z: number, weight: number])[] = (() => {
  const steps = Array.from({ length: 25 }, (_, at) => -3 + at / 4);
  const heights = steps.map((z) => Math.exp((-z * z) / 2));
  const total = heights.reduce((sum, one) => sum + one, 0);
  return steps.map((z, at) => [z, heights[at]! / total] as const);
})();

/** A height that could be tried next, and what trying it is worth. */
export interface HeightWorth {
  readonly heightMm: number;
  /** Expected fall of the least noise there is to choose from, dB. */
  readonly worthDb: number;
}

/** How a height is judged: by recorded shots, or by ear against the height before. */
export type JudgedBy = 'sound' | 'ear';

/**
 * What trying each height would be worth: the expected fall of the quietest mean among the places to
 * choose from, after its shots or its answer (the knowledge gradient of a mixture of normal curves).
 *
 * @param at places in the curve's own heights
 * @param choosable places that may be settled on
 */
export function worthOfHeights(
  curve: NoiseCurve,
  at: readonly number[],
  choosable: readonly number[],
  by: JudgedBy,
): readonly HeightWorth[] {
  const noise = curve.shotNoiseDb ** 2 / SHOTS_A_HEIGHT;
  const here = curve.tried - 1;
  return at.map((place) => ({
    heightMm: curve.heightsMm[place]!,
    worthDb: curve.parts.reduce((sum, part) => {
      const seen = by === 'sound' ? afterShots(part, place, noise) : afterAnswer(part, place, here);
      return sum + part.weight * fallOfLeast(part, choosable, seen);
    }, 0),
  }));
}

/** What may be seen: with which chance, and how far each mean moves by it, per unit of its covariance. */
interface MaySee {
  readonly covarianceWith: (at: number) => number;
  readonly seen: readonly { readonly chance: number; readonly shift: number }[];
}

function afterShots({ covariance }: CurvePart, place: number, noise: number): MaySee {
  const spread = Math.sqrt(Math.max(0, covariance.get(place, place)) + noise);
  return {
    covarianceWith: (at) => covariance.get(at, place),
    seen: NODES.map(([z, chance]) => ({ chance, shift: z / spread })),
  };
}

/** Three answers, each with the mean of the difference it would leave. */
function afterAnswer({ mean, covariance }: CurvePart, place: number, here: number): MaySee {
  const middle = mean[place]! - mean[here]!;
  const variance =
    covariance.get(place, place) + covariance.get(here, here) - 2 * covariance.get(place, here);
  const sd = Math.sqrt(Math.max(1e-9, variance));
  return {
    covarianceWith: (at) => covariance.get(at, place) - covariance.get(at, here),
    seen: HEARD.map((heard) => {
      let chance = 0;
      let moved = 0;
      for (const [z, weight] of FINE) {
        const share = weight * Math.exp(heardLikelihood(heard, middle + sd * z).log);
        chance += share;
        moved += share * z;
      }
      return { chance, shift: moved / chance / sd };
    }),
  };
}

function fallOfLeast(
  { mean }: CurvePart,
  choosable: readonly number[],
  { covarianceWith, seen }: MaySee,
): number {
  const moves = choosable.map(covarianceWith);
  const leastAfter = (shift: number) =>
    choosable.reduce((least, at, i) => Math.min(least, mean[at]! + moves[i]! * shift), Infinity);
  return (
    leastAfter(0) - seen.reduce((sum, { chance, shift }) => sum + chance * leastAfter(shift), 0)
  );
}
