import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A source of uniform numbers in [0, 1). */
export type Uniform = () => number;

/** Outputs thrown away after seeding: small seeds leave the first ones far from random. */
const WARM_UP = 16;

/** A repeatable uniform source: the same seed gives the same numbers on every machine. */
export function seededUniform(seed: number): Uniform {
  const generator = xoroshiro128plus(seed);
  for (let skipped = 0; skipped < WARM_UP; skipped += 1) uniformFloat64(generator);
  return () => uniformFloat64(generator);
}

/** A standard normal source drawn from the given uniform source. */
export function standardNormal(uniform: Uniform): () => number {
  return randomNormal.source(uniform)(0, 1);
}

/** Which of several things a uniform number draws, each by its share. @param odds sum to 1 */
export function drawnIndex(odds: readonly number[], uniform: number): number {
  let left = uniform;
  const index = odds.findIndex((share) => (left -= share) < 0);
  // A sum short of 1 by rounding leaves the last one.
  return index < 0 ? odds.length - 1 : index;
}
