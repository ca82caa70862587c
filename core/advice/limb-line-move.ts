import { hasSideScrews } from '../craft/bow-terms.ts';
import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import { READINGS } from '../craft/readings.ts';
import { learnedGains, shiftOf } from '../gains/learned-gains.ts';
import { effectOn, type PresentReading, presentReading } from '../gains/present-reading.ts';
import { mixtureCdf, mixtureMean, type NormalMixture } from '../numeric/normal-mixture.ts';
import { HALF_90 } from '../numeric/half-90.ts';
import { SIDE_SCREW_MM } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { countedBand } from '../setup/counted-band.ts';
import type { ScrewTurn } from './move-because.ts';
import { type Move, roundToStep } from './move.ts';
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
 * The first turn, only to see which way the string goes: it may be the wrong way, so no larger than what
 * is seen by whoever reads the gauge.
 */
const FIRST_TRIALS: readonly number[] = [1 / 4, 1 / 2];
/** How often a pocket that shows no way is turned. */
const MOST_TRIALS = 3;
/** Not farther than this while its way is not known. */
const MOST_UNSURE_TURNS = 2;
/** After all of its trials a pocket must have shown its way as surely as this. */
const SURELY_ANSWERS = 0.995;
/** Answering less than this, mm a turn, it does not bring a string anywhere. */
const LEAST_ANSWER_MM = 0.15;

/**
 * Which side screw to loosen and which to tighten, and how far, both pockets in one unstringing. A
 * pocket that has never been turned gets a trial of 1/4: which way it answers depends on how it is
 * made, and is remembered from then on. One that shows no answer in three unstringings is for a
 * technician.
 */
export function limbLineMove(state: BowState, status: StepStatus): Move | null {
  if (!hasSideScrews(state.bow)) return offGaugeMove(state, status, () => 'limbLineAsBuilt');
  const turns = LIMBS.map((one) => turnFor(state, one)).filter((one) => one !== null);
  const first = turns[0];
  if (first === undefined)
    return (
      offGaugeMove(state, status, (off) =>
        isSilent(state, off) ? 'pocketSilent' : 'pocketSpent',
      ) ?? rodOnlyMove(state, status)
    );
  return {
    ...plainMove(status.step.id, { topic: 'sideScrews', status, turns }),
    key: `screws:${turns.map(({ control }) => control).join()}`,
    caution: 'bolts',
    place: first.limb === 'Top' ? 'topLimb' : 'bottomLimb',
    action: {
      kind: 'change',
      changes: turns.map(({ control, amount }) => ({ control, amount })),
    },
  };
}

function turnFor(state: BowState, one: (typeof LIMBS)[number]): ScrewTurn | null {
  const { limb, reading, control } = one;
  const present = presentReading(state, reading);
  const target = targetFor(state, reading);
  if (present === null || target === null) return null;
  if (beyondBand(present.value, countedBand(state, reading, target)) === 0) return null;
  const perTurn = shiftOf(learnedGains(state), reading, new Map([[control, 1]]));
  if (perTurn === null) return null;
  const trial = !isSignKnown(perTurn);
  const band = countedBand(state, reading, target);
  const { turned, times } = turnedSince(state, reading, control);
  const isTriedOut = turned >= 2 * sideScrewTravel(state.bow).turns || isSilent(state, one);
  const meant =
    trial && times === 0
      ? firstTrial(present.plusMinus)
      : likeliestInside(
          turnsLeft(state, control, trial ? MOST_UNSURE_TURNS : Infinity).map((turns) => ({
            turns,
            chance: chanceInside(present, perTurn, turns, band),
          })),
        );
  const amount = isTriedOut ? 0 : withinScrewTravel(state, control, meant);
  if (amount === 0) return null;
  const effect = effectOn(state, reading, new Map([[control, amount]]));
  return {
    limb,
    control,
    amount,
    trial,
    nowMm: present.value,
    expectMm: present.value + effect.shift,
    plusMinusMm: Math.hypot(present.plusMinus, effect.plusMinus),
  };
}

/** A quarter of a turn where the answer to be expected shows through both looks at the gauge, else a half. */
function firstTrial(plusMinusMm: number): number {
  const bothLooks = Math.SQRT2 * plusMinusMm;
  return FIRST_TRIALS.find((turns) => turns * SIDE_SCREW_MM >= bothLooks) ?? FIRST_TRIALS.at(-1)!;
}

