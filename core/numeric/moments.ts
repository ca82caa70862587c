/** Arithmetic mean. @throws RangeError for an empty list */
export function meanOf(values: readonly number[]): number {
  if (!(values.length > 0)) throw new RangeError('meanOf: no values');
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) sum += values[i]!;
  return sum / values.length;
}

/** Sum of squares about the mean, by two passes: no cancellation far from zero. */
export function squaresAboutMean(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const mean = meanOf(values);
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) sum += (values[i]! - mean) ** 2;
  return sum;
}

/** Sample standard deviation, n − 1 convention. @throws RangeError below two values */
export function sampleSd(values: readonly number[]): number {
  if (!(values.length > 1))
    throw new RangeError(`sampleSd: needs two values, has ${values.length}`);
  return Math.sqrt(squaresAboutMean(values) / (values.length - 1));
}

/** The middle value, or the mean of the two middle ones. @throws RangeError for an empty list */
export function medianOf(values: ArrayLike<number>): number {
  if (!(values.length > 0)) throw new RangeError('medianOf: no values');
  const sorted = Float64Array.from(values).sort();
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** How many values, their mean, and their squares about it. */
export interface Moments {
  readonly count: number;
  readonly mean: number;
  readonly squares: number;
}

/** Of no values the mean is 0. */
export function momentsOf(values: readonly number[]): Moments {
  return {
    count: values.length,
    mean: values.length === 0 ? 0 : meanOf(values),
    squares: squaresAboutMean(values),
  };
}

/** The moments with one value more (Welford's update): no list is kept. */
export function withOne({ count, mean, squares }: Moments, value: number): Moments {
  const step = value - mean;
  const newMean = mean + step / (count + 1);
  return { count: count + 1, mean: newMean, squares: squares + step * (value - newMean) };
}
