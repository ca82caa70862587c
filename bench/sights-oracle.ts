import { elevationFor, flightAt } from '#core/flight/arrow-flight.ts';
import { seededUniform, standardNormal, type Uniform } from '#core/numeric/random.ts';
import {
  CRAWL_SLOWS,
  END_AIM_SHARE,
  EYE_OVER_NOCK,
  LOG_DRAG,
  LOG_SCATTER,
  LOG_SPEED,
  MISREAD,
  SET_TO_DIVISION,
} from '#core/priors/flight-priors.ts';
import type { Aiming } from '#core/craft/aiming.ts';
import type { MarkShot } from '#core/sight-marks/mark-shot.ts';

/** One way it may truly be. */
interface Sampled {
  readonly speedMps: number;
  readonly dragPerM: number;
  readonly eyeMm: number;
  readonly slows: number;
  /** Zero of the scale as a slope; 0 without a sight. */
  readonly zero: number;
}

interface Spread {
  readonly mean: number;
  readonly sd: number;
}

const SAMPLES = 1500;
/** Less likely than this by the logarithm nothing is drawn from. */
const LEAST_LOG = 12;
const steps = (count: number, reach: number) =>
  Array.from({ length: count }, (_, at) => reach * ((2 * at) / (count - 1) - 1));
const off = (value: number, { mean, sd }: { readonly mean: number; readonly sd: number }) =>
  ((value - mean) / sd) ** 2 / 2;

/**
 * The exact posterior of the same marks with the same priors, by brute force: speed, drag, the eye, what a crawl
 * costs and the scatter each on a grid, nothing made linear, the zero of a scale by its own normal. Slow.
 *
 * @param around where ln speed and the eye lie, with generous spreads: the grid covers them finely
 */
export function exactSamples(
  aiming: Aiming,
  marks: readonly MarkShot[],
  around: { readonly logSpeed: Spread; readonly eyeMm: Spread },
  seed: number,
): readonly Sampled[] {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const crawls = aiming.kind === 'crawl' ? steps(5, 2.2) : [0];
  const scatters = steps(9, 2.6).map((z) => LOG_SCATTER.mean + z * LOG_SCATTER.sd);
  const nodes: Way[] = [];
  let most = -Infinity;
  const isSight = aiming.kind === 'sight';
  for (const speed of steps(isSight ? 81 : 41, 4.5))
    for (const drag of steps(9, 2.4))
      for (const eye of steps(isSight ? 9 : 25, 3.4))
        for (const crawl of crawls) {
          const logSpeed = around.logSpeed.mean + speed * around.logSpeed.sd;
          const logDrag = LOG_DRAG.mean + drag * LOG_DRAG.sd;
          const eyeMm = around.eyeMm.mean + eye * around.eyeMm.sd;
          const one = {
            speedMps: Math.exp(logSpeed),
            dragPerM: Math.exp(logDrag),
            eyeMm,
            slows: CRAWL_SLOWS.mean + crawl * CRAWL_SLOWS.sd,
            zero: 0,
          };
          const prior =
            -off(logSpeed, LOG_SPEED) -
            off(eyeMm, { mean: aiming.eyeOverNockMm, sd: EYE_OVER_NOCK.sd }) -
            (drag * drag + crawl * crawl) / 2;
          const slopes = marks.map((mark) => slopeFor(aiming, one, mark.distanceM, mark.set));
          if (slopes.some((slope) => slope === null)) continue;
          for (const scatter of scatters)
            for (const way of waysAt({ aiming, marks, one, slopes, scatter, prior, normal })) {
              if (way.log < most - LEAST_LOG) continue;
              most = Math.max(most, way.log);
              nodes.push(way);
            }
        }
  return draw(
    nodes.filter(({ log }) => log >= most - LEAST_LOG),
    uniform,
  );
}

interface Way {
  readonly log: number;
  readonly draw: () => Sampled;
}

function draw(nodes: readonly Way[], uniform: Uniform): readonly Sampled[] {
  const most = nodes.reduce((highest, { log }) => Math.max(highest, log), -Infinity);
  let total = 0;
  const until = nodes.map(({ log }) => (total += Math.exp(log - most)));
  // One uniform for all, in even steps: fewer accidents than as many throws of their own.
  const first = uniform();
  let at = 0;
  return Array.from({ length: SAMPLES }, (_, sample) => {
    const wanted = ((sample + first) / SAMPLES) * total;
    while (until[at]! < wanted && at < nodes.length - 1) at += 1;
    return nodes[at]!.draw();
  });
}

interface AtNode {
  readonly aiming: Aiming;
  readonly marks: readonly MarkShot[];
  readonly one: Sampled;
  readonly slopes: readonly (number | null)[];
  readonly scatter: number;
  readonly prior: number;
  readonly normal: () => number;
}

