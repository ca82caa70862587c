import { type Control, CONTROL_FACTS, movesWords } from '../craft/controls.ts';
import { stepWords } from '../words/step-words.ts';
import { upperFirst } from '../craft/letter-case.ts';
import type { ReadingKind } from '../craft/readings.ts';
import {
  showLength,
  showLengthFigure,
  showNumber,
  showSigned,
  showWeight,
} from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';
import { gainWords } from '../words/gain-words.ts';
import type { Move, MovePlace, OtherMove } from './move.ts';
import { planSetup, type SetupOption, type SetupPlan } from '../setup/plan-setup.ts';
import { setupDecision } from '../setup/setup-decision.ts';
import type { SetupGoal } from '../setup/setup-goals.ts';
import { showPlusMinus } from '../words/show-plus-minus.ts';
import { beyondBand, presentTargetValue, type StepStatus } from '../order/step-states.ts';
import { boltTravel } from '../limits/bolt-limits.ts';
import { twistRange } from '../limits/twist-limits.ts';

/** Which gain stands behind each control of a set-up move. */
const SHOWN_GAINS: readonly (readonly [Control, ReadingKind])[] = [
  ['twists', 'braceHeight'],
  ['topBolt', 'tillerTop'],
  ['bottomBolt', 'tillerBottom'],
  ['topBolt', 'drawWeight'],
];

/**
 * The whole move that brings draw weight, brace and tiller into their bands together: one
 * string-off, with what it should do and the next best. Null when they are in band, or as near as
 * this string and these bolts can bring them.
 *
 * @param stop a limit is passed: something has to be turned however little it betters the rest
 */
export function setupMove(state: BowState, status: StepStatus, stop = false): Move | null {
  const plan = planSetup(state);
  const decision = setupDecision(plan);
  if (decision.kind === 'inBand' && !stop) return null;
  if (decision.kind === 'outOfReach' || plan.best === null) return cannotReach(state, status, stop);
  const option = decision.kind === 'move' ? decision.option : plan.best;
  return moveOf(state, status, plan, option, stop);
}

function moveOf(
  state: BowState,
  status: StepStatus,
  plan: SetupPlan,
  option: SetupOption,
  stop: boolean,
): Move {
  const { changes } = option;
  const bolts = changes.some(({ control }) => control !== 'twists');
  const problems = plan.goals
    .map((goal) => problemWords(state, goal))
    .filter((one) => one !== null);
  const gains = SHOWN_GAINS.filter(([control]) => changes.some((one) => one.control === control))
    .map(([control, kind]) => gainWords(state, kind, control))
    .filter((words) => words !== null);
  const travel = boltTravel(state.bow);
  const percent = showNumber(100 * Math.min(0.99, option.chance), 0);
  return {
    key: `setup:${changes.map(({ control }) => control).join()}`,
    step: status.step.id,
    title: movesWords(changes),
    expect: `Expect ${expectWords(state, option)}`,
    why: `${problems.join(' ')} ${changes.length > 1 ? 'All in one unstringing.' : ''}`.trim(),
    reasons: [
      ...gains.map((words) => `${upperFirst(words)}.`),
      `Chance that all are in band after it: ${percent} %; as it stands ${showNumber(100 * plan.chanceNow, 0)} %.`,
      ...(bolts
        ? [
            `Bolt travel ${showNumber(travel.turns, 1)} turns out${travel.guessed ? ', a guess: the maker’s figure wins' : ', the maker’s'}.`,
          ]
        : []),
      option.chance < 0.5
        ? 'The step is short because this bow’s own answer is not known yet; it teaches it.'
        : status.step.why,
    ],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    caution: bolts ? 'bolts' : 'unstring',
    thenCheck: bolts
      ? 'See that both limbs sit. Draw weight twice, brace three times, both tillers.'
      : 'Brace, three readings. Then draw weight, both tillers, nocking height.',
    place: placeOf(changes[0]?.control),
    action: { kind: 'change', changes },
    doneLabel: 'Done',
    runnerUp: plan.runnerUp === null ? null : otherOf(state, plan.runnerUp),
    likelyAfter: null,
    stop,
  };
}

