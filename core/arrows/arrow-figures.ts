import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { placedParts } from './build-parts.ts';

/** What an arrow weighs and where it balances. */
export interface ArrowFigures {
  readonly massG: number;
  /** From the throat of the nock. */
  readonly balanceMm: number;
  /** Front of centre: how far the balance lies in front of the middle, in per cent of the length. */
  readonly focPercent: number;
}

/**
 * Mass, balance and FOC of a build. Balance by moments about the throat of the nock; FOC = 100 (balance /
 * length − 1/2), the length from the throat to the end of the shaft.
 */
export function arrowFigures(build: ArrowBuild): ArrowFigures {
  const parts = placedParts(build);
  const massG = parts.reduce((sum, part) => sum + part.massG, 0);
  const momentGMm = parts.reduce((sum, part) => sum + part.massG * part.centreMm, 0);
  const balanceMm = momentGMm / massG;
  return { massG, balanceMm, focPercent: 100 * (balanceMm / build.shaft.lengthMm - 0.5) };
}

/**
 * Grains of arrow for each pound on the fingers.
 *
 * @param massG of the whole arrow, above 0
 * @param weightN draw weight on this archer's fingers, above 0
 */
export function grainsPerPound(massG: number, weightN: number): number {
  return massG / G_PER_GR / (weightN / N_PER_LBF);
}

/** Energy and momentum of an arrow that leaves the bow at a speed, SI. */
export function arrowInFlight(
  massG: number,
  speedMps: number,
): { readonly energyJ: number; readonly momentumKgMps: number } {
  const massKg = massG / 1000;
  return { energyJ: (massKg * speedMps ** 2) / 2, momentumKgMps: massKg * speedMps };
}
