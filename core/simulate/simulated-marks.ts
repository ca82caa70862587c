import { type ArrowFlight, elevationFor, flightAt } from '../flight/arrow-flight.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { squaresAboutMean, meanOf } from '../numeric/moments.ts';
import type { Aiming, AimKind } from '../craft/aiming.ts';
import type { MarkShot } from '../sight-marks/mark-shot.ts';

const MM_PER_M = 1000;
/** Shots have heavier tails than a normal: Student's with so many degrees of freedom. */
const DEGREES = 5;
/** Each end's aim sits elsewhere, by this share of the scatter. */
const WANDER = 0.3;
/** How well the scale is set or the hook placed, in divisions. */
const SET_TO = 0.2;
/** One archer in so many reads one mark off by a whole division. */
const MISREADS = 0.02;

/** An archer with a bow whose marks nobody knows. */
export interface SimulatedMarks {
  /** What the archer knows of the aim, as measured. */
  readonly aiming: Aiming;
  /** What would hit at a distance; null: out of reach. Not for the archer's eyes. */
  readonly trueSet: (distanceM: number) => number | null;
  /** How far above the mark it lands with the point on it, mm. */
  readonly trueHitMm: (distanceM: number) => number;
  /** Shoots an end with what is set. */
  readonly shootEnd: (distanceM: number, set: number, shots: number) => MarkShot;
  /** The bow is another from now on: faster by a share, its zero elsewhere by a slope. */
  readonly change: (change: { readonly speedShare: number; readonly zero: number }) => void;
}

/** A bow that is tuned and an archer who shoots it, drawn by a seed; the archer's knowledge is a little wrong. */
export function simulatedMarks(seed: number, kind: AimKind): SimulatedMarks {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const flight: ArrowFlight = {
    speedMps: between(kind === 'sight' ? 44 : 40, 66),
    dragPerM: Math.exp(between(Math.log(0.0012), Math.log(0.0032))),
  };
  const known = kind === 'sight' ? 115 : 85;
  const eyeMm = known + 10 * normal();
  const scatter = Math.exp(between(Math.log(0.7e-3), Math.log(2.2e-3)));
  const apertureMm = between(650, 980);
  const arrowMm = between(680, 780);
  const slows = Math.max(0, 0.0006 + 0.0003 * normal());
  const bar = { zero: between(20, 60), growsDown: uniform() < 0.7 };
  const mmPerUnit = uniform() < 0.5 ? 1 : 10;
  const division = kind === 'sight' ? 1 / mmPerUnit : kind === 'crawl' ? 2 : 20;
  const misread = uniform() < MISREADS ? Math.floor(uniform() * 3) : -1;
  const wayOff = uniform() < 0.5 ? -1 : 1;
  let [share, zero, ends] = [0, 0, 0];
  const now = (): ArrowFlight => ({ ...flight, speedMps: flight.speedMps * (1 + share) });
  const unit = ((bar.growsDown ? 1 : -1) * mmPerUnit) / apertureMm;

  const slope = (distanceM: number) => {
    const elevation = elevationFor(now(), distanceM, eyeMm / MM_PER_M);
    return elevation === null ? null : Math.tan(elevation) - zero;
  };
  const hitMm = (distanceM: number, crawlMm: number) => {
    const eye = eyeMm - crawlMm;
    const slower = { ...now(), speedMps: now().speedMps * (1 - slows * crawlMm) };
    const at = flightAt(slower, Math.atan(eye / arrowMm + zero), distanceM);
    return at === null ? -10_000 : at.upM * MM_PER_M - eye;
  };
  const trueCrawl = (distanceM: number) => {
    if (hitMm(distanceM, 0) <= 0) return null;
    let [low, high] = [0, eyeMm + 40];
    for (let step = 0; step < 40; step += 1) {
      const middle = (low + high) / 2;
      if (hitMm(distanceM, middle) > 0) low = middle;
      else high = middle;
    }
    return low;
  };
  const trueSet = (distanceM: number) => {
    if (kind === 'crawl') return trueCrawl(distanceM);
    if (kind === 'point') return -hitMm(distanceM, 0);
    const wanted = slope(distanceM);
    return wanted === null ? null : bar.zero + wanted / unit;
  };
  const upFor = (distanceM: number, set: number) => {
    if (kind === 'crawl') return hitMm(distanceM, set);
    if (kind === 'point') return hitMm(distanceM, 0) + set;
    const wanted = slope(distanceM);
    if (wanted === null) return -10_000;
    return ((set - bar.zero) * unit - wanted) * distanceM * MM_PER_M;
  };
  const student = () => {
    let squares = 0;
    for (let one = 0; one < DEGREES; one += 1) squares += normal() ** 2;
    return normal() / Math.sqrt(squares / DEGREES) / Math.sqrt(DEGREES / (DEGREES - 2));
  };
  return {
    aiming:
      kind === 'sight'
        ? {
            kind,
            eyeOverNockMm: known,
            eyeToApertureMm: apertureMm + 5 * normal(),
            mmPerUnit,
            growsDown: bar.growsDown,
            division,
          }
        : { kind, eyeOverNockMm: known, arrowMm: arrowMm + 2 * normal(), division },
    trueSet,
    trueHitMm: (distanceM) => hitMm(distanceM, 0),
    shootEnd: (distanceM, set, shots) => {
      const really = set + SET_TO * division * normal();
      const wander = WANDER * scatter * normal();
      const middle = upFor(distanceM, really);
      const ups = Array.from(
        { length: shots },
        () => middle + (wander + scatter * student()) * distanceM * MM_PER_M,
      );
      const isMisread = ends === misread;
      ends += 1;
      return {
        distanceM,
        set: isMisread ? set + wayOff * division : set,
        upMm: meanOf(ups),
        shots,
        squaresMm2: squaresAboutMean(ups),
        changesSince: 0,
      };
    },
    change: (change) => {
      share += change.speedShare;
      zero += change.zero;
    },
  };
}
