import { CONTROL_FACTS, type Control, movesWords } from '../craft/controls.ts';
import type { CautionId } from '../craft/cautions.ts';
import type { StepId } from '../craft/steps.ts';
import { MOST_BOLT_DIFFERENCE_TURNS } from '../limits/bolt-limits.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { stopWords } from '../words/limit-words.ts';
import { type SafetyStop, stopsOf } from '../limits/stops.ts';
import type { BowState } from '../log/bow-state.ts';
import { measureMove } from './bench-moves.ts';
import type { Move, MovePlace } from './move.ts';
import { roundToStep } from './move.ts';
import { plainMove } from './plain-move.ts';
import { readAgainMove } from './read-again-move.ts';
import { setupMove } from './setup-moves.ts';
import type { StepStatus } from '../order/step-states.ts';

/** The step each stop belongs to. */
const STEP_OF: Readonly<Record<SafetyStop['kind'], StepId>> = {
  shaftTooShort: 'fitOut',
  boltBeyondTravel: 'drawWeight',
  boltsTooFarApart: 'drawWeight',
  twistsOutside: 'roughBrace',
  braceOutside: 'roughBrace',
  arrowTooLight: 'fitOut',
};

/** What makes the bow safe again, first things first; null when nothing stops it. */
export function stopMove(state: BowState, steps: readonly StepStatus[]): Move | null {
  const [stop] = stopsOf(state);
  if (stop === undefined) return null;
  const status = steps.find(({ step }) => step.id === STEP_OF[stop.kind]);
  return { ...moveFor(state, stop, status ?? null), stop: true };
}

function moveFor(state: BowState, stop: SafetyStop, status: StepStatus | null): Move {
  switch (stop.kind) {
    case 'braceOutside':
      return braceMove(state, stop, status);
    case 'boltBeyondTravel': {
      const back = stop.outTurns < 0 ? stop.outTurns : stop.outTurns - stop.travelTurns;
      const control = stop.bolt === 'top' ? 'topBolt' : 'bottomBolt';
      return turnBack(state, stop, [{ control, amount: awayFromZero(back, control) }]);
    }
    case 'boltsTooFarApart': {
      const apart = stop.topTurns - stop.bottomTurns;
      const control = apart > 0 ? 'topBolt' : 'bottomBolt';
      const over = Math.abs(apart) - MOST_BOLT_DIFFERENCE_TURNS;
      return turnBack(state, stop, [{ control, amount: awayFromZero(over, control) }]);
    }
    case 'twistsOutside': {
      const { twists, fewest, most } = stop;
      const amount = twists < fewest ? fewest - twists : most - twists;
      return turnBack(state, stop, [{ control: 'twists', amount }]);
    }
    case 'shaftTooShort':
      return fitAnother(state, stop, 'shaftLength');
    case 'arrowTooLight':
      return fitAnother(state, stop, 'dryFire');
  }
}

/** Read again when all readings speak against it; turned back where the bow can be; else another string. */
function braceMove(
  state: BowState,
  stop: Extract<SafetyStop, { kind: 'braceOutside' }>,
  status: StepStatus | null,
): Move {
  const words = base(state, stop);
  if (status === null) return words;
  if (stop.turnedSince) {
    const measure = measureMove(state, { ...status, missing: ['braceHeight'] });
    return measure === null
      ? words
      : { ...measure, key: words.key, title: words.title, why: words.why, caution: 'braceLimit' };
  }
  const move = readAgainMove(state, status) ?? setupMove(state, status, true);
  if (move === null || (move.action.kind === 'change' && !isAllowed(state, move.action.changes)))
    return {
      ...words,
      action: { kind: 'openStep', step: 'fitOut' },
      doneLabel: 'Fit another string',
    };
  if (move.action.kind !== 'change')
    return { ...move, reasons: [words.why, ...move.reasons], caution: 'braceLimit' };
  // How it is turned can hurt as well: a twist keeps its own caution, the why says not to shoot.
  return { ...move, why: words.why, reasons: [move.why, ...move.reasons] };
}

/** Back inside in the step of the control, or as far as one go and the other limits allow. */
function turnBack(
  state: BowState,
  stop: SafetyStop,
  changes: readonly { readonly control: Control; readonly amount: number }[],
): Move {
  const words = base(state, stop);
  const [first] = changes;
  if (first === undefined) return words;
  const { largest, step } = CONTROL_FACTS[first.control];
  for (let size = Math.min(largest, Math.abs(first.amount)); size >= step - 1e-9; size -= step) {
    const part = [{ ...first, amount: roundToStep(Math.sign(first.amount) * size, step) }];
    if (!isAllowed(state, part)) continue;
    return {
      ...words,
      title: movesWords(part),
      why: `${stopWords(stop, state).title}. ${words.why}`,
      action: { kind: 'change', changes: part },
      doneLabel: 'Done',
      place: PLACE[first.control] ?? 'bow',
      thenCheck:
        first.control === 'twists'
          ? 'Brace height, three readings.'
          : 'See that both limbs sit. Draw weight, brace, both tillers.',
    };
  }
  return {
    ...words,
    action: { kind: 'openStep', step: 'fitOut' },
    doneLabel: first.control === 'twists' ? 'Fit another string' : 'Look at the fit-out',
  };
}

const PLACE: Partial<Record<Control, MovePlace>> = {
  topBolt: 'topLimb',
  bottomBolt: 'bottomLimb',
  twists: 'string',
};

function isAllowed(
  state: BowState,
  changes: readonly { readonly control: Control; readonly amount: number }[],
): boolean {
  return checkChanges(state, changes) === null;
}

function awayFromZero(amount: number, control: Control): number {
  const { step } = CONTROL_FACTS[control];
  return Math.sign(amount) * Math.ceil(Math.abs(amount) / step - 1e-9) * step;
}

function fitAnother(state: BowState, stop: SafetyStop, caution: CautionId): Move {
  return {
    ...base(state, stop),
    caution,
    place: 'arrow',
    action: { kind: 'openStep', step: 'fitOut' },
    doneLabel: 'Fit another',
    thenCheck: 'Someone watches the point at full draw before the next shot.',
  };
}

function base(state: BowState, stop: SafetyStop): Move {
  const { title, says, remedy } = stopWords(stop, state);
  return {
    ...plainMove(STEP_OF[stop.kind], title),
    key: `stop:${stop.kind}`,
    why: `${says} ${remedy}`,
    wouldChange: 'A correction of what was written down, if it was written down wrongly.',
    caution: CAUTION[stop.kind],
    place: 'bow',
    action: { kind: 'openStep', step: STEP_OF[stop.kind] },
    doneLabel: 'Look at it',
  };
}

const CAUTION: Readonly<Record<SafetyStop['kind'], CautionId>> = {
  shaftTooShort: 'shaftLength',
  boltBeyondTravel: 'bolts',
  boltsTooFarApart: 'bolts',
  twistsOutside: 'unstring',
  braceOutside: 'braceLimit',
  arrowTooLight: 'dryFire',
};
