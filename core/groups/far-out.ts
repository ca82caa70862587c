import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import { isCounted, type Shot } from '../log/shooting.ts';

/** A shot less likely than this, predicted from the others of its kind, is pointed at. */
const FAR_OUT_BELOW = 0.01;
/** Fewer others than this predict nothing. */
const FEWEST_OTHERS = 3;
/** Others nearer together than this were not read so finely, mm. */
const LEAST_SPREAD_MM = 1;

/**
 * Shots that were not called bad but lie far from the others of their kind: leave-one-out
 * predictive probability under 1 % on either axis. They are pointed at, never left out by themselves.
 *
 * The probability is two-sided Student t with n − 2 degrees for one new value: (x − m) / (s √(1 + 1/n)).
 */
export function farOutShots(shots: readonly Shot[]): readonly string[] {
  return (['fletched', 'bare'] as const).flatMap((arrow) => {
    const kind = shots.filter((shot) => shot.arrow === arrow && isCounted(shot));
    if (kind.length <= FEWEST_OTHERS) return [];
    const outward = farOut(kind.map(({ outwardMm }) => outwardMm));
    const up = farOut(kind.map(({ upMm }) => upMm));
    return kind.filter((_, at) => outward[at]! || up[at]!).map(({ shotId }) => shotId);
  });
}

/**
 * Which of the values lie far from all the others. Of n values with mean M and squares S about it, those
 * without x have the mean M − (x − M)/(n − 1) and the squares S − (x − M)² n/(n − 1).
 */
function farOut(values: readonly number[]): readonly boolean[] {
  const n = values.length;
  const others = n - 1;
  const mean = meanOf(values);
  const squares = squaresAboutMean(values);
  const widest = widestLikely(others - 1);
  return values.map((value) => {
    const off = value - mean;
    const squaresOfOthers = Math.max(0, squares - (off ** 2 * n) / others);
    const sd = Math.max(Math.sqrt(squaresOfOthers / (others - 1)), LEAST_SPREAD_MM);
    const fromOthers = (Math.abs(off) * n) / others;
    return fromOthers > widest * sd * Math.sqrt(1 + 1 / others);
  });
}

const widestByDegrees = new Map<number, number>();

/** The t beyond which one value in a hundred lies on one of two axes. */
function widestLikely(degrees: number): number {
  const known = widestByDegrees.get(degrees);
  if (known !== undefined) return known;
  const widest = tQuantile(1 - FAR_OUT_BELOW / 4, degrees);
  widestByDegrees.set(degrees, widest);
  return widest;
}
