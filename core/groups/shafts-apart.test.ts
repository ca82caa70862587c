import { inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { SCATTER_FACTORS } from './offset-posterior.ts';
import { geometry, shaftsApart } from './shafts-apart.ts';
import type { ShotSeen } from './shot-seen.ts';

/** A scatter of 10 mm, known from twenty degrees of freedom. */
const SCATTER = { degrees: 20, sdMm: 10 };
const judged = (shots: readonly ShotSeen[]) =>
  shaftsApart({
    shots,
    scatter: { outwardMm: SCATTER, upMm: SCATTER },
    aimVariance: () => 1 / 6,
    mayHeap: true,
  });
/** Errors of an ordinary archer, mm. */
const ACROSS = [4, -9, 11, -6, 13, -12, 7, -3, -8, 10, -14, 5, 9, -2, -11, 6, 3, -7];
const UP = [-7, 12, 3, -10, 6, 8, -13, -4, 9, -5, 11, -8, 2, 14, -6, -9, 7, 4];
/** Ends of three numbered bare shafts; `more` says what happens to a shot besides. */
function ends(
  count: number,
  more: (shot: { end: number; arrowNumber: number; at: number }) => Partial<ShotSeen> = () => ({}),
): ShotSeen[] {
  return Array.from({ length: 3 * count }, (_, at) => {
    const shot = { end: Math.floor(at / 3) + 1, arrowNumber: (at % 3) + 1 };
    const { outwardMm = 0, upMm = 0, ...rest } = more({ ...shot, at });
    return {
      ...shot,
      block: 0,
      ...rest,
      outwardMm: ACROSS[at]! + outwardMm,
      upMm: UP[at]! + upMm,
    };
  });
}

describe('shaft by shaft', () => {
  it('knows of each shot alone what it knows of all together', () => {
    const shots = ends(4, ({ end }) => ({ block: end > 2 ? 1 : 0 }));
    for (const k of SCATTER_FACTORS) {
      const { own, projected } = geometry(shots, k, (end) => end / 6);
      for (const at of shots.keys()) {
        const alone = shots.map((_, index) => (index === at ? 1 : 0));
        expect(own[at]).toBeCloseTo(projected(alone)[at]!, 12);
      }
    }
  });

  it('good shafts are alike, over any number of ends', () => {
    for (const count of [1, 2, 3, 4, 6]) expect(judged(ends(count))).toEqual({ kind: 'alike' });
  });

  it('the one that lands six scatters off is named by the third end, with where it lands', () => {
    const bent = (count: number) =>
      judged(ends(count, ({ arrowNumber }) => (arrowNumber === 2 ? { outwardMm: -60 } : {})));
    expect(bent(2).kind).toBe('alike');
    const found = bent(3);
    expect(found).toMatchObject({ kind: 'oneApart', arrowNumber: 2, shots: 3 });
    if (found.kind !== 'oneApart') throw new Error('not named');
    expect(found.outwardMm).toBeGreaterThan(-75);
    expect(found.outwardMm).toBeLessThan(-45);
    expect(Math.abs(found.upMm)).toBeLessThan(15);
  });

  it('is not named without its number', () => {
    const shots = ends(3, ({ arrowNumber }) => (arrowNumber === 2 ? { outwardMm: -60 } : {}));
    expect(judged(shots.map((shot) => ({ ...shot, arrowNumber: null }))).kind).not.toBe('oneApart');
  });

  it('an aim that wanders, a turn in between and a flyer bend no shaft', () => {
    expect(judged(ends(3, ({ end }) => (end === 2 ? { upMm: 12 } : {}))).kind).toBe('alike');
    expect(judged(ends(4, ({ end }) => (end > 2 ? { outwardMm: 90, block: 1 } : {}))).kind).toBe(
      'alike',
    );
    expect(judged(ends(3, ({ at }) => (at === 4 ? { outwardMm: 110 } : {}))).kind).toBe('alike');
    expect(judged(ends(4, ({ at }) => (at === 4 || at === 8 ? { outwardMm: 110 } : {}))).kind).toBe(
      'alike',
    );
  });

  it('a flyer does not hide the bent one', () => {
    const found = judged(
      ends(3, ({ arrowNumber, at }) =>
        at === 3 ? { upMm: -120 } : arrowNumber === 3 ? { upMm: 60 } : {},
      ),
    );
    expect(found).toMatchObject({ kind: 'oneApart', arrowNumber: 3 });
  });

  it('half of them eight scatters off are two heaps, and how many there', () => {
    const OFF = [0, 1, 1, 0, 1, 0, 0, 0, 1, 1, 0, 1];
    const found = judged(ends(4, ({ at }) => (OFF[at] === 1 ? { outwardMm: 56, upMm: 56 } : {})));
    expect(found).toMatchObject({ kind: 'twoHeaps', of: 12, shots: 6 });
  });

  it('says the same mirrored, and in whatever order the shots of an end were written down', () => {
    const shots = ends(3, ({ arrowNumber }) =>
      arrowNumber === 1 ? { outwardMm: 45, upMm: 40 } : {},
    );
    const found = judged(shots);
    const mirrored = judged(shots.map((shot) => ({ ...shot, outwardMm: -shot.outwardMm })));
    const reversed = judged(shots.toReversed());
    if (found.kind !== 'oneApart' || mirrored.kind !== 'oneApart' || reversed.kind !== 'oneApart')
      throw new Error('not named');
    expect(mirrored.outwardMm).toBeCloseTo(-found.outwardMm, 9);
    expect(mirrored.upMm).toBeCloseTo(found.upMm, 9);
    expect(reversed.outwardMm).toBeCloseTo(found.outwardMm, 9);
    expect(reversed.arrowNumber).toBe(1);
  });

  it('lands as far off as generalised least squares with whole matrices says, over two settings', () => {
    // Five ends of three, two and four; a turn after the second; number 2 lies 70 mm out and 30 mm low.
    const sizes = [3, 2, 4, 3, 3];
    const shots = sizes
      .flatMap((size, end) => Array.from({ length: size }, (_, at) => ({ end, at })))
      .map(({ end, at }, index): ShotSeen => {
        const arrowNumber = (at % 3) + 1;
        const off = arrowNumber === 2 ? { outwardMm: 70, upMm: -30 } : { outwardMm: 0, upMm: 0 };
        return {
          end,
          arrowNumber,
          block: end < 2 ? 0 : 1,
          outwardMm: ACROSS[index]! + off.outwardMm + (end < 2 ? 0 : 40),
          upMm: UP[index]! + off.upMm,
        };
      });
    const found = judged(shots);
    if (found.kind !== 'oneApart') throw new Error('not named');
    expect(found).toMatchObject({ arrowNumber: 2, shots: 5 });

    const [k, aim, apart] = [SCATTER_FACTORS[1], 1 / 6, 6];
    const cell = (fill: (row: ShotSeen, column: ShotSeen, same: boolean) => number) =>
      new Matrix(shots.map((row, i) => shots.map((column, j) => fill(row, column, i === j))));
    // Shots of one end share its aim; the middle of each setting is as good as unknown.
    const unknownMiddle = 1e7;
    const covariance = cell(
      (row, column, same) =>
        (same ? k ** 2 : 0) +
        (row.end === column.end ? aim : 0) +
        (row.block === column.block ? unknownMiddle : 0),
    );
    const weights = inverse(covariance);
    const x = Matrix.columnVector(shots.map(({ arrowNumber }) => (arrowNumber === 2 ? 1 : 0)));
    const information = x.transpose().mmul(weights).mmul(x).get(0, 0) + 1 / apart ** 2;
    const expected = (axis: 'outwardMm' | 'upMm') => {
      const y = Matrix.columnVector(shots.map((shot) => shot[axis]));
      return x.transpose().mmul(weights).mmul(y).get(0, 0) / information;
    };
    expect(found.outwardMm).toBeCloseTo(expected('outwardMm'), 3);
    expect(found.upMm).toBeCloseTo(expected('upMm'), 3);
  });
});
