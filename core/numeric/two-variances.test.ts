import { describe, expect, it } from 'vitest';
import { SEATING_PRIOR, WITHIN_PRIOR } from '../priors/repeatability-priors.ts';
import { seededUniform, standardNormal } from './random.ts';
import { fitTwoVariances, halfWidthOfMean, varianceOfMean } from './two-variances.ts';

const BY_HAND = {
  within: { variance: 0.75, degrees: 3 },
  between: { variance: 0.25, degrees: 2 },
};
const NOTHING = { squares: 0, degrees: 0 };

describe('two variances, by hand', () => {
  it('are what was held before, while nothing was seen', () => {
    const held = fitTwoVariances(BY_HAND, NOTHING, []);
    expect(varianceOfMean(held, 1)).toBeCloseTo(1, 12);
    expect(varianceOfMean(held, 3)).toBeCloseTo(0.25 + 0.25, 12);
  });

  it('take what the repeats make of the means off the squares of the means', () => {
    // Within: (3 · 0.75 + 9.75) / (3 + 5) = 1.5. Between: (2 · 0.25 + 8 − 2 · 1.5 / 3) / (2 + 2) = 1.875.
    const { within, between } = fitTwoVariances(BY_HAND, { squares: 9.75, degrees: 5 }, [
      { n: 3, squares: 8, degrees: 2 },
    ]);
    expect(within).toEqual({ variance: 1.5, degrees: 8 });
    expect(between).toEqual({ variance: 1.875, degrees: 4 });
  });

  it('never take more off than there is', () => {
    const { between } = fitTwoVariances(BY_HAND, { squares: 90, degrees: 5 }, [
      { n: 1, squares: 1, degrees: 2 },
    ]);
    expect(between.variance).toBeCloseTo(0.5 / 4, 12);
  });

  it('give an interval by Student’s t: t₀.₉₅(4) is 2.1318', () => {
    const alone = {
      within: { variance: 0, degrees: 9 },
      between: { variance: 4, degrees: 4 },
    };
    expect(halfWidthOfMean(alone, 3, 0.9)).toBeCloseTo(2 * 2.1318, 3);
  });
});

describe('the interval of a reading over simulated people', () => {
  const RUNS = 2000;

  /** Readings of three replicates; the share of the last ones whose interval holds the truth. */
  function held({
    within,
    seating,
    readings,
    oneSetting,
    seed,
  }: {
    readonly within: number;
    readonly seating: number;
    readonly readings: number;
    readonly oneSetting: boolean;
    readonly seed: number;
  }): number {
    const normal = standardNormal(seededUniform(seed));
    let hits = 0;
    for (let run = 0; run < RUNS; run += 1) {
      let squares = 0;
      const means = Array.from({ length: readings }, () => {
        const seat = seating * normal();
        const values = [1, 2, 3].map(() => seat + within * normal());
        const mean = values.reduce((sum, one) => sum + one, 0) / 3;
        squares += values.reduce((sum, one) => sum + (one - mean) ** 2, 0);
        return mean;
      });
      const middle = means.reduce((sum, one) => sum + one, 0) / readings;
      const again = {
        n: 3,
        squares: means.reduce((sum, one) => sum + (one - middle) ** 2, 0),
        degrees: readings - 1,
      };
      const fit = fitTwoVariances(
        { within: WITHIN_PRIOR, between: SEATING_PRIOR },
        { squares, degrees: 2 * readings },
        oneSetting ? [again] : [],
      );
      if (Math.abs(means.at(-1)!) <= halfWidthOfMean(fit, 3, 0.9)) hits += 1;
    }
    return hits / RUNS;
  }

  it.each([11, 407])(
    'holds for an ordinary hand, whether it reads one setting again or not',
    (seed) => {
      for (const oneSetting of [true, false]) {
        const asExpected = held({ within: 0.94, seating: 0.35, readings: 4, oneSetting, seed });
        expect(asExpected).toBeGreaterThan(0.86);
        expect(asExpected).toBeLessThan(0.97);
        const oftenReseated = held({ within: 0.87, seating: 0.5, readings: 4, oneSetting, seed });
        expect(oftenReseated).toBeGreaterThan(0.86);
      }
    },
  );

  it.each([12, 408])('holds with a tool twice as bad, from the fourth reading on', (seed) => {
    const share = held({ within: 2, seating: 0, readings: 4, oneSetting: false, seed });
    expect(share).toBeGreaterThan(0.86);
  });

  it.each([13, 409])('holds where the tool is seated once a day, after three days', (seed) => {
    const share = held({ within: 0.3, seating: 1, readings: 3, oneSetting: true, seed });
    expect(share).toBeGreaterThan(0.85);
  });
});
