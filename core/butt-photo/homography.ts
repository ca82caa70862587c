import { Matrix, SVD } from 'ml-matrix';

/** A place in a picture, px (x right, y down), or on the butt, mm (x right, y up). */
export interface PlanePoint {
  readonly x: number;
  readonly y: number;
}

/** A projective map of one plane to another: nine numbers, row by row. */
export type Homography = readonly number[];

/**
 * The projective map that takes four or more points to their places, by the direct linear transform
 * with both sets normalised (Hartley). Exact for four, least squares for more.
 *
 * @returns null when the points do not fix a map: three on one line, or all together
 */
export function homographyOf(
  from: readonly PlanePoint[],
  to: readonly PlanePoint[],
): Homography | null {
  if (from.length < 4 || from.length !== to.length) return null;
  const source = normaliser(from);
  const target = normaliser(to);
  if (source === null || target === null) return null;
  const rows = from.flatMap((point, index) => {
    const a = applyHomography(source, point);
    const b = applyHomography(target, to[index]!);
    return [
      [-a.x, -a.y, -1, 0, 0, 0, b.x * a.x, b.x * a.y, b.x],
      [0, 0, 0, -a.x, -a.y, -1, b.y * a.x, b.y * a.y, b.y],
    ];
  });
  // A row of zeros makes the matrix square: the null vector then is the last right singular one.
  while (rows.length < 9) rows.push(Array.from({ length: 9 }, () => 0));
  const { rightSingularVectors, diagonal } = new SVD(new Matrix(rows), { autoTranspose: true });
  if (diagonal[7]! < 1e-9 * diagonal[0]!) return null;
  const normal = Matrix.from1DArray(3, 3, rightSingularVectors.getColumn(8));
  const back = invert(target);
  if (back === null) return null;
  const whole = Matrix.from1DArray(3, 3, [...back])
    .mmul(normal)
    .mmul(Matrix.from1DArray(3, 3, [...source]));
  return whole.to1DArray();
}

export function applyHomography(h: Homography, { x, y }: PlanePoint): PlanePoint {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / w, y: (h[3]! * x + h[4]! * y + h[5]!) / w };
}

/** The way back; null when there is none. */
export function invert(h: Homography): Homography | null {
  const [a, b, c, d, e, f, g, k, l] = h as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const determinant = a * (e * l - f * k) - b * (d * l - f * g) + c * (d * k - e * g);
  if (!(Math.abs(determinant) > 1e-15)) return null;
  return [
    e * l - f * k,
    c * k - b * l,
    b * f - c * e,
    f * g - d * l,
    a * l - c * g,
    c * d - a * f,
    d * k - e * g,
    b * g - a * k,
    a * e - b * d,
  ].map((value) => value / determinant);
}

/** Moves points to their middle and scales them to √2: without it the transform loses digits. */
function normaliser(points: readonly PlanePoint[]): Homography | null {
  const n = points.length;
  const x = points.reduce((sum, point) => sum + point.x, 0) / n;
  const y = points.reduce((sum, point) => sum + point.y, 0) / n;
  const reach = points.reduce((sum, point) => sum + Math.hypot(point.x - x, point.y - y), 0) / n;
  if (!(reach > 0)) return null;
  const s = Math.SQRT2 / reach;
  return [s, 0, -s * x, 0, s, -s * y, 0, 0, 1];
}
