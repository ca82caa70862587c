import { Matrix } from 'ml-matrix';
import { HEARD } from '../craft/search-terms.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import {
  DIFFERS_DB,
  ONE_VALLEY,
  ROUGH_OVER_RANGE,
  SHOT_NOISE_DB,
} from '../priors/brace-search-priors.ts';
import { heardLikelihood } from './heard.ts';
import type { NoiseBelief } from './belief.ts';
import {
  gridShares,
  type HeightRange,
  type HeightTried,
  heightsOf,
  type NoiseCurve,
} from './noise-curve.ts';

/** Places of the valley over the range, and depths of it. */
const PLACES = 49;
const DEPTHS = 6;
const ROUGH_CURVES = 160;
const WAVES = 40;
const SEED = 23;
const DRAWS = 400;
/** ln of how much less likely than the likeliest a curve may be and still count. */
const LEAST_LOG = -12;

/** A curve over the range, 0 at its low end to 1 at its high one, and how likely it is before anything was heard. */
interface Shape {
  readonly noiseDb: (share: number) => number;
  readonly prior: number;
}

interface GridShape extends Shape {
  readonly overGrid: readonly number[];
}

/**
 * What answers alone say of the noise: the shapes it usually has, each weighed by how likely it makes all that was heard.
 * A smooth curve of any shape would need more answers than a bow is unstrung for.
 *
 * @param tried by ear alone, in the order they were tried; at least one
 */
export function earBelief(tried: readonly HeightTried[], range: HeightRange): NoiseBelief {
  const heightsMm = heightsOf(tried, range);
  const shares = heightsMm.map((mm) => (mm - range.lowMm) / (range.highMm - range.lowMm));
  const shapes = usualShapes(SEED);
  const all = shapes.map(({ noiseDb, overGrid }) =>
    Float64Array.from([...shares.slice(0, tried.length).map(noiseDb), ...overGrid]),
  );
  const logs = all.map((curve, at) => Math.log(shapes[at]!.prior) + answersLog(tried, curve));
  const most = Math.max(...logs);
  const likely = logs.flatMap((log, at) => (log - most > LEAST_LOG ? [at] : []));
  const curves = likely.map((at) => all[at]!);
  const weights = normalised(likely.map((at) => Math.exp(logs[at]! - most)));
  return {
    curve: asCurve(heightsMm, tried.length, curves, weights),
    draws: resampled(curves, weights),
    worthOf: (at, choosable) =>
      at.map((place) => ({
        heightMm: heightsMm[place]!,
        worthDb: worthOfAnswer(curves, weights, { place, here: tried.length - 1, choosable }),
      })),
  };
}

/** The same every time, and over the same grid: a search is judged anew after each answer. */
const usualShapes = (() => {
  let known: readonly GridShape[] | null = null;
  return (seed: number) =>
    (known ??= [...valleys(), ...roughShapes(seed)].map((shape) => ({
      ...shape,
      overGrid: gridShares().map(shape.noiseDb),
    })));
})();

function valleys(): readonly Shape[] {
  const prior = ONE_VALLEY.share / (PLACES * DEPTHS);
  const { leastDb, mostDb } = ONE_VALLEY;
  return Array.from({ length: PLACES * DEPTHS }, (_, at) => {
    const place = ((at % PLACES) + 0.5) / PLACES;
    const deep = (Math.floor(at / PLACES) + 0.5) / DEPTHS;
    const depthDb = leastDb * (mostDb / leastDb) ** deep;
    // So much louder half a range from the quiet place.
    return { prior, noiseDb: (share) => depthDb * ((share - place) / 0.5) ** 2 };
  });
}

/** Waves of random phase whose rates are normal: draws of a squared exponential kernel (its spectral density). */
function roughShapes(seed: number): readonly Shape[] {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const prior = (1 - ONE_VALLEY.share) / ROUGH_CURVES;
  return Array.from({ length: ROUGH_CURVES }, (_, at) => {
    const lengthShare = ROUGH_OVER_RANGE[at % ROUGH_OVER_RANGE.length]!;
    const sizeDb = DIFFERS_DB[Math.floor(at / ROUGH_OVER_RANGE.length) % DIFFERS_DB.length]!;
    const waves = Array.from({ length: WAVES }, () => ({
      rate: normal() / lengthShare,
      phase: 2 * Math.PI * uniform(),
    }));
    const scale = sizeDb * Math.sqrt(2 / WAVES);
    return {
      prior,
      noiseDb: (share) =>
        scale * waves.reduce((sum, { rate, phase }) => sum + Math.cos(rate * share + phase), 0),
    };
  });
}

