import { describe, expect, it } from 'vitest';
import { LEVEL_SD_DB } from '../priors/brace-search-priors.ts';
import { fitNoiseCurve, type HeightTried } from './noise-curve.ts';

const RANGE = { lowMm: 210, highMm: 222 };
const sounded = (heightMm: number, ...levelsDb: number[]): HeightTried => ({
  heightMm,
  levelsDb,
  heard: null,
});
const meanAt = (tried: readonly HeightTried[], place: number) =>
  fitNoiseCurve(tried, RANGE).parts.reduce(
    (sum, { weight, mean }) => sum + weight * mean[place]!,
    0,
  );

describe('fitNoiseCurve', () => {
  it('weighs its parts to one, and begins its heights with those that were tried', () => {
    const curve = fitNoiseCurve([sounded(214, 1, 2), sounded(212, 3)], RANGE);
    expect(curve.heightsMm.slice(0, 2)).toEqual([214, 212]);
    expect(curve.heightsMm.at(2)).toBe(210);
    expect(curve.heightsMm.at(-1)).toBe(222);
    expect(curve.parts.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
  });

  it('is the exact answer where one height was recorded: prior and shots weighed by hand', () => {
    const [part] = fitNoiseCurve([sounded(216, 2, 4, 3)], RANGE, [0.7]).parts;
    const noise = fitNoiseCurve([sounded(216, 2, 4, 3)], RANGE).shotNoiseDb ** 2 / 3;
    // Four degrees of 0.64 and the squares of 2, 4, 3: (2.56 + 2) / 6 = 0.76.
    expect(noise).toBeCloseTo(0.76 / 3, 9);
    const prior = LEVEL_SD_DB ** 2 + 1;
    expect(part!.mean[0]).toBeCloseTo(3, 9);
    expect(part!.covariance.get(0, 0)).toBeCloseTo((prior * noise) / (prior + noise), 2);
  });

  it('is another by a shift of all levels only by that shift: a microphone has no scale', () => {
    const one = [sounded(212, 5, 5.4), sounded(217, 1, 1.3), sounded(221, 4)];
    const shifted = one.map((each) => ({
      ...each,
      levelsDb: each.levelsDb.map((level) => level - 31),
    }));
    for (const place of [0, 2, 9, 20])
      expect(meanAt(shifted, place)).toBeCloseTo(meanAt(one, place) - 31, 6);
  });

  it('hears by ear which of two heights is quieter, a second time surer', () => {
    const heard = (heightMm: number, than: HeightTried['heard']): HeightTried => ({
      heightMm,
      levelsDb: [],
      heard: than,
    });
    const once = [heard(212, null), heard(216, 'quieter')];
    const fall = (tried: readonly HeightTried[]) => meanAt(tried, 0) - meanAt(tried, 1);
    expect(fall(once)).toBeGreaterThan(0.5);
    const twice = [...once, heard(212, 'louder'), heard(216, 'quieter')];
    expect(fall(twice)).toBeGreaterThan(fall(once));
    expect(fall([heard(212, null), heard(216, 'same')])).toBeCloseTo(0, 6);
  });

  it('refuses a range that is none, and a search without a height', () => {
    expect(() => fitNoiseCurve([sounded(1, 1)], { lowMm: 2, highMm: 2 })).toThrow(/no range/);
    expect(() => fitNoiseCurve([], RANGE)).toThrow(/nothing was tried/);
  });
});
