import { CholeskyDecomposition } from 'ml-matrix';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import type { NoiseBelief } from './belief.ts';
import { earBelief } from './ear-belief.ts';
import { worthOfHeights } from './next-height.ts';
import {
  type CurvePart,
  fitNoiseCurve,
  type HeightRange,
  type HeightTried,
  type NoiseCurve,
} from './noise-curve.ts';

/** Curves drawn to see how quiet it might be elsewhere. */
const DRAWS = 400;
const SEED = 16;

/** Answers alone tell so little that what bows are usually like has to help; recorded shots speak for themselves. */
export function isByEar(tried: readonly HeightTried[]): boolean {
  return tried.every(({ levelsDb }) => levelsDb.length === 0);
}

/** @param tried in the order they were tried; at least one */
export function noiseBelief(tried: readonly HeightTried[], range: HeightRange): NoiseBelief {
  if (isByEar(tried)) return earBelief(tried, range);
  const curve = fitNoiseCurve(tried, range);
  return {
    curve,
    draws: drawCurves(curve),
    worthOf: (at, choosable, by) => worthOfHeights(curve, at, choosable, by),
  };
}

/** Curves as they may be, drawn from the mixture. */
export function drawCurves(curve: NoiseCurve): readonly Float64Array[] {
  const size = curve.heightsMm.length;
  let drawn = 0;
  return curve.parts.flatMap((part) => {
    const count = Math.max(1, Math.round(part.weight * DRAWS));
    const normals = normalsFrom(drawn * size, (drawn + count) * size);
    drawn += count;
    return drawPart(part, count, normals);
  });
}

const normal = standardNormal(seededUniform(SEED));
const drawnSoFar: number[] = [];

/** The same normals every time, drawn once: a search is judged anew after each shot. */
function normalsFrom(from: number, to: number): readonly number[] {
  while (drawnSoFar.length < to) drawnSoFar.push(normal());
  return drawnSoFar.slice(from, to);
}

function drawPart(
  { mean, covariance }: CurvePart,
  count: number,
  normals: readonly number[],
): readonly Float64Array[] {
  const size = mean.length;
  const padded = covariance.clone();
  for (let at = 0; at < size; at += 1) padded.set(at, at, padded.get(at, at) + 1e-3);
  const lower = new CholeskyDecomposition(padded).lowerTriangularMatrix.to2DArray();
  return Array.from({ length: count }, (_, draw) =>
    Float64Array.from(mean, (value, row) => {
      const factors = lower[row]!;
      let sum = value;
      for (let column = 0; column <= row; column += 1)
        sum += factors[column]! * normals[draw * size + column]!;
      return sum;
    }),
  );
}
