import type { ArrowFlight } from '../flight/arrow-flight.ts';
import type { NormalPrior } from '../numeric/grid-linear.ts';
import {
  combinationOf,
  independentNormals,
  type JointNormal,
  updatedBy,
} from '../numeric/normal-update.ts';
import type { NormalMixture } from '../numeric/normal-mixture.ts';
import {
  END_AIM_SHARE,
  EYE_OVER_NOCK,
  LOG_SCATTER,
  MISREAD,
  SET_TO_DIVISION,
} from '../priors/flight-priors.ts';
import type { Aiming } from '../craft/aiming.ts';
import { cellOf, type FlightNode, gridNodes, narrowed } from './flight-grid.ts';
import type { MarkShot } from './mark-shot.ts';
import {
  divisionSlope,
  eyeUnknown,
  slopeOf,
  slopeSeen,
  type TuneChange,
  unknownsOf,
  wholeRow,
} from './marks-model.ts';

const MM_PER_M = 1000;

/** What is known of speed and drag before a mark was shot, as logarithms of m/s and 1/m. */
export interface FlightKnown {
  readonly logSpeed: NormalPrior;
  readonly logDrag: NormalPrior;
  /** What was done to the tune since the first mark, the newest first. */
  readonly changes: readonly TuneChange[];
}

/** One way it may be: a flight, a scatter, and what else is not known as normals about them. */
interface MarksPart {
  readonly weight: number;
  readonly flight: ArrowFlight;
  /** Scatter up and down, as an angle. */
  readonly scatter: number;
  readonly unknowns: JointNormal;
  /** Which mark is taken as read wrong by a division here; null: none. */
  readonly misread: number | null;
}

/** What marks shot so far say: a mixture over flights, scatters and misreadings. */
export interface MarksPosterior {
  readonly aiming: Aiming;
  /** How many changes of the tune it knows of. */
  readonly changes: number;
  readonly parts: readonly MarksPart[];
  /** ln of how likely these marks were, whatever speed, drag and the rest. */
  readonly logEvidence: number;
}

/** Passes over ever narrower grids of speed and drag: each takes in what the one before found likely. */
const PASSES = 4;
const SCATTER_NODES = [-2, -1, 0, 1, 2] as const;
const MIDDLE = 2;
/** A part less likely than this share of the likeliest is left out. */
const LEAST_WEIGHT = 3e-4;
/** Parts are kept until so much of the weight is together. */
const KEPT_SHARE = 0.997;
const LOG_MISREAD = Math.log(MISREAD / 2 / (1 - MISREAD));
/** How often the eye's height is taken anew, where the arrow's line rests on it. */
const EYE_PASSES = 2;

/**
 * Speed, drag and scatter on a grid, everything else normal given those; each mark may be one that was read
 * off by a whole division. Without a mark: what is known beforehand.
 */
export function marksPosterior(
  aiming: Aiming,
  marks: readonly MarkShot[],
  known: FlightKnown,
): MarksPosterior {
  const changes = known.changes.length;
  let at = aiming;
  let offEye = 0;
  for (let pass = 0; ; pass += 1) {
    const { parts, logEvidence } = partsOf({
      aiming: at,
      marks,
      known,
      eye: { mean: -offEye, sd: EYE_OVER_NOCK.sd },
    });
    const eye = eyeUnknown(at);
    const moved = parts.reduce(
      (sum, { weight, unknowns }) => sum + weight * unknowns.mean[eye]!,
      0,
    );
    if (at.kind === 'sight' || pass === EYE_PASSES - 1)
      return { aiming: at, changes, parts, logEvidence };
    offEye += moved;
    at = { ...at, eyeOverNockMm: at.eyeOverNockMm + moved };
  }
}

interface Question {
  readonly aiming: Aiming;
  readonly marks: readonly MarkShot[];
  readonly known: FlightKnown;
  /** Beside where it is taken to be, mm. */
  readonly eye: NormalPrior;
}

/** A scatter worth looking at, and what the shots of each end say of it. */
interface ScatterNode {
  readonly logScatter: number;
  readonly logOdds: number;
}

