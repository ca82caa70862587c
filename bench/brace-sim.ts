import { braceStanding, quieterByMostDb } from '#core/brace-search/brace-decision.ts';
import type { Heard } from '#core/craft/search-terms.ts';
import type { HeightTried } from '#core/brace-search/noise-curve.ts';
import { seededUniform, standardNormal, type Uniform } from '#core/numeric/random.ts';

/** A maker's range of half an inch, brace in mm. */
const RANGE = { lowMm: 210, highMm: 222.7 };
const WIDTH_MM = RANGE.highMm - RANGE.lowMm;
const SHOTS = 3;
const TRUE_GRID = 128;
/** The brace is read three times a height, and the twists between are counted: so well is it known. */
const READ_SD_MM = 0.2;
const MOST_ROUNDS = 30;

/** A simulated bow: how loud it is at every height, and what hides it. */
export interface NoisyBow {
  readonly noiseDb: (heightMm: number) => number;
  readonly twistMm: number;
  readonly shotSdDb: number;
  readonly leastDb: number;
}

export const CURVE_KINDS = ['random', 'valley', 'flat'] as const;
export type CurveKind = (typeof CURVE_KINDS)[number];

export function drawBow(uniform: Uniform, kind: CurveKind): NoisyBow {
  const noiseDb = drawNoise(uniform, kind);
  const all = Array.from({ length: TRUE_GRID + 1 }, (_, at) =>
    noiseDb(RANGE.lowMm + (WIDTH_MM * at) / TRUE_GRID),
  );
  return {
    noiseDb,
    twistMm: 0.5 + 0.6 * uniform(),
    shotSdDb: 0.5 + 0.6 * uniform(),
    leastDb: Math.min(...all),
  };
}

/** Random: cosines of random phase, the smoothness of the order of a third of the range. Valley: one bowl. */
function drawNoise(uniform: Uniform, kind: CurveKind): (heightMm: number) => number {
  const normal = standardNormal(uniform);
  if (kind === 'flat') return () => 0;
  if (kind === 'valley') {
    const at = RANGE.lowMm + WIDTH_MM * (0.1 + 0.8 * uniform());
    const depthDb = 3 + 6 * uniform();
    const half = WIDTH_MM / 2;
    return (heightMm) => depthDb * ((heightMm - at) / half) ** 2;
  }
  const lengthMm = WIDTH_MM * (0.22 + 0.25 * uniform());
  const sizeDb = 1.5 + 2 * uniform();
  // Spectral draws of a squared exponential kernel: 60 waves are as good as the process itself.
  const waves = Array.from({ length: 60 }, () => ({
    rate: normal() / lengthMm,
    phase: 2 * Math.PI * uniform(),
  }));
  return (heightMm) =>
    sizeDb *
    Math.sqrt(2 / waves.length) *
    waves.reduce((sum, { rate, phase }) => sum + Math.cos(rate * heightMm + phase), 0);
}

export interface SearchOutcome {
  readonly stringOffs: number;
  /** Noise where it was settled above the least in the range, dB. */
  readonly aboveDb: number;
  readonly limitsPassed: number;
  /** Whether no height truly is more quiet than was said nine times in ten. */
  readonly claimHeld: boolean | null;
  readonly saidFlat: boolean;
}

/** Follows the search from the low end: by sound, or by ear with wrong answers. */
export function searchByAdvice(
  seed: number,
  kind: CurveKind,
  { byEar = false, wrongAnswers = 0 }: { byEar?: boolean; wrongAnswers?: number } = {},
): SearchOutcome {
  const uniform = seededUniform(seed);
  const bow = drawBow(uniform, kind);
  const normal = standardNormal(uniform);
  const tried: HeightTried[] = [];
  let height = RANGE.lowMm + bow.twistMm * uniform();
  let before: number | null = null;
  let [stringOffs, limitsPassed] = [0, 0];
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    tried.push({
      heightMm: height + READ_SD_MM * normal(),
      levelsDb: byEar
        ? []
        : Array.from({ length: SHOTS }, () => bow.noiseDb(height) + bow.shotSdDb * normal()),
      heard:
        byEar && before !== null
          ? answer(bow.noiseDb(height) - bow.noiseDb(before), wrongAnswers, uniform)
          : null,
    });
    const standing = braceStanding(tried, RANGE, { twistMm: bow.twistMm, touchedMm: null });
    if (standing.next.kind === 'settle') {
      const off = Math.round((standing.next.heightMm - tried.at(-1)!.heightMm) / bow.twistMm);
      if (off !== 0) stringOffs += 1;
      height += off * bow.twistMm;
      const aboveDb = bow.noiseDb(height) - bow.leastDb;
      return {
        stringOffs,
        aboveDb,
        limitsPassed,
        claimHeld: aboveDb <= quieterByMostDb(standing),
        saidFlat: standing.next.flat,
      };
    }
    before = height;
    height += standing.next.twists * bow.twistMm;
    stringOffs += 1;
    if (height < RANGE.lowMm - 1.5 || height > RANGE.highMm + 1.5) limitsPassed += 1;
  }
  throw new Error('the search does not end');
}

function answer(louderByDb: number, wrongAnswers: number, uniform: Uniform): Heard {
  const right: Heard = louderByDb > 0.7 ? 'louder' : louderByDb < -0.7 ? 'quieter' : 'same';
  if (uniform() >= wrongAnswers) return right;
  const others = (['quieter', 'same', 'louder'] as const).filter((one) => one !== right);
  return others[Math.floor(uniform() * others.length)] ?? right;
}

/**
 * The plain habit on the same bow: from the low end two twists in, four where nothing changes, two again
 * once it gets quieter, one step back when it gets louder, and stop.
 */
export function searchByHabit(seed: number, kind: CurveKind): SearchOutcome {
  const uniform = seededUniform(seed);
  const bow = drawBow(uniform, kind);
  const normal = standardNormal(uniform);
  const heard = (heightMm: number) =>
    bow.noiseDb(heightMm) + (bow.shotSdDb * normal()) / Math.sqrt(SHOTS);
  let height = RANGE.lowMm + bow.twistMm * uniform();
  let level = heard(height);
  let step = 2;
  let stringOffs = 0;
  for (;;) {
    const next = height + step * bow.twistMm;
    if (next > RANGE.highMm) break;
    const nextLevel = heard(next);
    stringOffs += 1;
    if (nextLevel > level + 0.5) {
      // Back off one: to where it was quieter.
      stringOffs += 1;
      break;
    }
    step = nextLevel < level - 0.5 ? 2 : 4;
    height = next;
    level = nextLevel;
  }
  return {
    stringOffs,
    aboveDb: bow.noiseDb(height) - bow.leastDb,
    limitsPassed: 0,
    claimHeld: null,
    saidFlat: false,
  };
}
