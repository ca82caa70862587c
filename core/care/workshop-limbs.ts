import type { BowState } from '../log/bow-state.ts';
import { FIRST_LIMBS } from '../log/limbs.ts';
import { gatherStays, type Stay } from './stays.ts';
import { countUse } from './use-counts.ts';

/** A pair of limbs of the workshop, whichever bows they were on. */
export interface WorkshopLimbs {
  readonly limbsId: string;
  readonly described: string;
  /** In all, those before any record knew them included. */
  readonly shots: number;
  readonly stays: readonly Stay[];
}

/** The id under which limbs are known beyond their bow; what a bow came with goes by the bow. */
export function limbsIdBeyond(bowId: string, limbsId: string): string {
  return limbsId === FIRST_LIMBS ? bowId : limbsId;
}

/** Every pair of limbs of these bows with its own story: how much it was shot on each. */
export function workshopLimbs(states: readonly BowState[]): readonly WorkshopLimbs[] {
  return gatherStays(states, (state) => {
    const { perLimbs } = countUse(state);
    const { fitted, all } = state.limbs;
    return all.map(({ limbsId, described, shots }) => {
      const id = limbsIdBeyond(state.bowId, limbsId);
      const named = limbsId === FIRST_LIMBS ? `the limbs ${state.bow.name} came with` : described;
      return {
        id,
        facts: { limbsId: id, described: named, shots },
        isOn: limbsId === fitted.limbsId,
        use: perLimbs.get(limbsId),
      };
    });
  });
}
