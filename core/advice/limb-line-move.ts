import type { Hand } from '../craft/bow-terms.ts';
import { CONTROL_FACTS, type Control, showAmount } from '../craft/controls.ts';
import { sideOf } from '../craft/handedness.ts';
import { READINGS } from '../craft/readings.ts';
import { learnedGains, shiftOf } from '../gains/learned-gains.ts';
import { effectOn, presentReading } from '../gains/present-reading.ts';
import { mixtureCdf, mixtureMean } from '../numeric/normal-mixture.ts';
import { showNumber, showTurns } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { countedBand } from '../setup/counted-band.ts';
import { clamp, type Move, roundToStep } from './move.ts';
import { sideScrewTravel } from '../limits/side-screw-limits.ts';
import { plainMove } from './plain-move.ts';
import { beyondBand, type StepStatus } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';

const LIMBS = [
  { limb: 'Top', reading: 'limbLineTop', control: 'topSideScrews' },
  { limb: 'Bottom', reading: 'limbLineBottom', control: 'bottomSideScrews' },
] as const;
/** The direction of a pocket is known when its sign is this certain. */
const SIGN_KNOWN = 0.9;
/**
 * The first turn, made only to see which way the string goes; and the next one when that was too
 * little to be seen by eye. At 1 mm a turn, 1/8 is less than most people repeat a look by.
 */
const TRIAL_TURNS = { first: 1 / 8, again: 1 / 2 } as const;
const MOST_TURNS = 1;

interface ScrewTurn {
  readonly limb: string;
  readonly control: Control;
  readonly amount: number;
  readonly trial: boolean;
  readonly problem: string;
  readonly expectMm: number;
  readonly plusMinusMm: number;
}

/**
 * Which side screw to loosen and which to tighten, and how far, both pockets in one unstringing. A
 * pocket that has never been turned gets a trial of 1/8: which way it answers depends on how it is
 * made, and is remembered from then on.
 */
