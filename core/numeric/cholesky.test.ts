import fc from 'fast-check';
import { Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { factorSymmetric } from './cholesky.ts';

function factored(rows: number[][]) {
  const found = factorSymmetric(new Matrix(rows));
  if (found.kind !== 'factored') throw new Error('not factored');
  return found.matrix;
}

describe('solving with a symmetric matrix', () => {
  it('solves a case by hand: 4x + 2y = 10, 2x + 3y = 9', () => {
    const matrix = factored([
      [4, 2],
      [2, 3],
    ]);
    expect([...matrix.solve([10, 9])]).toEqual([expect.closeTo(1.5, 12), expect.closeTo(2, 12)]);
    // det = 8: the inverse is [[3, −2], [−2, 4]] / 8.
    expect(matrix.inverse().to2DArray()).toEqual([
      [expect.closeTo(0.375, 12), expect.closeTo(-0.25, 12)],
      [expect.closeTo(-0.25, 12), expect.closeTo(0.5, 12)],
    ]);
  });

  it('gives back what it was multiplied with, for any full set of columns', () => {
    const numbers = fc.double({ min: -10, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.array(numbers, { minLength: 3, maxLength: 3 }), { minLength: 3, maxLength: 9 }),
        fc.array(numbers, { minLength: 3, maxLength: 3 }),
        (rows, wanted) => {
          const x = new Matrix(rows);
          const normal = x.transpose().mmul(x).add(Matrix.eye(3));
          const right = normal.mmul(Matrix.columnVector(wanted)).to1DArray();
          const found = factored(normal.to2DArray()).solve(right);
          for (const [at, value] of wanted.entries()) expect(found[at]).toBeCloseTo(value, 6);
        },
      ),
    );
  });

  it('says so where columns cannot be told apart, or are no numbers', () => {
    const same = [
      [1, 1],
      [1, 1],
    ];
    expect(factorSymmetric(new Matrix(same)).kind).toBe('notPositiveDefinite');
    // One column a thousandth of a millionth beside another is lost to rounding all the same.
    const near = 1 + 1e-14;
    expect(
      factorSymmetric(
        new Matrix([
          [1, 1],
          [1, near],
        ]),
      ).kind,
    ).toBe('notPositiveDefinite');
    expect(factorSymmetric(new Matrix([[-1]])).kind).toBe('notPositiveDefinite');
    expect(factorSymmetric(new Matrix([[Number.NaN]])).kind).toBe('notPositiveDefinite');
  });

  it('does not mind scales that are far apart', () => {
    const matrix = factored([
      [1e12, 0],
      [0, 1e-12],
    ]);
    expect([...matrix.solve([1e12, 1e-12])]).toEqual([expect.closeTo(1), expect.closeTo(1)]);
  });
});
