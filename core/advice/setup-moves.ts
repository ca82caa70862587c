import type { Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { SetupMiss } from './move-because.ts';
import type { Move, MovePlace } from './move.ts';
import { countTwistsMove } from './count-moves.ts';
import { plainMove } from './plain-move.ts';
import { planSetup, type SetupOption, type SetupPlan } from '../setup/plan-setup.ts';
import { isWorthMoving, setupDecision } from '../setup/setup-decision.ts';
import type { SetupGoal } from '../setup/setup-goals.ts';
import { beyondBand, presentTargetValue, type StepStatus } from '../order/step-states.ts';
import { twistRange } from '../limits/twist-limits.ts';

/**
 * The whole move that brings draw weight, brace and tiller into their bands together: one
 * string-off, with what it should do and the next best. Null when they are in band, or as near as
 * this string and these bolts can bring them.
 *
 * @param isStopped a limit is passed: something has to be turned however little it betters the rest
 */
export function setupMove(state: BowState, status: StepStatus, isStopped = false): Move | null {
  const plan = planSetup(state);
  const decision = setupDecision(plan);
  if (decision.kind === 'inBand' && !isStopped) return null;
  if (decision.kind === 'outOfReach' || plan.best === null) return cannotReach(state, status);
  const option = decision.kind === 'move' ? decision.option : plan.best;
  return moveOf(state, status, plan, option);
}

function moveOf(state: BowState, status: StepStatus, plan: SetupPlan, option: SetupOption): Move {
  const { changes } = option;
  // The next best is held to what the best is.
  const runnerUp =
    plan.runnerUp !== null && isWorthMoving(plan.runnerUp, plan.chanceNow) ? plan.runnerUp : null;
  const missed = plan.goals.map((goal) => missOf(state, goal)).filter((one) => one !== null);
  return {
    ...plainMove(status.step.id, { topic: 'setup', status, plan, option, missed }),
    key: `setup:${changes.map(({ control }) => control).join()}`,
    caution: changes.some(({ control }) => control !== 'twists') ? 'bolts' : 'unstring',
    place: placeOf(changes[0]?.control),
    action: { kind: 'change', changes },
    runnerUp:
      runnerUp === null
        ? null
        : { changes: runnerUp.changes, because: { topic: 'setup', option: runnerUp } },
  };
}

function placeOf(control: Control | undefined): MovePlace {
  if (control === 'topBolt') return 'topLimb';
  return control === 'bottomBolt' ? 'bottomLimb' : 'string';
}

/** Where a goal stands that is out of its band; null for one in band. */
function missOf(state: BowState, goal: SetupGoal): SetupMiss | null {
  const value = presentTargetValue(state, goal.id);
  return value === null || beyondBand(value, goal) === 0 ? null : { goal, value };
}

/** Nothing this string and these bolts can do brings it in: say what would. */
function cannotReach(state: BowState, status: StepStatus): Move | null {
  const value = presentTargetValue(state, 'braceHeight');
  const brace = planSetup(state).goals.find(({ id }) => id === 'braceHeight');
  const outBrace = value !== null && brace !== undefined && beyondBand(value, brace) !== 0;
  if (!outBrace)
    return {
      ...plainMove(status.step.id, { topic: 'outOfReach', status }),
      key: `cannot:${status.step.id}`,
      caution: 'bolts',
      place: 'topLimb',
    };
  const count = countTwistsMove(state, status);
  if (count !== null) return count;
  return {
    ...plainMove(status.step.id, {
      topic: 'otherString',
      status,
      shorter: value < brace.low,
      twists: twistRange(state.bow),
    }),
    key: 'otherString',
    caution: 'unstring',
    place: 'string',
    action: { kind: 'fitItem', item: 'string' },
  };
}