function answersLog(tried: readonly HeightTried[], curve: ArrayLike<number>): number {
  let log = 0;
  for (const [at, { heard, felt }] of tried.entries())
    for (const said of at === 0 ? [] : [heard, felt])
      if (said != null) log += heardLikelihood(said, curve[at]! - curve[at - 1]!).log;
  return log;
}

function normalised(weights: readonly number[]): readonly number[] {
  const total = weights.reduce((sum, one) => sum + one, 0);
  return weights.map((one) => one / total);
}

/** Mean and covariance of the weighed curves, for whatever draws or tells them. */
function asCurve(
  heightsMm: readonly number[],
  tried: number,
  curves: readonly Float64Array[],
  weights: readonly number[],
): NoiseCurve {
  const size = heightsMm.length;
  const mean = new Float64Array(size);
  for (const [at, curve] of curves.entries())
    for (let place = 0; place < size; place += 1) mean[place]! += weights[at]! * curve[place]!;
  const covariance = Matrix.zeros(size, size);
  for (const [at, curve] of curves.entries()) {
    for (let row = 0; row < size; row += 1) {
      const off = weights[at]! * (curve[row]! - mean[row]!);
      for (let column = 0; column < size; column += 1)
        covariance.set(
          row,
          column,
          covariance.get(row, column) + off * (curve[column]! - mean[column]!),
        );
    }
  }
  const shotNoiseDb = Math.sqrt(SHOT_NOISE_DB.variance);
  return { heightsMm, tried, parts: [{ weight: 1, mean, covariance }], shotNoiseDb };
}

/** As many of each as its weight asks for: evenly spaced over the sum of the weights. */
function resampled(
  curves: readonly Float64Array[],
  weights: readonly number[],
): readonly Float64Array[] {
  const draws: Float64Array[] = [];
  let sum = 0;
  for (const [at, weight] of weights.entries()) {
    sum += weight;
    while (draws.length < DRAWS && (draws.length + 0.5) / DRAWS <= sum) draws.push(curves[at]!);
  }
  return draws;
}

/** Beyond this an answer is as sure as it gets, and between two steps of the table nobody hears, dB. */
const FAR_DB = 10;
const STEP_DB = 0.05;
/** How likely each answer is where the height is so much louder: looked up, for it is asked tens of thousands of times. */
const CHANCES = HEARD.map((said) =>
  Float64Array.from({ length: (2 * FAR_DB) / STEP_DB + 1 }, (_, at) =>
    Math.exp(heardLikelihood(said, at * STEP_DB - FAR_DB).log),
  ),
);

function stepOf(louderByDb: number): number {
  return Math.round((Math.max(-FAR_DB, Math.min(FAR_DB, louderByDb)) + FAR_DB) / STEP_DB);
}

/** Expected fall of what the place to settle on is louder than the least, after one more answer, dB. */
function worthOfAnswer(
  curves: readonly Float64Array[],
  weights: readonly number[],
  {
    place,
    here,
    choosable,
  }: { readonly place: number; readonly here: number; readonly choosable: readonly number[] },
): number {
  const least = (of: Float64Array) => {
    let quietest = Number.POSITIVE_INFINITY;
    for (const one of choosable) {
      let sum = 0;
      for (let at = 0; at < curves.length; at += 1) sum += of[at]! * curves[at]![one]!;
      quietest = Math.min(quietest, sum);
    }
    return quietest;
  };
  const after = CHANCES.map((chances) =>
    Float64Array.from(
      curves,
      (curve, at) => weights[at]! * chances[stepOf(curve[place]! - curve[here]!)]!,
    ),
  );
  return least(Float64Array.from(weights)) - after.reduce((sum, of) => sum + least(of), 0);
}
