import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { READINGS } from '../craft/readings.ts';
import { presentReading, presentWeightN } from '../gains/present-reading.ts';
import { priorGain } from '../gains/prior-gains.ts';
import { showNumber, showSigned, showWeight } from '../quantity/show.ts';
import type { BowState } from '../record/fold.ts';
import { boltsOutNow, MOST_BOLT_DIFFERENCE_TURNS } from './bolts.ts';
import { changeMove } from './change-move.ts';
import { clamp, type Move, nearestInside, roundToStep } from './move.ts';
import { presentTargetValue, type StepStatus } from './step-states.ts';
import { boltTravel, targetFor } from './targets.ts';

/** Opposite turns of both bolts that bring tiller into its band at constant weight. */
export function tillerMove(state: BowState, status: StepStatus): Move | null {
  const value = presentTargetValue(state, 'tiller');
  const target = targetFor(state, 'tiller');
  if (value === null || target === null) return null;
  const weightN = presentWeightN(state);
  const perTurn =
    priorGain('tillerTop', 'topBolt', weightN).mean -
    priorGain('tillerBottom', 'topBolt', weightN).mean;
  const wanted = nearestInside(value, target, READINGS.tillerTop.tolerance) - value;
  const { step } = CONTROL_FACTS.topBolt;
  const room = oppositeTurnRoom(state);
  const top = clamp(
    roundToStep(wanted / perTurn / 2, step),
    -Math.floor(room.out / step + 1e-9) * step,
    Math.floor(room.in / step + 1e-9) * step,
  );
  if (top === 0) return null;
  const amounts = new Map<Control, number>([
    ['topBolt', top],
    ['bottomBolt', -top],
  ]);
  return changeMove(state, status, amounts, 'topLimb', {
    reading: 'tiller',
    problem: `Tiller reads ${showSigned(value, 1)} mm, ${status.words}: ${showSigned(target.low, 0)} to ${showSigned(target.high, 0)} mm (${target.name}).`,
    stop: false,
    thenCheck: 'Both tillers on the same edge of the string, then brace.',
    gainWords: `Opposite turns keep the weight. One turn of one bolt moves tiller about ${showNumber(Math.abs(perTurn), 1)} mm; bows differ fourfold.`,
  });
}

/** How far the top bolt may turn while the bottom one turns as much the other way. */
function oppositeTurnRoom(state: BowState): { readonly in: number; readonly out: number } {
  const { top, bottom, canGoIn, canGoOut } = boltsOutNow(state);
  const apart = top - bottom;
  return {
    in: clamp((apart + MOST_BOLT_DIFFERENCE_TURNS) / 2, 0, Math.min(canGoIn.top, canGoOut.bottom)),
    out: clamp((MOST_BOLT_DIFFERENCE_TURNS - apart) / 2, 0, Math.min(canGoOut.top, canGoIn.bottom)),
  };
}

/** Both bolts together, toward the weight band. */
export function weightMove(state: BowState, status: StepStatus): Move | null {
  const present = presentReading(state, 'drawWeight');
  const target = targetFor(state, 'drawWeight');
  if (present === null || target === null) return null;
  const gain = 2 * priorGain('drawWeight', 'topBolt', present.value).mean;
  const wanted = clamp(present.value, target.low, target.high) - present.value;
  const room = boltsOutNow(state);
  const turns = clamp(
    roundToStep(wanted / gain, CONTROL_FACTS.topBolt.step),
    -Math.min(room.canGoOut.top, room.canGoOut.bottom),
    Math.min(room.canGoIn.top, room.canGoIn.bottom),
  );
  if (turns === 0) return null;
  const travel = boltTravel(state.bow);
  return changeMove(
    state,
    status,
    new Map<Control, number>([
      ['topBolt', turns],
      ['bottomBolt', turns],
    ]),
    'topLimb',
    {
      reading: 'drawWeight',
      problem: `It draws ${showWeight(present.value)}, ${status.words}: ${showWeight(target.low)} to ${showWeight(target.high)}.`,
      stop: false,
      thenCheck: 'Weigh twice, then brace and tiller.',
      gainWords: `Both bolts together move the weight about 2 % a turn. Travel ${showNumber(travel.turns, 0)} turns out${travel.guessed ? ', a guess: the maker’s figure wins' : ', the maker’s'}.`,
    },
  );
}