/** Read rightly, or one of the marks off by a division either way. */
function waysAt(node: AtNode): readonly Way[] {
  const { marks } = node;
  const slips = marks.flatMap((_, at) => [
    { at, by: 1 },
    { at, by: -1 },
  ]);
  return [{ at: -1, by: 0 }, ...slips].map((slip) => wayAt(node, slip));
}

function wayAt(
  { aiming, marks, one, slopes, scatter, prior, normal }: AtNode,
  slip: { readonly at: number; readonly by: number },
) {
  const sigma = Math.exp(scatter);
  let log =
    prior - off(scatter, LOG_SCATTER) + (slip.at < 0 ? 0 : Math.log(MISREAD / 2 / (1 - MISREAD)));
  let [weights, weighed, squares] = [0, 0, 0];
  for (const [at, mark] of marks.entries()) {
    const distanceMm = mark.distanceM * 1000;
    const division = divisionAsSlope(aiming, distanceMm);
    const variance =
      sigma ** 2 * (1 / mark.shots + END_AIM_SHARE ** 2) + (SET_TO_DIVISION * division) ** 2;
    const residual = seen(aiming, mark) - (at === slip.at ? slip.by * division : 0) - slopes[at]!;
    weights += 1 / variance;
    weighed += residual / variance;
    squares += residual ** 2 / variance;
    log -= Math.log(variance) / 2;
    log -= (mark.shots - 1) * scatter + mark.squaresMm2 / distanceMm ** 2 / (2 * sigma ** 2);
  }
  if (aiming.kind !== 'sight') return { log: log - squares / 2, draw: () => one };
  const zero = weighed / weights;
  return {
    log: log - (squares - weighed ** 2 / weights) / 2 - Math.log(weights) / 2,
    draw: () => ({ ...one, zero: zero + normal() / Math.sqrt(weights) }),
  };
}

function divisionAsSlope(aiming: Aiming, distanceMm: number): number {
  if (aiming.kind === 'sight') return (aiming.division * aiming.mmPerUnit) / aiming.eyeToApertureMm;
  if (aiming.kind === 'point') return aiming.division / distanceMm;
  return aiming.division * Math.abs(1 / aiming.arrowMm - 1 / distanceMm);
}

function seen(aiming: Aiming, { distanceM, set, upMm }: MarkShot): number {
  const up = upMm / (distanceM * 1000);
  if (aiming.kind === 'sight')
    return ((aiming.growsDown ? 1 : -1) * set * aiming.mmPerUnit) / aiming.eyeToApertureMm - up;
  return aiming.kind === 'point' ? up - set / (distanceM * 1000) : up;
}

/** A sight's elevation; else where it lands above the mark with the point on it, over the distance. */
function slopeFor(aiming: Aiming, one: Sampled, distanceM: number, set: number): number | null {
  if (aiming.kind === 'sight') {
    const elevation = elevationFor(one, distanceM, one.eyeMm / 1000);
    return elevation === null ? null : Math.tan(elevation);
  }
  const crawl = aiming.kind === 'crawl' ? set : 0;
  const eye = one.eyeMm - crawl;
  const slower = { ...one, speedMps: one.speedMps * (1 - one.slows * crawl) };
  const at = flightAt(slower, Math.atan(eye / aiming.arrowMm), distanceM);
  return at === null ? null : (at.upM * 1000 - eye) / (distanceM * 1000);
}

/** What each sample says of a figure: a mark, a hit above the mark, a crawl. */
export function exactFigures(
  aiming: Aiming,
  samples: readonly Sampled[],
  distanceM: number,
): readonly number[] {
  return samples.flatMap((one) => {
    if (aiming.kind === 'crawl') return [crawlOf(aiming, one, distanceM)];
    const slope = slopeFor(aiming, one, distanceM, 0);
    if (slope === null) return [];
    if (aiming.kind !== 'sight') return [slope * distanceM * 1000];
    const unit = ((aiming.growsDown ? 1 : -1) * aiming.mmPerUnit) / aiming.eyeToApertureMm;
    return [(slope + one.zero) / unit];
  });
}

function crawlOf(aiming: Aiming, one: Sampled, distanceM: number): number {
  return root((crawl) => -(slopeFor(aiming, one, distanceM, crawl) ?? -1), 0, 90);
}

export function exactPointOns(aiming: Aiming, samples: readonly Sampled[]): readonly number[] {
  return samples.map((one) =>
    root((distance) => -(slopeFor(aiming, one, distance, 0) ?? -1), 2, 120),
  );
}

function root(rising: (x: number) => number, low: number, high: number): number {
  let [below, above] = [low, high];
  for (let step = 0; step < 24; step += 1) {
    const middle = (below + above) / 2;
    if (rising(middle) < 0) below = middle;
    else above = middle;
  }
  return (below + above) / 2;
}

/** Width of the middle nine in ten. */
export function widthOf(figures: readonly number[]): number {
  const sorted = figures.toSorted((one, other) => one - other);
  return (
    sorted[Math.floor(0.95 * (sorted.length - 1))]! -
    sorted[Math.floor(0.05 * (sorted.length - 1))]!
  );
}
