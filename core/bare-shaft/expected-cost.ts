import cdf from '@stdlib/stats-base-dists-normal-cdf';
import type { StudentMixture } from '../numeric/student-mixture.ts';
import { studentMixtureMean } from '../numeric/student-mixture.ts';
import type { Outlook } from './bare-shaft-outlook.ts';

/** What one move with its ends takes away, in the mean, of an offset far outside, mm at 18 m. */
const STRIDE_MM = 40;

/**
 * What it is still expected to cost to bring an axis inside, in moves: one while it is outside, and one
 * more for every stride beyond the tolerance. It falls smoothly however far off the bow is, so that a
 * step too short to arrive is worth what it brings nearer.
 */
export function costToEnd({ mixture, toleranceMm, odds }: Outlook): number {
  const excessMm = expectedExcess(mixture, toleranceMm);
  return 1 - odds.inside + excessMm / STRIDE_MM;
}

/** E of how far |x| lies beyond the tolerance, by the normal distribution of the same mean and spread. */
function expectedExcess(mixture: StudentMixture, toleranceMm: number): number {
  const mean = studentMixtureMean(mixture);
  const sd = spreadOf(mixture, mean);
  return tail(mean - toleranceMm, sd) + tail(-mean - toleranceMm, sd);
}

/** E of the positive part of a normal variable. */
function tail(mean: number, sd: number): number {
  if (sd < 1e-9) return Math.max(0, mean);
  const z = mean / sd;
  return sd * (Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI)) + mean * cdf(z, 0, 1);
}

/** Few degrees have no finite spread: their scale stands for it, a little widened. */
function spreadOf(mixture: StudentMixture, mean: number): number {
  const variance = mixture.reduce((sum, part) => {
    const widened = part.degrees > 3 ? part.degrees / (part.degrees - 2) : 3;
    return sum + part.weight * (widened * part.scale ** 2 + (part.mean - mean) ** 2);
  }, 0);
  return Math.sqrt(variance);
}
