import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { READINGS } from '../craft/readings.ts';
import { squaresAboutMean } from '../numeric/moments.ts';
import type { Measured } from '../record/fold.ts';

/** How many replicates’ worth the typical repeatability counts for, until this person’s is learned. */
const TYPICAL_DEGREES = 6;

/** Standard deviation of one reading: the typical figure pooled with this reading's own spread. */
function readingSd(measured: Measured): number {
  const { typicalSd } = READINGS[measured.reading];
  const squares = TYPICAL_DEGREES * typicalSd ** 2 + squaresAboutMean(measured.values);
  return Math.sqrt(squares / (TYPICAL_DEGREES + measured.n - 1));
}

/**
 * Half the 90 % interval of the mean of a reading’s replicates, stored unit:
 * t₀.₉₅(ν) · s / √n with s pooled from the typical figure (6 degrees) and the replicates.
 */
export function readingHalfWidth(measured: Measured): number {
  const degrees = TYPICAL_DEGREES + measured.n - 1;
  return (tQuantile(0.95, degrees) * readingSd(measured)) / Math.sqrt(measured.n);
}
