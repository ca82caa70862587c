import { LOG_DRAG, LOG_SPEED } from '#core/priors/flight-priors.ts';
import {
  type Interval,
  crawlFor,
  pointHits,
  pointOn,
  sightMark,
} from '#core/sight-marks/marks-asked.ts';
import type { AimKind } from '#core/craft/aiming.ts';
import type { MarkShot } from '#core/sight-marks/mark-shot.ts';
import { type MarksPosterior, marksPosterior } from '#core/sight-marks/marks-posterior.ts';
import { distanceChoices, nextDistance } from '#core/sight-marks/next-distance.ts';
import { type SimulatedMarks, simulatedMarks } from '#core/simulate/simulated-marks.ts';

/** Before any mark nothing is known of this archer. */
export const NOTHING_KNOWN = { logSpeed: LOG_SPEED, logDrag: LOG_DRAG, changes: [] };
const SHOTS = 6;

/** Where each school shoots its first marks, and what it asks of them afterwards, m. */
export const FIRST_M: Readonly<Record<AimKind, readonly number[]>> = {
  sight: [18, 30, 50],
  point: [12, 25],
  crawl: [12, 25],
};
export const ASKED_M: Readonly<Record<AimKind, readonly number[]>> = {
  sight: [25, 40, 60, 70],
  point: [8, 18, 30],
  crawl: [8, 18, 30],
};

/** A figure asked for, what it truly is, and what was said of it. */
export interface AskedOf {
  readonly said: Interval;
  readonly truth: number;
}

/** One archer: marks shot as an archer shoots them, a guess of the next from those before. */
export function shootMarks(seed: number, kind: AimKind) {
  const archer = simulatedMarks(seed, kind);
  const marks: MarkShot[] = [];
  for (const distanceM of FIRST_M[kind]) {
    const truth = archer.trueSet(distanceM);
    if (truth === null) continue;
    marks.push(archer.shootEnd(distanceM, guessOf(seed, archer, marks, distanceM), SHOTS));
  }
  return { archer, marks, posterior: marksPosterior(archer.aiming, marks, NOTHING_KNOWN) };
}

/** What is set before it is known: a division or two off, read to the scale. */
function guessOf(
  seed: number,
  { aiming, trueSet }: SimulatedMarks,
  marks: readonly MarkShot[],
  distanceM: number,
): number {
  const off = ((seed * 7 + marks.length * 3) % 5) - 2;
  const set = (trueSet(distanceM) ?? 0) + off * aiming.division;
  const rounded = Math.round(set / aiming.division) * aiming.division;
  return aiming.kind === 'crawl' ? Math.max(0, rounded) : rounded;
}

/** Every figure that can be asked at distances not shot, with its truth. */
export function askedOf(archer: SimulatedMarks, posterior: MarksPosterior): readonly AskedOf[] {
  const { kind } = archer.aiming;
  const at = ASKED_M[kind].flatMap((distanceM) => {
    const truth = kind === 'point' ? archer.trueHitMm(distanceM) : archer.trueSet(distanceM);
    const said =
      kind === 'sight'
        ? sightMark(posterior, distanceM)
        : kind === 'point'
          ? pointHits(posterior, distanceM)
          : crawlFor(posterior, distanceM);
    return truth === null || said === null ? [] : [{ said, truth }];
  });
  const on = truePointOn(archer);
  const saidOn = pointOn(posterior);
  return on === null || saidOn === null ? at : [...at, { said: saidOn, truth: on }];
}

function truePointOn({ aiming, trueHitMm }: SimulatedMarks): number | null {
  if (aiming.kind === 'sight') return null;
  let [low, high] = [2, 120];
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    if (trueHitMm(middle) > 0) low = middle;
    else high = middle;
  }
  return low;
}

export const holds = ({ said, truth }: AskedOf): boolean => truth >= said.low && truth <= said.high;

const WANTED_M = 70;
const BUTT_MM = 1220;

/**
 * After two marks: whether the distance asked for next leaves the 70 m mark as narrow as the better of one step
 * farther and the farthest safe one, each truly shot by the same archer; null where nothing is safe.
 */
export function asksWell(seed: number): boolean | null {
  const began = () => {
    const archer = simulatedMarks(seed, 'sight');
    const marks: MarkShot[] = [];
    for (const distanceM of [18, 30])
      if (archer.trueSet(distanceM) !== null)
        marks.push(archer.shootEnd(distanceM, guessOf(seed, archer, marks, distanceM), SHOTS));
    return { archer, marks };
  };
  const { archer, marks } = began();
  if (archer.trueSet(WANTED_M) === null) return null;
  const choices = distanceChoices(marksPosterior(archer.aiming, marks, NOTHING_KNOWN), {
    wantedM: WANTED_M,
    shots: SHOTS,
    buttMm: BUTT_MM,
    windageMmPerM: 0,
  });
  const safe = choices.filter(({ refused }) => refused === null).map((one) => one.distanceM);
  const chosen = nextDistance(choices)?.distanceM;
  const [step, farthest] = [safe.find((distanceM) => distanceM > 30), safe.at(-1)];
  if (chosen === undefined || step === undefined || farthest === undefined) return null;
  const leaves = (distanceM: number) => {
    const again = began();
    const end = again.archer.shootEnd(
      distanceM,
      guessOf(seed, again.archer, again.marks, distanceM),
      SHOTS,
    );
    const said = sightMark(
      marksPosterior(archer.aiming, [...again.marks, end], NOTHING_KNOWN),
      WANTED_M,
    );
    return said === null ? Number.POSITIVE_INFINITY : said.high - said.low;
  };
  const best = Math.min(leaves(step), leaves(farthest));
  return leaves(chosen) <= best * 1.001;
}
