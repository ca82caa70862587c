import { showLength, showNumber, showSigned, showWeight } from '../quantity/show.ts';
import { type Control, CONTROL_FACTS, movesWords } from '../craft/controls.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { rightFromOutward, sideOf } from '../craft/handedness.ts';
import { type Effect, effectOf, presentReading, presentWeightN } from '../gains/present-reading.ts';
import { priorGain } from '../gains/prior-gains.ts';
import type { BowState } from '../record/fold.ts';
import { boltsOutNow } from './bolts.ts';
import { clamp, type Move, type MovePlace, roundToStep } from './move.ts';
import { showPlusMinus } from './show-plus-minus.ts';
import { beyondBand, presentTargetValue, type StepStatus } from './step-states.ts';
import { boltTravel, type Target, targetFor } from './targets.ts';

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
    thenCheck: `Type ${facts.code} and the reading${count > 1 ? `, ${count} times with spaces between` : ''}.`,
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

function middle(target: Target): number {
  return (target.low + target.high) / 2;
}

function braceMove(state: BowState, status: StepStatus): Move | null {
  const present = presentReading(state, 'braceHeight');
  const target = targetFor(state, 'braceHeight');
  if (present === null || target === null) return null;
  const gain = priorGain('braceHeight', 'twists', presentWeightN(state)).mean;
  const wanted = nearestInside(present.value, target, READINGS.braceHeight.tolerance);
  const most = CONTROL_FACTS.twists.largest;
  const twists = clamp(Math.round((wanted - present.value) / gain), -most, most);
  if (twists === 0) return null;
  const beyondLimit = target.limit !== null && beyondBand(present.value, target.limit) !== 0;
  return changeMove(state, status, new Map([['twists', twists]]), 'string', {
    reading: 'braceHeight',
    problem: `Brace stands ${showLength(present.value, state.bow)}, ${status.words}: ${showLength(target.low, state.bow)} to ${showLength(target.high, state.bow)} (${target.name}).`,
    stop: beyondLimit,
    thenCheck: 'Brace, three readings. Then tiller and nocking height.',
    gainWords: `One twist moves brace about ${showNumber(gain, 1)} mm on bows like this; anything from 0.35 to 1.8 is normal.`,
  });
}

/** A little inside the nearer edge of the band: the least move that will read as in band. */
function nearestInside(value: number, band: { low: number; high: number }, margin: number): number {
  const inset = Math.min(margin, (band.high - band.low) / 2);
  return clamp(value, band.low + inset, band.high - inset);
}

function tillerMove(state: BowState, status: StepStatus): Move | null {
  const value = presentTargetValue(state, 'tiller');
  const target = targetFor(state, 'tiller');
  if (value === null || target === null) return null;
  const weightN = presentWeightN(state);
  const perTurn =
    priorGain('tillerTop', 'topBolt', weightN).mean -
    priorGain('tillerBottom', 'topBolt', weightN).mean;
  const wanted = nearestInside(value, target, READINGS.tillerTop.tolerance) - value;
  const room = boltsOutNow(state);
  const top = clamp(
    roundToStep(wanted / perTurn / 2, CONTROL_FACTS.topBolt.step),
    -Math.min(room.canGoOut.top, room.canGoIn.bottom),
    Math.min(room.canGoIn.top, room.canGoOut.bottom),
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

function weightMove(state: BowState, status: StepStatus): Move | null {
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
      middle(target) === 0
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

interface ChangeMoveWords {
  readonly reading: ReadingKind | 'tiller';
  readonly problem: string;
  readonly stop: boolean;
  readonly thenCheck: string;
  readonly gainWords: string;
}

function changeMove(
  state: BowState,
  status: StepStatus,
  amounts: ReadonlyMap<Control, number>,
  place: MovePlace,
  words: ChangeMoveWords,
): Move {
  const changes = [...amounts].map(([control, amount]) => ({ control, amount }));
  return {
    key: `change:${changes.map(({ control, amount }) => `${control}${amount}`).join(',')}`,
    step: status.step.id,
    title: movesWords(changes),
    expect: expectAfter(state, amounts, words.reading),
    why: words.problem,
    reasons: [words.problem, words.gainWords, status.step.why],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    caution: changes.some(({ control }) => control === 'topBolt' || control === 'bottomBolt')
      ? 'bolts'
      : changes.some(({ control }) => control === 'twists')
        ? 'unstring'
        : null,
    thenCheck: words.thenCheck,
    place,
    action: { kind: 'change', changes },
    doneLabel: 'Done',
    likelyAfter: null,
    stop: words.stop,
  };
}

function expectAfter(
  state: BowState,
  amounts: ReadonlyMap<Control, number>,
  reading: ReadingKind | 'tiller',
): string | null {
  const weightN = presentWeightN(state);
  if (reading === 'tiller') {
    const value = presentTargetValue(state, 'tiller');
    if (value === null) return null;
    const top = effectOf('tillerTop', amounts, weightN);
    const bottom = effectOf('tillerBottom', amounts, weightN);
    return `Expect tiller ${showSigned(value + top.shift - bottom.shift, 0)} mm ± ${showNumber(Math.hypot(top.plusMinus, bottom.plusMinus), 0)}`;
  }
  const present = presentReading(state, reading);
  if (present === null) return null;
  const effect: Effect = effectOf(reading, amounts, weightN);
  const value = present.value + effect.shift;
  const plusMinus = Math.hypot(present.plusMinus, effect.plusMinus);
  const name = lowerFirst(READINGS[reading].name);
  if (READINGS[reading].quantity === 'force') {
    return `Expect ${name} ${showWeight(value)} ± ${showWeight(plusMinus)}`;
  }
  return `Expect ${name} ${showLength(value, state.bow)} ± ${showPlusMinus(plusMinus, state.bow)}`;
}
