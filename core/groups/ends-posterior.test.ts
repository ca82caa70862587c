import { describe, expect, it } from 'vitest';
import { studentMixtureHalfWidth } from '../numeric/student-mixture.ts';
import { endSums, fitEnds, offsetOfEnds } from './ends-posterior.ts';
import { axisSums, NO_SCATTER_PRIOR, offsetPosterior } from './offset-posterior.ts';

const FLETCHED = [-12, 4, 9, -3, 7, -5];
const BARE = [38, 52, 41];
const end = (fletchedMm: readonly number[], bareMm: readonly number[]) =>
  endSums({ fletchedMm, bareMm });
const halfWidth = (ends: readonly ReturnType<typeof end>[]) =>
  studentMixtureHalfWidth(offsetOfEnds(ends, NO_SCATTER_PRIOR)!.mixture, 0.9);

describe('the offset where each end has an aim of its own', () => {
  it('is the plain one in a single end: the aim is shared and cancels', () => {
    const plain = offsetPosterior(axisSums(FLETCHED, BARE), NO_SCATTER_PRIOR);
    const found = offsetOfEnds([end(FLETCHED, BARE)], NO_SCATTER_PRIOR)!;
    expect(found.centreMm).toBeCloseTo(plain.centreMm, 9);
    expect(studentMixtureHalfWidth(found.mixture, 0.9)).toBeCloseTo(
      studentMixtureHalfWidth(plain.mixture, 0.9),
      6,
    );
    for (const [k, odds] of plain.factorOdds.entries())
      expect(found.factorOdds[k]).toBeCloseTo(odds, 9);
  });

  it('is by hand: two means, each with its own aim, and the variance of both', () => {
    // Fletched mean 0 of 4 shots, bare mean 30 of 2, in ends of their own; k = 1, wander of one scatter.
    const ends = [end([-3, -1, 1, 3], []), end([], [28, 32])];
    const fit = fitEnds(ends, 1, 1)!;
    expect(fit.offsetMm).toBeCloseTo(30, 9);
    expect(fit.varianceFactor).toBeCloseTo(1 / 4 + 1 + (1 / 2 + 1), 9);
    expect(fitEnds(ends, 2, 0)!.varianceFactor).toBeCloseTo(1 / 4 + 4 / 2, 9);
    expect(fit.squares).toBeCloseTo(0, 9);
  });

  it('takes the difference inside each end, wherever that end was aimed', () => {
    const shifted = (by: number) =>
      end(
        FLETCHED.map((one) => one + by),
        BARE.map((one) => one + by),
      );
    const found = offsetOfEnds([shifted(0), shifted(80), shifted(-60)], NO_SCATTER_PRIOR)!;
    const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / 6;
    expect(found.centreMm).toBeCloseTo((38 + 52 + 41) / 3 - mean(FLETCHED), 0);
    // Aims 8 and 6 cm apart do not make the offset itself less known.
    expect(halfWidth([shifted(0), shifted(80), shifted(-60)])).toBeLessThan(
      halfWidth([end(FLETCHED, BARE)]),
    );
  });

  it('says less where fletched and bare were shot in ends of their own', () => {
    const mixed = halfWidth([end(FLETCHED.slice(0, 3), [38]), end(FLETCHED.slice(3), [52, 41])]);
    const separate = halfWidth([end(FLETCHED, []), end([], BARE)]);
    expect(separate).toBeGreaterThan(1.15 * mixed);
  });

  it('says nothing of fewer than two of either, or of one kind alone', () => {
    expect(offsetOfEnds([end(FLETCHED, [38])], NO_SCATTER_PRIOR)).toBeNull();
    expect(offsetOfEnds([end([1], BARE)], NO_SCATTER_PRIOR)).toBeNull();
    expect(fitEnds([end(FLETCHED, [])], 1, 0.5)).toBeNull();
  });
});
