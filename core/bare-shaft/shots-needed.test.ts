import { randomGamma } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { callOf } from '../groups/axis-verdict.ts';
import {
  axisSums,
  NO_SCATTER_PRIOR,
  offsetPosterior,
  SCATTER_FACTORS,
  toleranceOdds,
} from '../groups/offset-posterior.ts';
import { meanOf } from '../numeric/moments.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { shotsNeeded } from './shots-needed.ts';

const FUTURES = 1200;

describe('how many more bare shots', () => {
  it.each<readonly [string, readonly number[], readonly number[]]>([
    ['near a decision', [-5, 0, 5, 3, -3, 1], [28, 36, 34]],
    ['far from one', [-25, 0, 25, 15, -15, 5], [10, 60, 25, 40]],
  ])('are as many as a plain simulation of what is to come says, %s', (_, fletched, bare) => {
    const sums = axisSums(fletched, bare);
    const needed = shotsNeeded(sums, 25, NO_SCATTER_PRIOR, 5);
    if (needed.kind !== 'bareShots') throw new Error('more than worth');
    // The same futures shot by shot, each figure from the list of all shots; another seed.
    const uniform = seededUniform(77);
    const normal = standardNormal(uniform);
    const gamma = randomGamma.source(uniform);
    const posterior = offsetPosterior(sums, NO_SCATTER_PRIOR);
    let decided = 0;
    for (let future = 0; future < FUTURES; future += 1) {
      const drawn = uniform();
      let index = 0;
      for (let sum = posterior.factorOdds[0]!; sum < drawn; sum += posterior.factorOdds[index]!)
        index += 1;
      const k = SCATTER_FACTORS[index]!;
      const { degrees, scale } = posterior.mixture[index]!;
      const ofOne = scale / Math.sqrt(1 / fletched.length + k ** 2 / bare.length);
      const sigma = ofOne * Math.sqrt(degrees / (2 * gamma(degrees / 2)()));
      const [near, far] = [
        meanOf(fletched) + (sigma / Math.sqrt(fletched.length)) * normal(),
        meanOf(bare) + ((k * sigma) / Math.sqrt(bare.length)) * normal(),
      ];
      const more = (count: number, middle: number, sd: number) =>
        Array.from({ length: count }, () => middle + sd * normal());
      const all = axisSums(
        [
          ...fletched,
          ...more(Math.floor((needed.count * fletched.length) / bare.length), near, sigma),
        ],
        [...bare, ...more(needed.count, far, k * sigma)],
      );
      if (callOf(toleranceOdds(offsetPosterior(all, NO_SCATTER_PRIOR), 25)) !== 'undecided')
        decided += 1;
    }
    // 300 futures and 1,200: four standard deviations of the difference are 0.13.
    expect(Math.abs(needed.chance - decided / FUTURES)).toBeLessThan(0.13);
  });
});
