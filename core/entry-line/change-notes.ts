import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { stepFacets } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { stepStates } from '../order/step-states.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import type { BowState } from '../log/bow-state.ts';

/** What holds now and will have to be checked again. */
export function staleNote(state: BowState, control: Control): readonly string[] {
  const upset: Upset = { kind: 'change', index: 0, control, amount: 1, moveControls: [control] };
  const names = stepStates(state)
    .filter((status) => status.state === 'holds')
    .filter(({ step }) => stepFacets(step.id).some((facet) => upsets(upset, facet)))
    .map(({ step }) => lowerFirst(step.name));
  return names.length === 0 ? [] : [`Turns stale: ${names.join(', ')}.`];
}

/** Two controls moved since the last shots make the comparison with them void for both. */
export function secondControlNote(state: BowState, control: Control): readonly string[] {
  const lastShot = state.sessions.flatMap(({ shots }) => shots).at(-1);
  if (lastShot === undefined) return [];
  const other = state.changes.find(
    (one) =>
      one.index > lastShot.index && one.control !== control && !isSameMove(one.control, control),
  );
  if (other === undefined) return [];
  const name = lowerFirst(CONTROL_FACTS[other.control].name);
  return [
    `Second control since the last shots, after ${name}: what they show next will not tell one from the other. Shoot between the two to keep them apart.`,
  ];
}

/** Top and bottom bolt turned together are one control to the archer. */
function isSameMove(one: Control, other: Control): boolean {
  const bolts: readonly Control[] = ['topBolt', 'bottomBolt'];
  return bolts.includes(one) && bolts.includes(other);
}
