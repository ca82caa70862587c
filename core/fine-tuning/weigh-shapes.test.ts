import { determinant, inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { CURVE_SHAPES } from './curve-shapes.ts';
import { weighShapes } from './weigh-shapes.ts';

const TWO = [
  { chance: 0.5, values: [0, 0] },
  { chance: 0.5, values: [0, 2] },
];

describe('the chances of shapes', () => {
  it('are the likelihoods of one reading, where nothing else is unknown', () => {
    // Level known to be 0: a reading of 2 ± 1 lies e² times better under the second.
    const { chances } = weighShapes(
      [{ row: [1], place: 1, y: 2, variance: 1 }],
      [{ mean: 0, sd: 1e-6 }],
      TWO,
    );
    expect(chances[1]! / chances[0]!).toBeCloseTo(Math.exp(2), 6);
  });

  it('do not change by a level nobody knows', () => {
    const { chances } = weighShapes(
      [{ row: [1], place: 1, y: 2, variance: 1 }],
      [{ mean: 0, sd: 1e5 }],
      TWO,
    );
    expect(chances[1]).toBeCloseTo(0.5, 4);
  });

  it('stay what they were before anything was shot', () => {
    const { chances, at } = weighShapes([], [{ mean: 3, sd: 2 }], TWO);
    expect(chances).toEqual([0.5, 0.5]);
    expect(at([1], 1)).toMatchObject({ mean: 4, within: 4, variance: 5 });
  });

  it.each([1, 2, 3])('are those of the joint normal, seed %i', (seed) => {
    const normal = standardNormal(seededUniform(seed));
    const priors = [
      { mean: 1, sd: 2 },
      { mean: -0.5, sd: 0.7 },
    ];
    const shapes = Array.from({ length: 4 }, (_, k) => ({
      chance: [0.1, 0.2, 0.3, 0.4][k]!,
      values: [normal(), normal(), normal()],
    }));
    const seen = Array.from({ length: 7 }, (_, at) => ({
      row: [1, at % 2],
      place: at % 3,
      y: 2 * normal(),
      variance: 0.2 + normal() ** 2,
    }));
    // By the joint normal of all readings under each shape, with a full covariance.
    const x = new Matrix(seen.map(({ row }) => row));
    const spread = x
      .mmul(Matrix.diag(priors.map(({ sd }) => sd ** 2)))
      .mmul(x.transpose())
      .add(Matrix.diag(seen.map(({ variance }) => variance)));
    const densities = shapes.map(({ chance, values }) => {
      const off = Matrix.columnVector(
        seen.map(
          ({ row, place, y }) =>
            y - values[place]! - row[0]! * priors[0]!.mean - row[1]! * priors[1]!.mean,
        ),
      );
      const squares = off.transpose().mmul(inverse(spread)).mmul(off).get(0, 0);
      return (chance * Math.exp(-squares / 2)) / Math.sqrt(determinant(spread));
    });
    const total = densities.reduce((sum, one) => sum + one, 0);
    const { chances } = weighShapes(seen, priors, shapes);
    for (const [k, density] of densities.entries())
      expect(chances[k]).toBeCloseTo(density / total, 9);
  });

  it('refuse a spread that is no number', () => {
    expect(() => weighShapes([], [{ mean: 0, sd: Number.NaN }], TWO)).toThrow(/no number/);
  });
});

describe('the shapes a control may have', () => {
  it('sum to one, and lean no way', () => {
    const sum = (of: (shape: (typeof CURVE_SHAPES)[number]) => number) =>
      CURVE_SHAPES.reduce((total, shape) => total + shape.chance * of(shape), 0);
    expect(sum(() => 1)).toBeCloseTo(1, 12);
    for (const t of [0.3, 1]) expect(sum(({ at }) => at(t) - at(-t))).toBeCloseTo(0, 9);
  });

  it('are mostly valleys, some with a corner, and some are none', () => {
    const share = (of: (shape: (typeof CURVE_SHAPES)[number]) => boolean) =>
      CURVE_SHAPES.filter(of).reduce((total, { chance }) => total + chance, 0);
    expect(share(({ kind }) => kind === 'valley')).toBeGreaterThan(0.5);
    expect(share(({ at }) => at(0) > at(1) && at(0) > at(-1))).toBeGreaterThan(0.1);
    expect(share(({ at }) => at(0) === at(0.5))).toBeGreaterThan(0.05);
  });
});
