import { seededUniform, standardNormal, type Uniform } from '#core/numeric/random.ts';
import {
  fitTuning,
  isSettled,
  type TunedEnd,
  type TuningFit,
} from '#core/fine-tuning/fine-tuning.ts';

/** Settings of one control either side of where it stands: preload by quarter turns, say. */
export const SETTINGS: readonly number[] = [-1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1];
const SHOTS_AN_END = 6;
const SWEEP_ENDS = 5;
const MOST_ENDS = SETTINGS.length * SWEEP_ENDS;
/** Stop when less than this share of the group is left to gain. */
/** No end is quite like the last: this much of ln variance. */
const END_SD = Math.sqrt(0.03);

/** The hidden truth: ln variance is a bowl about a best setting. */
interface Truth {
  readonly best: number;
  readonly bowl: number;
  readonly groupMm: number;
  readonly days: readonly number[];
}

export function drawTruth(uniform: Uniform): Truth {
  const normal = standardNormal(uniform);
  return {
    best: 2 * uniform() * 0.9 - 0.9,
    bowl: Math.max(0.15, 0.8 + 0.4 * normal()),
    groupMm: 8 * 5 ** uniform(),
    days: Array.from({ length: 6 }, () => 0.3 * normal()),
  };
}

/** True group at a setting on an even day, mm. */
export function trueGroup({ best, bowl, groupMm }: Truth, setting: number): number {
  return groupMm * Math.exp((bowl * (setting - best) ** 2) / 2);
}

function shootEnd(truth: Truth, setting: number, day: number, normal: () => number): TunedEnd {
  const sd = trueGroup(truth, setting) * Math.exp((truth.days[day]! + END_SD * normal()) / 2);
  let squaresMm2 = 0;
  for (const _axis of ['outward', 'up']) {
    const places = Array.from({ length: SHOTS_AN_END }, () => sd * normal());
    const mean = places.reduce((sum, one) => sum + one, 0) / SHOTS_AN_END;
    squaresMm2 += places.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  }
  return {
    setting,
    squaresMm2,
    degrees: 2 * (SHOTS_AN_END - 1),
    day,
    windy: false,
    tired: false,
  };
}

export interface TuningRun {
  readonly shots: number;
  readonly chosen: number;
  readonly fit: TuningFit;
}

const DAY_ENDS = 16;
const dayOf = (end: number) => Math.floor(end / DAY_ENDS);

/** As advised: the next end where it teaches most, until little is left to gain. */
export function advisedRun(truth: Truth, seed: number): TuningRun {
  const normal = standardNormal(seededUniform(seed));
  const ends: TunedEnd[] = [];
  let fit = fitTuning(ends, { settings: SETTINGS });
  while (ends.length < MOST_ENDS && !isSettled(fit, ends.length)) {
    ends.push(shootEnd(truth, fit.next, dayOf(ends.length), normal));
    fit = fitTuning(ends, { settings: SETTINGS });
  }
  return { shots: ends.length * SHOTS_AN_END, chosen: fit.best.setting, fit };
}

/** The exhaustive sweep: every setting, several ends, the same curve through all of them. */
export function sweepRun(truth: Truth, seed: number): TuningRun {
  const normal = standardNormal(seededUniform(seed));
  const ends = SETTINGS.flatMap((setting, index) =>
    Array.from({ length: SWEEP_ENDS }, (_, end) =>
      shootEnd(truth, setting, dayOf(index * SWEEP_ENDS + end), normal),
    ),
  );
  const fit = fitTuning(ends, { settings: SETTINGS });
  return { shots: ends.length * SHOTS_AN_END, chosen: fit.best.setting, fit };
}
