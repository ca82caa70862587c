import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { byExchange, byTrial, matchedSet, type WeighedShaft } from './matched-set.ts';

/** 1 g costs 17 mm at the butt, one unit of spine 0.7, a tenth of run-out 2. */
const COSTS = { mmPerG: 17, mmPerSpine: 0.7, mmPerRunOutMm: 20 };

function lotOf(size: number, seed: number): readonly WeighedShaft[] {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  return Array.from({ length: size }, (_, at) => ({
    shaft: `${at + 1}`,
    massG: 20 + 0.2 * normal(),
    spine: 600 + 8 * normal(),
    runOutMm: 0.1 * uniform(),
  }));
}
const plain = (shaft: string, massG: number): WeighedShaft => ({
  shaft,
  massG,
  spine: null,
  runOutMm: null,
});
/** The same sum, written out once more. */
function squares(lot: readonly WeighedShaft[], chosen: readonly number[]): number {
  const sum = (of: (shaft: WeighedShaft) => number) => {
    const values = chosen.map((at) => of(lot[at]!));
    const mean = values.reduce((all, one) => all + one) / values.length;
    return values.reduce((all, one) => all + (one - mean) ** 2, 0);
  };
  return (
    sum(({ massG }) => 17 * massG) +
    sum(({ spine }) => 0.7 * spine!) +
    chosen.reduce((all, at) => all + (20 * lot[at]!.runOutMm!) ** 2, 0)
  );
}
const placesOf = (lot: readonly WeighedShaft[]) =>
  lot.map(({ massG, spine, runOutMm }) => ({
    aboutMean: [17 * massG, 0.7 * spine!],
    aboutNought: 20 * runOutMm!,
  }));

describe('a matched set', () => {
  it('by mass alone is the run that lies closest, by hand', () => {
    const lot = [20, 20.4, 20.1, 21, 20.05, 19.2].map((massG, at) => plain(`${at + 1}`, massG));
    // 20, 20.05, 20.1: mean 20.05, squares 0.005 g²; 17 mm a gram: √(0.005 × 289 / 3) = 0.694 mm.
    const found = matchedSet(lot, 3, COSTS);
    expect(found.shafts).toEqual(['1', '3', '5']);
    expect(found.spreadMm).toBeCloseTo(0.694, 3);
  });

  it('found by exchange is the best there is, by trying them all', () => {
    let same = 0;
    const lots = 150;
    for (let seed = 1; seed <= lots; seed += 1) {
      const lot = lotOf(8 + (seed % 7), seed);
      const count = 3 + (seed % 4);
      const [tried, exchanged] = [byTrial(placesOf(lot), count), byExchange(placesOf(lot), count)];
      const ratio = squares(lot, exchanged) / squares(lot, tried);
      expect(ratio).toBeGreaterThan(1 - 1e-9);
      if (ratio < 1 + 1e-9) same += 1;
    }
    expect(same).toBe(lots);
  });

  it('no other single shaft would better it: 12 of 72', () => {
    const lot = lotOf(72, 5);
    const { shafts } = matchedSet(lot, 12, COSTS);
    const chosen = shafts.map((shaft) => Number(shaft) - 1);
    const least = squares(lot, chosen);
    for (const [at] of chosen.entries())
      for (const [other] of lot.entries())
        if (!chosen.includes(other))
          expect(squares(lot, chosen.with(at, other))).toBeGreaterThanOrEqual(least - 1e-9);
  });

  it('compares only what was measured of every shaft', () => {
    const lot = lotOf(9, 3);
    const half = lot.map((one, at) => (at === 4 ? { ...one, spine: null, runOutMm: null } : one));
    const byMass = lot.map((one) => ({ ...one, spine: null, runOutMm: null }));
    expect(matchedSet(half, 4, COSTS).shafts).toEqual(matchedSet(byMass, 4, COSTS).shafts);
  });

  it('names what is not of the lot, by mass or by spine', () => {
    const lot = lotOf(12, 7);
    const odd = lot.map((one, at) => {
      if (at === 2) return { ...one, massG: 23 };
      return at === 9 ? { ...one, spine: 500 } : one;
    });
    expect(matchedSet(odd, 6, COSTS).outliers).toEqual(['3', '10']);
    expect(matchedSet(lot, 6, COSTS).outliers).toEqual([]);
  });
});

describe('what counts by choice', () => {
  const lot: readonly WeighedShaft[] = [
    { shaft: 'a', massG: 20, spine: 600, runOutMm: 0 },
    { shaft: 'b', massG: 20, spine: 640, runOutMm: 0 },
    { shaft: 'c', massG: 21, spine: 600, runOutMm: 0 },
  ];
  it('mass alone takes the two of one mass, spine alone the two of one spine', () => {
    const by = (mass: number, spine: number) =>
      matchedSet(lot, 2, COSTS, { mass, spine, runOut: 1 }).shafts;
    expect(by(1, 0)).toEqual(['a', 'b']);
    expect(by(0, 1)).toEqual(['a', 'c']);
  });
  it('what the set costs at the butt is said as it truly costs', () => {
    // 40 of spine, 28 mm apart: 14 from their middle each.
    expect(matchedSet(lot, 2, COSTS, { mass: 1, spine: 0, runOut: 1 }).spreadMm).toBeCloseTo(14, 6);
  });
});
