import type { StringMaterial } from '../craft/fit-out.ts';
import type { BowState } from '../log/bow-state.ts';
import { type BowString, FIRST_STRING } from '../log/strings.ts';
import { gatherStays, type Stay } from './stays.ts';
import { countUse } from './use-counts.ts';

/** A string of the workshop, whichever bows it was on. */
export interface WorkshopString {
  readonly stringId: string;
  readonly described: string;
  readonly material: StringMaterial;
  readonly strands?: number | undefined;
  readonly lengthMm?: number | undefined;
  readonly twists: number | null;
  /** In all, those before any record knew it included. */
  readonly shots: number;
  readonly stays: readonly Stay[];
}

/**
 * The id under which a string is known beyond its bow. What a bow came with is called the same on every
 * bow: elsewhere it goes by the bow.
 */
export function stringIdBeyond(bowId: string, stringId: string): string {
  return stringId === FIRST_STRING ? bowId : stringId;
}

/** Every string of these bows with its own story: what it is, and how much it was shot on each. */
export function workshopStrings(states: readonly BowState[]): readonly WorkshopString[] {
  return gatherStays(states, (state) => {
    const { perString } = countUse(state);
    const { fitted, all } = state.strings;
    return all.map((string) => {
      const id = stringIdBeyond(state.bowId, string.stringId);
      return {
        id,
        facts: { ...factsOf(string), stringId: id },
        isOn: string.stringId === fitted.stringId,
        use: perString.get(string.stringId),
      };
    });
  });
}

function factsOf({ described, material, strands, lengthMm, twists, shots }: BowString) {
  return {
    described,
    material,
    twists,
    shots,
    ...(strands === undefined ? {} : { strands }),
    ...(lengthMm === undefined ? {} : { lengthMm }),
  };
}