export function limbLineMove(state: BowState, status: StepStatus): Move | null {
  const turns = LIMBS.map((one) => turnFor(state, one)).filter((one) => one !== null);
  const first = turns[0];
  if (first === undefined) return spentPocketMove(state, status) ?? rodOnlyMove(state, status);
  const { hand } = state.bow;
  const trial = turns.some((one) => one.trial);
  return {
    key: `screws:${turns.map(({ control }) => control).join()}`,
    step: status.step.id,
    title: turns
      .map((turn) => `${turn.limb} pocket ${showAmount(turn.control, turn.amount)}`)
      .join(', '),
    expect: trial
      ? 'A trial: watch which way the string goes.'
      : `Expect ${turns.map((turn) => `${turn.limb.toLowerCase()} ${offWords(turn.expectMm, hand)}, ± ${showNumber(Math.max(0.1, turn.plusMinusMm), 1)} mm`).join(', ')}`,
    why: turns.map((turn) => `${turn.problem} ${screwWords(turn, hand)}`).join(' '),
    reasons: [
      ...turns.map((turn) =>
        turn.trial
          ? `${turn.limb} pocket: which way a screw moves the string depends on how it is made, and has not shown yet. A small turn first; a larger one when that is too little to see.`
          : `${turn.limb} pocket: its answer was seen on this bow and is kept.`,
      ),
      'Never both screws loose. Then look at the tips for twist; a twisted limb is for a technician.',
      status.step.why,
    ],
    wouldChange: 'A fresh look with one eye and the head still.',
    caution: 'bolts',
    thenCheck: 'Limb line: top, bottom and long rod. Then centre shot.',
    place: first.limb === 'Top' ? 'topLimb' : 'bottomLimb',
    action: {
      kind: 'change',
      changes: turns.map(({ control, amount }) => ({ control, amount })),
    },
    doneLabel: 'Done',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}

function turnFor(
  state: BowState,
  { limb, reading, control }: (typeof LIMBS)[number],
): ScrewTurn | null {
  const present = presentReading(state, reading);
  const target = targetFor(state, reading);
  if (present === null || target === null) return null;
  if (beyondBand(present.value, countedBand(state, reading, target)) === 0) return null;
  const perTurn = shiftOf(learnedGains(state), reading, new Map([[control, 1]]));
  if (perTurn === null) return null;
  const gain = mixtureMean(perTurn);
  const inward = mixtureCdf(perTurn, 0);
  const trial = Math.max(inward, 1 - inward) < SIGN_KNOWN;
  const { step } = CONTROL_FACTS[control];
  const wanted = roundToStep(-present.value / gain, step);
  const turned = state.changes.some((change) => change.control === control);
  const meant = trial
    ? turned
      ? TRIAL_TURNS.again
      : TRIAL_TURNS.first
    : clamp(wanted, -MOST_TURNS, MOST_TURNS);
  const amount = isTriedOut(state, reading, control) ? 0 : withinScrewTravel(state, control, meant);
  if (amount === 0) return null;
  const effect = effectOn(state, reading, new Map([[control, amount]]));
  return {
    limb,
    control,
    amount,
    trial,
    problem: `The string passes ${offWords(present.value, state.bow.hand)} of the ${limb.toLowerCase()} gauge’s middle.`,
    expectMm: present.value + effect.shift,
    plusMinusMm: Math.hypot(present.plusMinus, effect.plusMinus),
  };
}

/**
 * Turned there and back as far as its screws may go since the string last passed the gauge's middle,
 * and it passes it no nearer: more turning would only wear the pocket.
 */
function isTriedOut(
  state: BowState,
  reading: (typeof LIMBS)[number]['reading'],
  control: Control,
): boolean {
  const target = targetFor(state, reading);
  if (target === null) return false;
  const straight = (state.readings.get(reading) ?? []).findLast(
    ({ mean }) => beyondBand(mean, countedBand(state, reading, target)) === 0,
  );
  const turned = state.changes
    .filter((change) => change.control === control && change.index > (straight?.index ?? -1))
    .reduce((sum, { amount }) => sum + Math.abs(amount), 0);
  return turned >= 2 * sideScrewTravel(state.bow).turns;
}

/** As far as the pocket's screws may go that way; 0 when they have gone as far as they may. */
function withinScrewTravel(state: BowState, control: Control, meant: number): number {
  const { step } = CONTROL_FACTS[control];
  for (let size = Math.abs(meant); size >= step - 1e-9; size -= step) {
    const amount = roundToStep(Math.sign(meant) * size, step);
    if (amount !== 0 && checkChanges(state, [{ control, amount }]) === null) return amount;
  }
  return 0;
}

/** `1.2 mm left`: how far off and to which side, as the archer stands behind. */
function offWords(outwardMm: number, hand: Hand): string {
  return `${showNumber(Math.abs(outwardMm), 1)} mm ${sideOf(outwardMm, hand)}`;
}

/** Loosen first, then tighten: + tightens the outward screw. */
function screwWords({ limb, control, amount }: ScrewTurn, hand: Hand): string {
  const tighten = sideOf(amount, hand);
  const loosen = sideOf(-amount, hand);
  const size = showAmount(control, amount);
  return `${limb} pocket: loosen the ${loosen} screw ${size}, then tighten the ${tighten} one as much.`;
}

/** A gauge is still off and its pocket's screws have gone as far as they may: it does not answer. */
function spentPocketMove(state: BowState, status: StepStatus): Move | null {
  const off = LIMBS.find(({ reading }) => {
    const present = presentReading(state, reading);
    const target = targetFor(state, reading);
    if (present === null || target === null) return false;
    return beyondBand(present.value, countedBand(state, reading, target)) !== 0;
  });
  const present = off === undefined ? null : presentReading(state, off.reading);
  if (off === undefined || present === null) return null;
  const { turns, guessed } = sideScrewTravel(state.bow);
  return {
    ...plainMove(status.step.id, `${off.limb} pocket: for a bow technician`),
    key: `pocketSpent:${off.control}`,
    why: `The string still passes ${offWords(present.value, state.bow.hand)} of the ${off.limb.toLowerCase()} gauge’s middle, and its side screws have gone the ${showTurns(turns)} ${guessed ? 'that are allowed while the maker’s figure is unknown' : 'the maker allows'}.`,
    reasons: ['A pocket that does not answer may be loose, worn or crooked.', status.step.why],
    wouldChange: 'The maker’s figure for the side screws (ms), or a fresh look.',
    caution: 'inspect',
    thenCheck: 'Limb line after the technician has seen it.',
    place: off.limb === 'Top' ? 'topLimb' : 'bottomLimb',
    doneLabel: 'Understood',
  };
}

/** Both gauges are right and the rod is not: the rod or the riser is what is crooked. */
function rodOnlyMove(state: BowState, status: StepStatus): Move | null {
  const rod = presentReading(state, 'limbLineRod');
  if (rod === null) return null;
  return {
    key: 'rodOff',
    step: status.step.id,
    title: 'Look at the long rod',
    expect: null,
    why: `The string runs down both gauges, and ${offWords(rod.value, state.bow.hand)} of the long rod: a bent rod or bushing, or a riser that is not straight. The gauges decide.`,
    reasons: [
      'Turn the rod half a turn and look again: a bent rod swings, a crooked bushing does not.',
    ],
    wouldChange: 'The reading with the rod turned, or another rod.',
    caution: 'inspect',
    thenCheck: 'Limb line, long rod.',
    place: 'bow',
    action: { kind: 'enterReading', entryText: `${READINGS.limbLineRod.code} ` },
    doneLabel: 'Enter it again',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