function otherOf(state: BowState, option: SetupOption): OtherMove {
  return {
    title: movesWords(option.changes),
    expect: expectWords(state, option),
    changes: option.changes,
  };
}

function placeOf(control: Control | undefined): MovePlace {
  if (control === 'topBolt') return 'topLimb';
  return control === 'bottomBolt' ? 'bottomLimb' : 'string';
}

/** `brace 8 5/8 ± 1/32 in, tiller +4 ± 1 mm, weight 34.0 ± 0.3 lb`. */
function expectWords(state: BowState, option: SetupOption): string {
  const { bow } = state;
  return [...option.expected]
    .map(([id, { mean, plusMinus }]) => {
      switch (id) {
        case 'braceHeight':
          return `brace ${showLength(mean, bow)} ± ${showPlusMinus(plusMinus, bow)}`;
        case 'tiller':
          return `tiller ${showSigned(mean, 0)} ± ${showNumber(Math.max(1, plusMinus), 0)} mm`;
        case 'drawWeight':
          return `weight ${showNumber(fromStored(mean, 'lb'), 1)} ± ${showNumber(Math.max(0.1, fromStored(plusMinus, 'lb')), 1)} lb`;
      }
    })
    .join(', ');
}

/** `Brace stands 8 9/16 in, below band: 8 5/8 to 8 11/16 in (quiet).` Null for one in band. */
function problemWords(state: BowState, goal: SetupGoal): string | null {
  const value = presentTargetValue(state, goal.id);
  if (value === null || beyondBand(value, goal) === 0) return null;
  const { target } = goal;
  const way = value < goal.low ? 'below band' : 'above band';
  switch (goal.id) {
    case 'braceHeight':
      return `Brace stands ${showLength(value, state.bow)}, ${way}: ${showLengthFigure(target.low, state.bow)} to ${showLength(target.high, state.bow)} (${target.name}).`;
    case 'tiller':
      return `Tiller reads ${showSigned(value, 1)} mm, ${way}: ${showSigned(target.low, 0)} to ${showSigned(target.high, 0)} mm (${target.name}).`;
    case 'drawWeight':
      return `It draws ${showWeight(value)}, ${way}: ${showWeight(target.low)} to ${showWeight(target.high)} (${target.name}).`;
  }
}

/** Nothing this string and these bolts can do brings it in: say what would. */
function cannotReach(state: BowState, status: StepStatus, stop: boolean): Move | null {
  const value = presentTargetValue(state, 'braceHeight');
  const brace = planSetup(state).goals.find(({ id }) => id === 'braceHeight');
  const outBrace = value !== null && brace !== undefined && beyondBand(value, brace) !== 0;
  if (!outBrace) return technicianMove(status);
  const shorter = value < brace.low;
  const { fewest, most } = twistRange(state.bow);
  return {
    ...technicianMove(status),
    key: 'otherString',
    title: shorter ? 'A shorter string' : 'A longer string',
    why: `Brace is ${stepWords(status)}, and this string may hold only ${fewest} to ${most} twists.`,
    reasons: [
      shorter ? 'More twists would strain the string.' : 'With fewer twists the strands separate.',
    ],
    wouldChange: 'A fresh count of the twists.',
    caution: 'unstring',
    thenCheck: 'With the new string everything from nock fit on is checked again.',
    place: 'string',
    action: { kind: 'openStep', step: 'fitOut' },
    doneLabel: 'Fit another string',
    stop,
  };
}

function technicianMove(status: StepStatus): Move {
  return {
    key: `cannot:${status.step.id}`,
    step: status.step.id,
    title: `${status.step.name}: out of reach`,
    expect: null,
    why: `${status.step.name} is ${stepWords(status)}, and what the bolts may turn does not bring it in.`,
    reasons: [
      `Bolts stay inside their travel and within ${CONTROL_FACTS.topBolt.largest} turns of each other.`,
    ],
    wouldChange: 'The maker’s bolt travel, a wider band with its reason, or a fresh reading.',
    caution: 'bolts',
    thenCheck: 'Ask a bow technician, or set the band this bow can reach.',
    place: 'topLimb',
    action: { kind: 'nothing' },
    doneLabel: 'Understood',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
