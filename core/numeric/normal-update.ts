/** A few numbers known together: their means, and their covariance, row by row. */
export interface JointNormal {
  readonly mean: Float64Array;
  readonly covariance: Float64Array;
}

/** Independent numbers, each with its own mean and spread; a spread of 0: known exactly. */
export function independentNormals(
  known: readonly { readonly mean: number; readonly sd: number }[],
): JointNormal {
  const size = known.length;
  const covariance = new Float64Array(size * size);
  known.forEach(({ sd }, at) => (covariance[at * size + at] = sd * sd));
  return { mean: Float64Array.from(known, ({ mean }) => mean), covariance };
}

/** Means and covariance of several row · x together. */
export function combinationsOf(
  known: JointNormal,
  rows: readonly ArrayLike<number>[],
): { readonly mean: readonly number[]; readonly covariance: readonly (readonly number[])[] } {
  const size = known.mean.length;
  const among = (one: ArrayLike<number>, other: ArrayLike<number>) => {
    let sum = 0;
    for (let i = 0; i < size; i += 1)
      for (let j = 0; j < size; j += 1)
        sum += one[i]! * other[j]! * known.covariance[i * size + j]!;
    return sum;
  };
  return {
    mean: rows.map((row) => combinationOf(known, row).mean),
    covariance: rows.map((row) => rows.map((other) => among(row, other))),
  };
}

/** Mean and variance of row · x. */
export function combinationOf(
  { mean, covariance }: JointNormal,
  row: ArrayLike<number>,
): { readonly mean: number; readonly variance: number } {
  const size = mean.length;
  let [m, v] = [0, 0];
  for (let i = 0; i < size; i += 1) {
    m += row[i]! * mean[i]!;
    for (let j = 0; j < size; j += 1) v += row[i]! * row[j]! * covariance[i * size + j]!;
  }
  return { mean: m, variance: Math.max(0, v) };
}

/**
 * What is known of x once y = row · x + e, e ~ N(0, variance), was seen: the conjugate update of one
 * observation (Kalman's, without a step in time), and how likely y was before it was seen.
 *
 * @param variance above 0
 */
export function updatedBy(
  known: JointNormal,
  row: ArrayLike<number>,
  y: number,
  variance: number,
): { readonly known: JointNormal; readonly logEvidence: number } {
  const size = known.mean.length;
  const seen = combinationOf(known, row);
  const spread = seen.variance + variance;
  const off = y - seen.mean;
  const pull = new Float64Array(size);
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < size; j += 1) pull[i]! += known.covariance[i * size + j]! * row[j]!;
  const mean = new Float64Array(size);
  const covariance = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1) {
    const share = pull[i]! / spread;
    mean[i] = known.mean[i]! + share * off;
    for (let j = 0; j < size; j += 1)
      covariance[i * size + j] = known.covariance[i * size + j]! - share * pull[j]!;
  }
  return {
    known: { mean, covariance },
    logEvidence: -(Math.log(2 * Math.PI * spread) + (off * off) / spread) / 2,
  };
}