function partsOf(question: Question): Pick<MarksPosterior, 'parts' | 'logEvidence'> {
  const { known } = question;
  const scatters = scattersOf(question.marks);
  let grid = {
    logDrag: known.logDrag,
    logSpeed: known.logSpeed,
    /** Of ln speed by ln drag: more drag is made up for by more speed. */
    tilt: 0,
  };
  const likeliest = scatters.slice(MIDDLE, MIDDLE + 1);
  for (let pass = 1; ; pass += 1) {
    const isLast = pass === PASSES;
    const weighed = gridNodes(grid).flatMap((node) =>
      waysOf(question, node, isLast ? scatters : likeliest).map((way) => ({ ...way, ...node })),
    );
    const most = weighed.reduce((highest, { log }) => Math.max(highest, log), -Infinity);
    const kept = weighed
      .map(({ log, ...way }) => ({ ...way, weight: Math.exp(log - most) }))
      .filter(({ weight }) => weight > (isLast ? LEAST_WEIGHT : 0));
    const total = kept.reduce((sum, { weight }) => sum + weight, 0);
    if (isLast)
      return { parts: heaviest(kept, total), logEvidence: most + Math.log(total * cellOf(grid)) };
    grid = narrowed(kept, total, grid);
  }
}

/** The likeliest, until so much is together: the long tail of what hardly can be only costs time. */
function heaviest(
  ways: readonly (Omit<MarksPart, 'weight'> & { readonly weight: number })[],
  total: number,
): readonly MarksPart[] {
  const sorted = ways.toSorted((one, other) => other.weight - one.weight);
  let sum = 0;
  const kept: MarksPart[] = [];
  for (const { flight, scatter, unknowns, misread, weight } of sorted) {
    if (sum > KEPT_SHARE * total) break;
    sum += weight;
    kept.push({ flight, scatter, unknowns, misread, weight });
  }
  return kept.map((part) => ({ ...part, weight: part.weight / sum }));
}

/** Scatters worth looking at: the prior and what the shots of each end say of it, without where the ends lie. */
function scattersOf(marks: readonly MarkShot[]): readonly ScatterNode[] {
  const squares = marks.reduce(
    (sum, { squaresMm2, distanceM }) => sum + squaresMm2 / (distanceM * MM_PER_M) ** 2,
    0,
  );
  const degrees = marks.reduce((sum, { shots }) => sum + shots - 1, 0);
  const logDensity = (log: number) =>
    -(((log - LOG_SCATTER.mean) / LOG_SCATTER.sd) ** 2) / 2 -
    degrees * log -
    (squares * Math.exp(-2 * log)) / 2;
  // Newton from the prior's middle: the density of the logarithm has one hill.
  let log = LOG_SCATTER.mean;
  const bend = (at: number) => 1 / LOG_SCATTER.sd ** 2 + 2 * squares * Math.exp(-2 * at);
  for (let step = 0; step < 50; step += 1) {
    const slope =
      -(log - LOG_SCATTER.mean) / LOG_SCATTER.sd ** 2 - degrees + squares * Math.exp(-2 * log);
    log += Math.max(-1, Math.min(1, slope / bend(log)));
  }
  const sd = 1 / Math.sqrt(bend(log));
  const nodes = SCATTER_NODES.map((node) => log + node * sd);
  // As odds among themselves: how likely the shots within an end were says nothing of where ends lie.
  const most = logDensity(log);
  const total = nodes.reduce((sum, one) => sum + Math.exp(logDensity(one) - most), 0);
  return nodes.map((logScatter) => ({
    logScatter,
    logOdds: logDensity(logScatter) - most - Math.log(total),
  }));
}

/** The ways marks may have come about at one node: all read rightly, or one of them off by a division. */
function waysOf(
  { aiming, marks, known, eye }: Question,
  node: FlightNode,
  scatters: readonly ScatterNode[],
) {
  const flight = { speedMps: Math.exp(node.logSpeed), dragPerM: Math.exp(node.logDrag) };
  const slopes = marks.map((mark) => slopeOf(aiming, flight, mark.distanceM, mark.set));
  if (slopes.some((slope) => slope === null)) return [];
  const off = (log: number, { mean, sd }: NormalPrior) => ((log - mean) / sd) ** 2 / 2;
  const prior = -off(node.logSpeed, known.logSpeed) - off(node.logDrag, known.logDrag);
  const start = independentNormals(unknownsOf(aiming, eye, known.changes));
  return scatters.flatMap(({ logScatter, logOdds }) => {
    const scatter = Math.exp(logScatter);
    let unknowns = start;
    let log = prior + logOdds;
    const seen = marks.map((mark, at) => {
      const slope = slopes[at]!;
      return {
        row: wholeRow(slope, known.changes.length, mark.changesSince),
        off: slopeSeen(aiming, mark) - slope.base,
        variance: endVariance(aiming, mark, scatter),
        division: divisionSlope(aiming, mark),
      };
    });
    for (const { row, off: y, variance } of seen) {
      const next = updatedBy(unknowns, row, y, variance);
      unknowns = next.known;
      log += next.logEvidence;
    }
    const well = { flight, scatter, unknowns, misread: null as number | null, log };
    if (marks.length < 2) return [well];
    return [well, ...seen.flatMap((one, at) => misreadWays(well, one, at))];
  });
}

