import { changeWords, CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { stepFacets } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { stepStates } from '../work/step-states.ts';
import { lowerFirst, upperFirst } from '../craft/letter-case.ts';
import { learnedGains, readingAfter } from '../gains/learned-gains.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import { showLength } from '../quantity/show.ts';
import type { BodyOf } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';
import { boltTravel, targetFor } from '../work/targets.ts';
import type { EntryLine } from './entry-line.ts';

/**
 * What is asked before a change is logged: a bolt turned out while the maker's travel is unknown,
 * twists that should carry the brace past its limits. Null when nothing needs asking.
 */
export function askFirst(
  state: BowState,
  control: Control,
  amount: number,
  text: string,
  body: BodyOf<'change'>,
): EntryLine | null {
  if ((control === 'topBolt' || control === 'bottomBolt') && amount < 0) {
    return boltQuestion(state, control, amount, text, body);
  }
  return control === 'twists' ? braceQuestion(state, amount, text, body) : null;
}

function boltQuestion(
  state: BowState,
  control: Control,
  amount: number,
  text: string,
  body: BodyOf<'change'>,
): EntryLine | null {
  if (!boltTravel(state.bow).guessed) return null;
  return {
    kind: 'question',
    asks: `${upperFirst(changeWords(control, amount))}, and the maker’s travel is unknown. Is as much thread as the bolt is thick still in the riser, and does the limb sit firm by hand?`,
    choices: [{ label: 'Yes to both: log it', text, bodies: [body] }],
  };
}

function braceQuestion(
  state: BowState,
  amount: number,
  text: string,
  body: BodyOf<'change'>,
): EntryLine | null {
  const limit = targetFor(state, 'braceHeight')?.limit;
  if (limit == null || !state.readings.has('braceHeight')) return null;
  const after = readingAfter(learnedGains(state), 'braceHeight', new Map([['twists', amount]]));
  if (after === null) return null;
  const brace = mixtureMean(after);
  if (brace >= limit.low && brace <= limit.high) return null;
  const whose =
    limit.source === 'maker'
      ? 'the maker’s range'
      : 'the limits used while the maker’s are unknown';
  return {
    kind: 'question',
    asks: `That should bring the brace to about ${showLength(brace, state.bow)}, outside ${whose}. Has it been done already?`,
    choices: [{ label: 'It is done: log it, then measure', text, bodies: [body] }],
  };
}

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
