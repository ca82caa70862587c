import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import type { CautionId } from '../craft/cautions.ts';
import type { StepId } from '../craft/steps.ts';
import { MOST_BOLT_DIFFERENCE_TURNS } from '../limits/bolt-limits.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { type SafetyStop, stopsOf } from '../limits/stops.ts';
import type { BowState } from '../log/bow-state.ts';
import { measureMove } from './bench-moves.ts';
import type { MakeSafeBecause } from './move-because.ts';
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
  return { ...moveFor(state, stop, status ?? null), stop };
}

function moveFor(state: BowState, stop: SafetyStop, status: StepStatus | null): Move {
  switch (stop.kind) {
    case 'braceOutside':
      return braceMove(state, stop, status);
    case 'boltBeyondTravel': {
      const back = stop.outTurns < 0 ? stop.outTurns : stop.outTurns - stop.travelTurns;
      const control = stop.bolt === 'top' ? 'topBolt' : 'bottomBolt';
      return turnBack(state, stop, { control, amount: awayFromZero(back, control) });
    }
    case 'boltsTooFarApart': {
      const apart = stop.topTurns - stop.bottomTurns;
      const control = apart > 0 ? 'topBolt' : 'bottomBolt';
      const over = Math.abs(apart) - MOST_BOLT_DIFFERENCE_TURNS;
      return turnBack(state, stop, { control, amount: awayFromZero(over, control) });
    }
    case 'twistsOutside': {
      const { twists, fewest, most } = stop;
      const amount = twists < fewest ? fewest - twists : most - twists;
      return turnBack(state, stop, { control: 'twists', amount });
    }
    case 'shaftTooShort':
      return otherArrow(stop, 'shaftLength');
    case 'arrowTooLight':
      return otherArrow(stop, 'dryFire');
  }
}

/** Read again when all readings speak against it; turned back where the bow can be; else another string. */
function braceMove(
  state: BowState,
  stop: Extract<SafetyStop, { kind: 'braceOutside' }>,
  status: StepStatus | null,
): Move {
  const look = makeSafe(stop, 'look');
  if (status === null) return look;
  if (stop.turnedSince) {
    const measure = measureMove({ ...status, missing: ['braceHeight'] });
    return measure === null ? look : { ...measure, key: look.key, caution: 'braceLimit' };
  }
  const move = readAgainMove(state, status) ?? setupMove(state, status, true);
  if (
    move === null ||
    (move.action.kind === 'change' && checkChanges(state, move.action.changes) !== null)
  )
    return otherString(stop);
  // How it is turned can hurt as well: a twist keeps its own caution.
  return move.action.kind === 'change' ? move : { ...move, caution: 'braceLimit' };
}

/** Back inside in the step of the control, or as far as one go and the other limits allow. */
function turnBack(
  state: BowState,
  stop: SafetyStop,
  { control, amount }: { readonly control: Control; readonly amount: number },
): Move {
  const { largest, step } = CONTROL_FACTS[control];
  for (let size = Math.min(largest, Math.abs(amount)); size >= step - 1e-9; size -= step) {
    const part = [{ control, amount: roundToStep(Math.sign(amount) * size, step) }];
    if (checkChanges(state, part) !== null) continue;
    return {
      ...makeSafe(stop, 'turnBack'),
      action: { kind: 'change', changes: part },
      place: PLACE[control] ?? 'bow',
    };
  }
  if (control === 'twists') return otherString(stop);
  return { ...makeSafe(stop, 'fitOut'), action: { kind: 'openStep', step: 'fitOut' } };
}

const PLACE: Partial<Record<Control, MovePlace>> = {
  topBolt: 'topLimb',
  bottomBolt: 'bottomLimb',
  twists: 'string',
};

function awayFromZero(amount: number, control: Control): number {
  const { step } = CONTROL_FACTS[control];
  return Math.sign(amount) * Math.ceil(Math.abs(amount) / step - 1e-9) * step;
}

function otherArrow(stop: SafetyStop, caution: CautionId): Move {
  return {
    ...makeSafe(stop, 'otherArrow'),
    action: { kind: 'fitItem', item: 'shaft' },
    caution,
    place: 'arrow',
  };
}

function otherString(stop: SafetyStop): Move {
  return { ...makeSafe(stop, 'otherString'), action: { kind: 'fitItem', item: 'string' } };
}

function makeSafe(stop: SafetyStop, by: MakeSafeBecause['by']): Move {
  const step = STEP_OF[stop.kind];
  return {
    ...plainMove(step, { topic: 'makeSafe', stop, by }),
    key: `stop:${stop.kind}`,
    caution: CAUTION[stop.kind],
    place: 'bow',
    action: { kind: 'openStep', step },
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
