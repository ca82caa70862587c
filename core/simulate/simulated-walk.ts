import { BowLog } from '../fixtures/bow-log.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { walkBackStanding, WALK_BACK_SHOTS } from '../walk-back/walk-back-standing.ts';

/** What nobody knows of a walk before it is shot. */
export interface WalkTruth {
  readonly buttMm: number;
  readonly markBelowTopMm: number;
  readonly nearestM: number;
  /** One standard deviation at 18 m. */
  readonly scatterMm: number;
  readonly withHistory: boolean;
  readonly speedMps: number;
  readonly eyeMm: number;
  /** Where the sight sends the arrow at the nearest distance before anybody has set it. */
  readonly firstOff: { readonly outwardMm: number; readonly upMm: number };
  /** How far off it is still once set, at most, mm to either side. */
  readonly setWithinMm: number;
  readonly leanMmPerM: number;
  /** Each end is aimed at anew, by this share of the scatter. */
  readonly wander: number;
}

/** How one walk went. */
export interface WalkOutcome {
  readonly shots: number;
  /** Shots that missed the butt at a distance that was asked for. */
  readonly off: number;
  readonly distances: readonly number[];
  readonly sightSet: number;
  readonly ended: 'allShot' | 'buttTooSmall' | 'questionSpeed' | 'tired';
}

const MOST_ENDS = 24;
const USUAL_SPEED_MPS = 52;

/** A walk drawn at random: poor and good archers, small and tall butts, sights far off. */
export function drawWalk(uniform: () => number): WalkTruth {
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const off = (mostMm: number) => {
    const [size, way] = [mostMm * uniform(), 2 * Math.PI * uniform()];
    return { outwardMm: size * Math.cos(way), upMm: size * Math.sin(way) };
  };
  const buttMm = between(600, 1400);
  return {
    buttMm,
    markBelowTopMm: Math.min(300, buttMm / 2),
    nearestM: 10,
    scatterMm: between(5, 60),
    withHistory: uniform() < 0.5,
    speedMps: USUAL_SPEED_MPS * between(0.9, 1.1),
    eyeMm: between(80, 150),
    firstOff: off(400),
    setWithinMm: 40,
    leanMmPerM: between(-4, 4),
    wander: 0.5,
  };
}

/** Walks as the program asks for it, the sight set whenever it asks for that. */
export function simulateWalk(truth: WalkTruth, seed: number): WalkOutcome {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const log = new BowLog();
  if (truth.withHistory) shootHistory(log, truth, normal);
  const sessionId = `session-${log.log.length}`;
  log.add({
    kind: 'sessionOpened',
    sessionId,
    sessionKind: 'walkBack',
    distanceM: truth.nearestM,
    toleranceMm: 30,
    toleranceWhy: '',
    buttMm: truth.buttMm,
    markBelowTopMm: truth.markBelowTopMm,
  });
  let aim = truth.firstOff;
  let [shots, off, sightSet] = [0, 0, 0];
  const distances: number[] = [];
  for (let end = 1; end <= MOST_ENDS; end += 1) {
    const { next } = walkBackStanding(log.state, log.state.sessions.at(-1)!);
    if (next.kind === 'setSight') {
      log.add({ kind: 'aimSet', sessionId });
      sightSet += 1;
      aim = {
        outwardMm: truth.setWithinMm * (2 * uniform() - 1),
        upMm: truth.setWithinMm * (2 * uniform() - 1),
      };
      continue;
    }
    if (next.kind !== 'shoot' && next.kind !== 'sightIn')
      return { shots, off, distances, sightSet, ended: next.kind };
    const { distanceM } = next;
    if (distances.at(-1) !== distanceM) distances.push(distanceM);
    const scatter = (truth.scatterMm * distanceM) / 18;
    const [aimOut, aimUp] = [truth.wander * scatter * normal(), truth.wander * scatter * normal()];
    for (let shot = 0; shot < (next.kind === 'sightIn' ? 1 : WALK_BACK_SHOTS); shot += 1) {
      const hit = flightOf(truth, aim, distanceM);
      const outwardMm = hit.outwardMm + aimOut + scatter * normal();
      const upMm = hit.upMm + aimUp + scatter * normal();
      shots += 1;
      if (!isOnButt(truth, outwardMm, upMm)) off += 1;
      log.add({
        kind: 'shotPlaced',
        shotId: `shot-${log.log.length}`,
        sessionId,
        endNumber: end,
        arrow: 'fletched',
        outwardMm,
        upMm,
        calledBad: false,
        distanceM,
      });
    }
  }
  return { shots, off, distances, sightSet, ended: 'tired' };
}

/** Point mass without drag from a nock below the eye, sighted for the nearest distance. */
function flightOf(
  { nearestM, eyeMm, speedMps, leanMmPerM }: WalkTruth,
  aim: WalkTruth['firstOff'],
  distanceM: number,
) {
  const dropMm = (metres: number) => (9.81 * metres ** 2 * 1000) / (2 * speedMps ** 2);
  // The line of departure meets the mark at the nearest distance: eye and drop there fix its slope.
  const slope = (eyeMm + dropMm(nearestM)) / nearestM;
  return {
    outwardMm: (aim.outwardMm * distanceM) / nearestM + leanMmPerM * (distanceM - nearestM),
    upMm: slope * distanceM - eyeMm - dropMm(distanceM) + (aim.upMm * distanceM) / nearestM,
  };
}

function isOnButt({ buttMm, markBelowTopMm }: WalkTruth, outwardMm: number, upMm: number) {
  return (
    Math.abs(outwardMm) <= buttMm / 2 && upMm <= markBelowTopMm && upMm >= markBelowTopMm - buttMm
  );
}

function shootHistory(log: BowLog, { scatterMm }: WalkTruth, normal: () => number): void {
  const session = log.open(40, 18);
  for (let end = 1; end <= 3; end += 1)
    log.shots(
      session,
      end,
      'fletched',
      Array.from({ length: 6 }, () => [scatterMm * normal(), scatterMm * normal()] as const),
    );
}
