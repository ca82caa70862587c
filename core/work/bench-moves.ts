import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { rightFromOutward, sideOf } from '../craft/handedness.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { presentReading, presentWeightN } from '../gains/present-reading.ts';
import { priorGain } from '../gains/prior-gains.ts';
import { showLength, showNumber, showWeight } from '../quantity/show.ts';
import type { BowState } from '../record/fold.ts';
import { tillerMove, weightMove } from './bolt-moves.ts';
import { braceMove } from './brace-move.ts';
import { changeMove } from './change-move.ts';
import { clamp, type Move, type MovePlace, nearestInside, roundToStep } from './move.ts';
import { showPlusMinus } from './show-plus-minus.ts';
import { beyondBand, type StepStatus } from './step-states.ts';
import { targetFor } from './targets.ts';

/** Where the hand goes for each reading. */
const ENTRY_PLACE: Partial<Record<ReadingKind, MovePlace>> = {
  braceHeight: 'brace',
  tillerTop: 'tillerTop',
  tillerBottom: 'tillerTop',
  drawWeight: 'weight',
  nockingHeight: 'nockingPoint',
  centreShotAtPoint: 'plunger',
  limbLineTop: 'topLimb',
  limbLineBottom: 'bottomLimb',
  restHeight: 'plunger',
};

const COUNT_WORDS: Readonly<Record<number, string>> = { 2: 'two', 3: 'three' };

/** Read the tool again: a step that is open or stale. */
export function measureMove(state: BowState, status: StepStatus): Move | null {
  const { clearing } = status.step;
  if (clearing.by !== 'readings') return null;
  const kind = firstMissing(state, status, clearing.of);
  const facts = READINGS[kind];
  const count = clearing.each;
  const stale = status.state === 'stale';
  return {
    key: `measure:${status.step.id}`,
    step: status.step.id,
    title: `Measure ${lowerFirst(status.step.name)}`,
    expect: expectedWords(state, kind),
    why: stale
      ? `${status.step.name} is ${status.words}. ${status.step.why}`
      : `It has not been measured. ${status.step.why}`,
    reasons: [
      `Order of work: ${lowerFirst(status.step.why)}`,
      `Cleared by ${clearing.of.map((of) => lowerFirst(READINGS[of].name)).join(' and ')}, ${count === 1 ? 'one reading' : `${count} readings`}${clearing.of.length > 1 ? ' each' : ''}; replicates on one line count.`,
      facts.howTo,
    ],
    wouldChange: 'Set it aside with “Not now”: later steps stay open to you.',
    caution: kind === 'drawWeight' ? 'scale' : null,
    thenCheck: `Type ${facts.code} and ${count > 1 ? `${COUNT_WORDS[count] ?? count} readings with spaces between` : 'the reading'}.`,
    place: ENTRY_PLACE[kind] ?? 'bow',
    action: { kind: 'enterReading', entryText: `${facts.code} ` },
    doneLabel: 'Enter it',
    likelyAfter: null,
    stop: false,
  };
}

function firstMissing(
  state: BowState,
  status: StepStatus,
  of: readonly ReadingKind[],
): ReadingKind {
  const since = status.upsetBy.at(-1)?.index ?? -1;
  const missing = of.find((kind) => (state.readings.get(kind)?.at(-1)?.index ?? -2) < since + 1);
  const first = missing ?? of[0];
  if (first === undefined) throw new RangeError(`firstMissing: ${status.step.id} has no readings`);
  return first;
}

function expectedWords(state: BowState, kind: ReadingKind): string | null {
  const present = presentReading(state, kind);
  if (present === null || present.fresh) return null;
  const name = lowerFirst(READINGS[kind].name);
  if (READINGS[kind].quantity === 'force')
    return `Expect ${name} about ${showWeight(present.value)}`;
  return `Expect ${name} ${showLength(present.value, state.bow)} ± ${showPlusMinus(present.plusMinus, state.bow)}`;
}

/** Turn something: a step whose readings lie outside its band. */
export function adjustMove(state: BowState, status: StepStatus): Move | null {
  switch (status.step.id) {
    case 'roughBrace':
    case 'braceSearch':
      return braceMove(state, status);
    case 'roughTiller':
      return tillerMove(state, status);
    case 'drawWeight':
      return weightMove(state, status);
    case 'nockingPoint':
      return oneControlMove(state, status, 'nockingHeight', 'nockingPoint', 'nockingPoint');
    case 'centreShot':
      return oneControlMove(state, status, 'centreShotAtPoint', 'plungerReach', 'plunger');
    case 'restAndPlunger':
      return oneControlMove(state, status, 'restHeight', 'restHeight', 'plunger');
    case 'limbLine':
      return limbLineMove(state, status);
    default:
      return null;
  }
}

function oneControlMove(
  state: BowState,
  status: StepStatus,
  reading: 'nockingHeight' | 'centreShotAtPoint' | 'restHeight',
  control: Control,
  place: MovePlace,
): Move | null {
  const present = presentReading(state, reading);
  const target = targetFor(state, reading);
  if (present === null || target === null) return null;
  const { step, largest } = CONTROL_FACTS[control];
  const gain = priorGain(reading, control, presentWeightN(state)).mean;
  const wanted = nearestInside(present.value, target, READINGS[reading].tolerance) - present.value;
  const amount = clamp(roundToStep(wanted / gain, step), -largest, largest);
  if (amount === 0) return null;
  const name = READINGS[reading].name;
  return changeMove(state, status, new Map([[control, amount]]), place, {
    reading,
    problem: `${name} is ${showLength(present.value, state.bow)}, ${status.words} (${target.name}: ${showLength(target.low, state.bow)} to ${showLength(target.high, state.bow)}).`,
    stop: false,
    thenCheck: `${name} again${reading === 'nockingHeight' ? ', locators loose until proven' : ''}.`,
    gainWords:
      target.low + target.high === 0
        ? target.why
        : `${target.why} ${target.source === 'rule of thumb' ? 'A rule of thumb.' : ''}`.trim(),
  });
}

function limbLineMove(state: BowState, status: StepStatus): Move | null {
  for (const kind of ['limbLineTop', 'limbLineBottom'] as const) {
    const present = presentReading(state, kind);
    const target = targetFor(state, kind);
    if (present === null || target === null || beyondBand(present.value, target) === 0) continue;
    const limb = kind === 'limbLineTop' ? 'Top' : 'Bottom';
    const side = sideOf(present.value, state.bow.hand);
    const offMm = showNumber(Math.abs(rightFromOutward(present.value, state.bow.hand)), 1);
    return {
      key: `sideScrews:${kind}`,
      step: status.step.id,
      title: `${limb} pocket: side screws 1/8 turn`,
      expect: null,
      why: `The string passes ${offMm} mm ${side} of the ${limb.toLowerCase()} gauge’s middle. Which way a screw moves it differs from pocket to pocket: turn 1/8, then look.`,
      reasons: [
        status.step.why,
        'Unstring, loosen one side, tighten the other as much, never both loose.',
      ],
      wouldChange: 'A pocket whose direction is known needs no trial.',
      caution: 'bolts',
      thenCheck: `Limb line, ${limb.toLowerCase()}.`,
      place: kind === 'limbLineTop' ? 'topLimb' : 'bottomLimb',
      action: { kind: 'enterReading', entryText: `${READINGS[kind].code} ` },
      doneLabel: 'Enter it',
      likelyAfter: null,
      stop: false,
    };
  }
  return null;
}
