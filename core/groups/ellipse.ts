import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { meanOf } from '../numeric/moments.ts';

export interface PointMm {
  readonly outwardMm: number;
  readonly upMm: number;
}

/** An ellipse on the butt; `angleRad` turns the major axis from outward toward up. */
export interface GroupEllipse {
  readonly centre: PointMm;
  readonly majorMm: number;
  readonly minorMm: number;
  readonly angleRad: number;
}

/**
 * The ellipse that holds the next shot 9 times in 10, for a bivariate normal group:
 * (x − m)ᵀ C⁻¹ (x − m) ≤ −2 ln 0.1 · (1 + 1/n). Small groups are wider still (Hotelling);
 * the drawing is an aid, verdicts never use it.
 *
 * @param points at least 3; returns null below that
 */
export function groupEllipse(points: readonly PointMm[]): GroupEllipse | null {
  if (points.length < 3) return null;
  const n = points.length;
  const centre = {
    outwardMm: meanOf(points.map((point) => point.outwardMm)),
    upMm: meanOf(points.map((point) => point.upMm)),
  };
  let xx = 0;
  let xy = 0;
  let yy = 0;
  for (const { outwardMm, upMm } of points) {
    const dx = outwardMm - centre.outwardMm;
    const dy = upMm - centre.upMm;
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const covariance = new Matrix([
    [xx / (n - 1), xy / (n - 1)],
    [xy / (n - 1), yy / (n - 1)],
  ]);
  const eigen = new EigenvalueDecomposition(covariance, { assumeSymmetric: true });
  const [small = 0, large = 0] = eigen.realEigenvalues;
  const vectors = eigen.eigenvectorMatrix;
  const reach = Math.sqrt(-2 * Math.log(0.1) * (1 + 1 / n));
  return {
    centre,
    majorMm: reach * Math.sqrt(Math.max(0, large)),
    minorMm: reach * Math.sqrt(Math.max(0, small)),
    angleRad: Math.atan2(vectors.get(1, 1), vectors.get(0, 1)),
  };
}
