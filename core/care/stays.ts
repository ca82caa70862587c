import type { BowState } from '../log/bow-state.ts';
import type { UseCounts } from './use-counts.ts';

/** A part's time on one bow. */
export interface Stay {
  readonly bowId: string;
  readonly bowName: string;
  readonly shots: number;
  readonly stringOffs: number;
  /** It is on that bow now, as far as that bow's record says. */
  readonly isOn: boolean;
}

/** A part as one bow's record has it. */
interface PartOfBow<Facts> {
  /** Its id beyond this bow. */
  readonly id: string;
  readonly facts: Facts & { readonly shots: number };
  readonly isOn: boolean;
  readonly use: UseCounts | undefined;
}

/**
 * Gathers parts that move between bows: each once, with its time on every bow. Its shots are the most
 * any bow knows; its facts those of the bow it is on, where none has it of the one that shot it most.
 */
export function gatherStays<Facts>(
  states: readonly BowState[],
  partsOf: (state: BowState) => readonly PartOfBow<Facts>[],
): readonly (Facts & { readonly shots: number; readonly stays: readonly Stay[] })[] {
  const found = new Map<string, Facts & { shots: number; stays: readonly Stay[] }>();
  for (const state of states)
    for (const { id, facts, isOn, use } of partsOf(state)) {
      const known = found.get(id);
      const { shots, stringOffs } = use ?? { shots: 0, stringOffs: 0 };
      const stay = { bowId: state.bowId, bowName: state.bow.name, shots, stringOffs, isOn };
      found.set(id, {
        ...(known === undefined || isOn || facts.shots > known.shots ? facts : known),
        shots: Math.max(facts.shots, known?.shots ?? 0),
        stays: [...(known?.stays ?? []), stay],
      });
    }
  return [...found.values()];
}
