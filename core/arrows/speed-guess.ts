import { BOW_ENERGY } from '../priors/bow-energy.ts';
import { N_PER_LBF } from '../quantity/units.ts';

/** Exact: pound-force times foot. */
const J_PER_FT_LBF = N_PER_LBF * 0.3048;

/**
 * How fast an arrow leaves a bow, guessed from the weight alone: v = √(2 E / (m + K)), E in proportion to
 * the weight on the fingers, K the mass that moves with the arrow.
 *
 * @param massG of the whole arrow, above 0
 * @param weightN draw weight on this archer's fingers, above 0
 */
export function speedGuess(
  massG: number,
  weightN: number,
): { readonly speedMps: number; readonly sdMps: number } {
  const energyJ = BOW_ENERGY.ftLbfPerPound * (weightN / N_PER_LBF) * J_PER_FT_LBF;
  const movingKg = (massG + BOW_ENERGY.virtualMassG) / 1000;
  const speedMps = Math.sqrt((2 * energyJ) / movingKg);
  return { speedMps, sdMps: BOW_ENERGY.speedSdShare * speedMps };
}
