import type { StringMaterial } from '../craft/fit-out.ts';
import type { BowState } from '../log/bow-state.ts';
import { type BowString, FIRST_STRING } from '../log/strings.ts';
import { countUse } from './use-counts.ts';

/** A string's time on one bow. */
interface StringStay {
  readonly bowId: string;
  readonly bowName: string;
  readonly shots: number;
  readonly stringOffs: number;
  /** It is on that bow now, as far as that bow's record says. */
  readonly isOn: boolean;
}

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
  readonly stays: readonly StringStay[];
}

/**
 * The id under which a string is known beyond its bow. What a bow came with is called the same on every
 * bow: elsewhere it goes by the bow.
 */
export function stringIdBeyond(bowId: string, stringId: string): string {
  return stringId === FIRST_STRING ? bowId : stringId;
}

/**
 * Every string of these bows with its own story: what it is, and how much it was shot on each. Its
 * twists are those of the bow it is on; where none has it, of the one that shot it most.
 */
export function workshopStrings(states: readonly BowState[]): readonly WorkshopString[] {
  const found = new Map<string, WorkshopString>();
  for (const state of states) {
    const { perString } = countUse(state);
    for (const string of state.strings.all) {
      const own = string.stringId;
      const stringId = stringIdBeyond(state.bowId, own);
      const isOn = own === state.strings.fitted.stringId;
      const use = perString.get(own) ?? { shots: 0, stringOffs: 0 };
      const stay = { bowId: state.bowId, bowName: state.bow.name, isOn, ...use };
      const known = found.get(stringId);
      found.set(stringId, {
        ...(known === undefined || isOn || string.shots > known.shots ? factsOf(string) : known),
        stringId,
        shots: Math.max(string.shots, known?.shots ?? 0),
        stays: [...(known?.stays ?? []), stay],
      });
    }
  }
  return [...found.values()];
}

function factsOf({ described, material, strands, lengthMm, twists }: BowString) {
  return {
    described,
    material,
    twists,
    ...(strands === undefined ? {} : { strands }),
    ...(lengthMm === undefined ? {} : { lengthMm }),
  };
}
