import { presentWeightN } from '../gains/present-weight.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';

/** Grains of arrow per pound of draw weight on the fingers, where the maker gives no least mass. */
const GRAINS_PER_POUND = { caution: 8, proposed: 6, dryShot: 5 } as const;

/**
 * The lightest arrow that may be proposed, the one below which a shot is a dry shot, and the one below
 * which it is hard on the bow, g.
 */
export interface LeastArrow {
  readonly cautionG: number;
  readonly proposedG: number;
  readonly dryShotG: number;
  readonly source: 'maker' | 'rule of thumb';
}

/** Null while neither a scale nor a mark says what the bow draws, and the maker gives no mass. */
export function leastArrow(state: BowState): LeastArrow | null {
  const { leastArrowMassG } = state.bow.maker;
  const weightN = presentWeightN(state);
  const byWeight = (grainsPerPound: number) =>
    weightN === null ? 0 : (grainsPerPound * G_PER_GR * weightN) / N_PER_LBF;
  if (leastArrowMassG !== undefined)
    return {
      cautionG: Math.max(leastArrowMassG, byWeight(GRAINS_PER_POUND.caution)),
      proposedG: Math.max(leastArrowMassG, byWeight(GRAINS_PER_POUND.dryShot)),
      dryShotG: Math.max(leastArrowMassG, byWeight(GRAINS_PER_POUND.dryShot)),
      source: 'maker',
    };
  if (weightN === null) return null;
  return {
    cautionG: byWeight(GRAINS_PER_POUND.caution),
    proposedG: byWeight(GRAINS_PER_POUND.proposed),
    dryShotG: byWeight(GRAINS_PER_POUND.dryShot),
    source: 'rule of thumb',
  };
}
