import {
  BRACE_REFERENCE_LABEL,
  BRACE_REFERENCES,
  HAND_LABEL,
  HANDS,
  HOOK_LABEL,
  HOOKS,
  PURPOSE_LABEL,
  PURPOSES,
} from '#core/craft/bow-terms.ts';
import { ITEM_TOUCHES } from '#core/craft/fit-out.ts';
import { lowerFirst } from '#core/craft/letter-case.ts';
import { STEPS, stepFacets } from '#core/craft/steps.ts';
import { purposeToleranceMm } from '#core/priors/starting-values.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { BodyOf } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { stepStates } from '#core/order/step-states.ts';

/** A fact of the bow that can be chosen anew, with what it is now. */
export type ChosenFact = 'hand' | 'hook' | 'purpose' | 'braceReference';

/** One way to correct a fact: what it says on its button, what follows from it, and the entry. */
export interface Correction {
  readonly label: string;
  /** What turns stale or is mirrored, said before it is stored. */
  readonly follows: string;
  readonly facts: BodyOf<'factsSet'>['facts'];
}

export const FACT_LABEL: Readonly<Record<ChosenFact, string>> = {
  hand: 'Hand',
  hook: 'Hook',
  purpose: 'Purpose',
  braceReference: 'Brace is read',
};

/** What a fact says now. */
export function factNow(fact: ChosenFact, { bow }: BowState): string {
  switch (fact) {
    case 'hand':
      return HAND_LABEL[bow.hand];
    case 'hook':
      return HOOK_LABEL[bow.hook];
    case 'purpose':
      return PURPOSE_LABEL[bow.purpose];
    case 'braceReference':
      return BRACE_REFERENCE_LABEL[bow.braceReference];
  }
}

/** Every other value a fact may have, with what choosing it does. */
export function correctionsOf(fact: ChosenFact, state: BowState): readonly Correction[] {
  const { bow } = state;
  switch (fact) {
    case 'hand':
      return HANDS.filter((hand) => hand !== bow.hand).map((hand) => ({
        label: HAND_LABEL[hand],
        follows: mirroredWords(state),
        facts: { hand },
      }));
    case 'hook':
      return HOOKS.filter((hook) => hook !== bow.hook).map((hook) => ({
        label: HOOK_LABEL[hook],
        follows: `${staleWords(state)} The draw length is another with it: the longest one has to be read again before anything is cut.`,
        facts: { hook },
      }));
    case 'purpose':
      return PURPOSES.filter((purpose) => purpose !== bow.purpose).map((purpose) => ({
        label: PURPOSE_LABEL[purpose],
        follows: `Good enough is ± ${showNumber(purposeToleranceMm(purpose) / 10, 0)} cm at 18 m from the next session on; sessions that are open keep theirs.${purpose === 'hunting' ? ' Shafts are kept 40 mm in front of the riser, for broadheads.' : ''}`,
        facts: { purpose },
      }));
    case 'braceReference':
      return BRACE_REFERENCES.filter((one) => one !== bow.braceReference).flatMap(
        (braceReference) => {
          const label = BRACE_REFERENCE_LABEL[braceReference];
          const stay: Correction = {
            label: `It always was ${label}`,
            follows: 'Every figure stays as it was read; only its name changes.',
            facts: { braceReference, braceFigures: 'stay' },
          };
          const { throatToPlungerMm } = bow;
          if (throatToPlungerMm === undefined) return [stay];
          return [
            stay,
            {
              label: `${label} from now on`,
              follows: `Readings, bands and the maker’s range are moved by ${showNumber(Math.abs(throatToPlungerMm), 1)} mm, this bow’s own distance.`,
              facts: { braceReference, braceFigures: 'convert' },
            },
          ];
        },
      );
  }
}

function mirroredWords(state: BowState): string {
  const shots = state.sessions.reduce((sum, session) => sum + session.shots.length, 0);
  const plotted =
    shots === 0
      ? 'Nothing has been plotted yet'
      : `${shots} plotted ${shots === 1 ? 'shot is' : 'shots are'} mirrored, paper and landing with them`;
  return `${plotted}: left and right were written down for the other hand. Readings typed as outward or inward stay.`;
}

/** Steps that hold now and will have to be looked at again. */
function staleWords(state: BowState): string {
  const held = stepStates(state)
    .filter(({ state: how }) => how === 'holds')
    .map(({ step }) => step.id);
  const names = STEPS.filter(
    ({ id }) => held.includes(id) && stepFacets(id).some((one) => ITEM_TOUCHES.hook.includes(one)),
  ).map(({ name }) => lowerFirst(name));
  return names.length === 0
    ? 'No step that holds turns stale.'
    : `Turns stale: ${names.join(', ')}.`;
}