/** Read off by a division either way, the rest as it was: only where the mean lies changes, and how likely it all is. */
function misreadWays<W extends { readonly unknowns: JointNormal; readonly log: number }>(
  well: W,
  {
    row,
    off,
    variance,
    division,
  }: {
    readonly row: readonly number[];
    readonly off: number;
    readonly variance: number;
    readonly division: number;
  },
  misread: number,
) {
  const fitted = combinationOf(well.unknowns, row);
  // S⁻¹ of all marks together, by what is known after them: its row times the residuals, and its diagonal.
  const pulled = (off - fitted.mean) / variance;
  const stiff = 1 / variance - fitted.variance / variance ** 2;
  return [division, -division].map((by) => ({
    ...well,
    misread,
    log: well.log + LOG_MISREAD + by * pulled - (by * by * stiff) / 2,
    unknowns: shifted(well.unknowns, row, -by / variance),
  }));
}

/** The mean moved along what a row is worth, C row, so many times. */
function shifted({ mean, covariance }: JointNormal, row: readonly number[], times: number) {
  const size = mean.length;
  const moved = Float64Array.from(mean, (value, i) => {
    let along = 0;
    for (let j = 0; j < size; j += 1) along += covariance[i * size + j]! * row[j]!;
    return value + times * along;
  });
  return { mean: moved, covariance };
}

/** How far an end's mean lies from where its aim shoots, as a slope squared. */
export function endVariance(
  aiming: Aiming,
  { distanceM, shots }: Pick<MarkShot, 'distanceM' | 'shots'>,
  scatter: number,
): number {
  const set = SET_TO_DIVISION * divisionSlope(aiming, { distanceM });
  return scatter ** 2 * (1 / shots + END_AIM_SHARE ** 2) + set ** 2;
}

/**
 * The slope of one aim at a distance, as a mixture.
 *
 * @param crawlMm with kind `crawl`
 */
export function slopeMixture(
  { aiming, changes, parts }: MarksPosterior,
  distanceM: number,
  crawlMm = 0,
): NormalMixture {
  const kept = parts.flatMap(({ weight, flight, unknowns }) => {
    const slope = slopeOf(aiming, flight, distanceM, crawlMm);
    if (slope === null) return [];
    const rest = combinationOf(unknowns, wholeRow(slope, changes, 0));
    return [{ weight, mean: slope.base + rest.mean, sd: Math.sqrt(rest.variance) }];
  });
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  return kept.map((part) => ({ ...part, weight: part.weight / total }));
}

/** The middle of all there is as one part: for figures that are shown without their doubt. */
export function middleOf({ parts, ...rest }: MarksPosterior): MarksPosterior {
  const mean = (of: (part: MarksPart) => number) =>
    parts.reduce((sum, part) => sum + part.weight * of(part), 0);
  const size = parts[0]?.unknowns.mean.length ?? 0;
  const part: MarksPart = {
    weight: 1,
    flight: {
      speedMps: Math.exp(mean(({ flight }) => Math.log(flight.speedMps))),
      dragPerM: Math.exp(mean(({ flight }) => Math.log(flight.dragPerM))),
    },
    scatter: mean(({ scatter }) => scatter),
    unknowns: {
      mean: Float64Array.from({ length: size }, (_, at) =>
        mean(({ unknowns }) => unknowns.mean[at]!),
      ),
      covariance: new Float64Array(size * size),
    },
    misread: null,
  };
  return { ...rest, parts: [part] };
}