/** Every turn up to the most the pocket's screws may make from where they stand, either way, smallest first. */
function turnsLeft(state: BowState, control: Control, most: number): readonly number[] {
  const { step } = CONTROL_FACTS[control];
  const { turns } = sideScrewTravel(state.bow);
  return Array.from(
    { length: Math.round(Math.min(most, 2 * turns) / step) },
    (_, at) => (at + 1) * step,
  )
    .flatMap((size) => [size, -size])
    .filter((amount) => checkChanges(state, [{ control, amount }]) === null);
}

/** The chance that the string lies inside the gauge's band after a turn, by what is known of its pocket. */
function chanceInside(
  present: PresentReading,
  perTurn: NormalMixture,
  turns: number,
  band: { readonly low: number; readonly high: number },
): number {
  const after = perTurn.map(({ weight, mean, sd }) => ({
    weight,
    mean: present.value + turns * mean,
    sd: Math.hypot(turns * sd, present.plusMinus / HALF_90),
  }));
  return mixtureCdf(after, band.high) - mixtureCdf(after, band.low);
}

/** The turn with the best chance, the smallest of those that have it. */
function likeliestInside(
  turns: readonly { readonly turns: number; readonly chance: number }[],
): number {
  const best = Math.max(...turns.map(({ chance }) => chance));
  return turns.find(({ chance }) => chance >= best)?.turns ?? 0;
}

function isSignKnown(perTurn: NormalMixture, chance = SIGN_KNOWN): boolean {
  const inward = mixtureCdf(perTurn, 0);
  return Math.max(inward, 1 - inward) >= chance;
}

/**
 * Turned as often as a trial goes, and it has shown no way, or as good as no answer: more turning would
 * only wear the pocket.
 */
function isSilent(state: BowState, { reading, control }: (typeof LIMBS)[number]): boolean {
  if (turnedSince(state, reading, control).times < MOST_TRIALS) return false;
  const perTurn = shiftOf(learnedGains(state), reading, new Map([[control, 1]]));
  if (perTurn === null) return false;
  return !isSignKnown(perTurn, SURELY_ANSWERS) || Math.abs(mixtureMean(perTurn)) < LEAST_ANSWER_MM;
}

/**
 * How far in all, and in how many unstringings, the screws were turned since the string last passed the
 * gauge's middle: there and back counts twice.
 */
function turnedSince(
  state: BowState,
  reading: (typeof LIMBS)[number]['reading'],
  control: Control,
): { readonly turned: number; readonly times: number } {
  const target = targetFor(state, reading);
  if (target === null) return { turned: 0, times: 0 };
  const straight = (state.readings.get(reading) ?? []).findLast(
    ({ mean }) => beyondBand(mean, countedBand(state, reading, target)) === 0,
  );
  const changes = state.changes.filter(
    (change) => change.control === control && change.index > (straight?.index ?? -1),
  );
  return {
    turned: changes.reduce((sum, { amount }) => sum + Math.abs(amount), 0),
    times: changes.length,
  };
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

/**
 * A gauge is still off, and its pocket does not answer, or its screws have gone as far as they may; or
 * there are none. A bow
 * technician looks at it.
 */
function offGaugeMove(
  state: BowState,
  status: StepStatus,
  topicOf: (off: (typeof LIMBS)[number]) => 'pocketSpent' | 'pocketSilent' | 'limbLineAsBuilt',
): Move | null {
  const off = LIMBS.find(({ reading }) => {
    const present = presentReading(state, reading);
    const target = targetFor(state, reading);
    if (present === null || target === null) return false;
    return beyondBand(present.value, countedBand(state, reading, target)) !== 0;
  });
  const present = off === undefined ? null : presentReading(state, off.reading);
  if (off === undefined || present === null) return null;
  const topic = topicOf(off);
  return {
    ...plainMove(status.step.id, {
      topic,
      status,
      limb: off.limb,
      offMm: present.value,
    }),
    key: `${topic}:${off.reading}`,
    caution: 'inspect',
    place: off.limb === 'Top' ? 'topLimb' : 'bottomLimb',
  };
}

/** Both gauges are right and the rod is not: the rod or the riser is what is crooked. */
function rodOnlyMove(state: BowState, status: StepStatus): Move | null {
  const rod = presentReading(state, 'limbLineRod');
  if (rod === null) return null;
  return {
    ...plainMove(status.step.id, { topic: 'rodOff', status, offMm: rod.value }),
    key: 'rodOff',
    caution: 'inspect',
    place: 'bow',
    action: { kind: 'enterReading', entryText: `${READINGS.limbLineRod.code} ` },
  };
}
