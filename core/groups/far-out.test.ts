import cdf from '@stdlib/stats-base-dists-t-cdf';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sessionOf } from '../fixtures/simulated-session.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { farOutShots } from './far-out.ts';

const SCATTER_MM = 25;
const ENDS = 1500;
const IN_AN_END = 6;

/** Ends of six fletched, the third of each thrown this many scatters to the side. */
function ends(seed: number, thrown: number) {
  const normal = standardNormal(seededUniform(seed));
  return Array.from({ length: ENDS }, () =>
    sessionOf([
      Array.from({ length: IN_AN_END }, (_, index) => ({
        arrow: 'fletched' as const,
        outwardMm: SCATTER_MM * (normal() + (index === 2 ? thrown : 0)),
        upMm: SCATTER_MM * normal(),
        calledBad: false,
      })),
    ]),
  );
}

describe('farOutShots', () => {
  it('points at an ordinary shot one time in a hundred, as it says', () => {
    const pointedAt = ends(71, 0).reduce((sum, { shots }) => sum + farOutShots(shots).length, 0);
    const share = pointedAt / (ENDS * IN_AN_END);
    expect(share).toBeGreaterThan(0.007);
    expect(share).toBeLessThan(0.013);
  });

  it('points at a shot thrown ten scatters off, and hardly at the others beside it', () => {
    let thrown = 0;
    let others = 0;
    for (const { shots } of ends(72, 10)) {
      const found = farOutShots(shots);
      if (found.includes(shots[2]!.shotId)) thrown += 1;
      others += found.filter((id) => id !== shots[2]!.shotId).length;
    }
    expect(thrown / ENDS).toBeGreaterThan(0.9);
    expect(others / (ENDS * (IN_AN_END - 1))).toBeLessThan(0.01);
  });

  it('leaves a shot out that was called bad, and says nothing of three', () => {
    const end = [0, 3, -2, 1, 400].map((outwardMm, index) => ({
      arrow: 'fletched' as const,
      outwardMm,
      upMm: 0,
      calledBad: index === 4,
    }));
    expect(farOutShots(sessionOf([end]).shots)).toEqual([]);
    expect(farOutShots(sessionOf([end.slice(0, 3)]).shots)).toEqual([]);
  });

  it('points at whom the others, taken without it one by one, make unlikelier than one in a hundred', () => {
    /** By the letter: what one more value from where the others come from would be, in so far a tail. */
    const chance = (value: number, others: readonly number[]) => {
      const n = others.length;
      const mean = others.reduce((sum, one) => sum + one, 0) / n;
      const squares = others.reduce((sum, one) => sum + (one - mean) ** 2, 0);
      const sd = Math.max(1, Math.sqrt(squares / (n - 1)));
      return 2 * cdf(-Math.abs(value - mean) / (sd * Math.sqrt(1 + 1 / n)), n - 1);
    };
    const place = fc.integer({ min: -90, max: 90 });
    const someFar = fc.tuple(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -9, max: 9 }));
    const end = fc.array(fc.oneof(fc.tuple(place, place), someFar), {
      minLength: 1,
      maxLength: 24,
    });
    fc.assert(
      fc.property(end, (places) => {
        const { shots } = sessionOf([
          places.map(([outwardMm, upMm]) => ({
            arrow: 'bare' as const,
            outwardMm,
            upMm,
            calledBad: false,
          })),
        ]);
        const farBy = (axis: 0 | 1, at: number) =>
          chance(
            places[at]![axis],
            places.filter((_, other) => other !== at).map((one) => one[axis]),
          ) < 0.005;
        const expected = shots
          .filter((_, at) => places.length > 3 && (farBy(0, at) || farBy(1, at)))
          .map(({ shotId }) => shotId);
        expect(farOutShots(shots)).toEqual(expected);
      }),
    );
  });
});
