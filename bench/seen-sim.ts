import { bareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { provisionalSide } from '#core/bare-shaft/session-evidence.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { foldLog } from '#core/log/fold.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { SimulatedArcher } from '#core/simulate/simulated-archer.ts';
import { drawBow } from './adviser-truth.ts';

/** What was noted beside where the shafts went. */
export type Noted = 'attitude' | 'flight' | 'both';

const DISTANCE_M = 10;
const SCATTER_MM = 30;
const ENDS = 3;
const READ_SD_DEG = 1.5;
const SWING_SD_DEG = 2;
/** Flight is judged by eye: so much of it is luck, and less than this is seen as straight. */
const EYE_SD_MM = 40;
const SEEN_FROM_MM = 50;
const NONE = { scatter: { degrees: 0, sdMm: 0 } };

/**
 * The side said of the lateral axis while three ends of two bare shafts are shot at 10 m, by who watches
 * them fly: `right` or `wrong` side, or null.
 */
export function sideSaid(seed: number, misfitMm: number, noted: Noted): 'right' | 'wrong' | null {
  const uniform = seededUniform(seed * 7 + 3);
  const normal = standardNormal(uniform);
  const { truth } = drawBow(seed, 0);
  const archer = new SimulatedArcher(seed + 17, {
    ...truth,
    startOutwardMm: misfitMm,
    startUpMm: 0,
    scatterMm: SCATTER_MM,
    scatterUpMm: SCATTER_MM,
    bounceBelowMm: null,
    turned: null,
  });
  const log = new BowLog();
  log.add({
    kind: 'sessionOpened',
    sessionId: 's',
    distanceM: DISTANCE_M,
    toleranceMm: 22,
    toleranceWhy: '',
    buttMm: 1220,
  });
  for (let end = 1; end <= ENDS; end += 1) {
    for (const shot of archer.shootEnd(3, 2, DISTANCE_M).shots) {
      const outwardDeg =
        -misfitMm * truth.attitudePerMm + Math.hypot(READ_SD_DEG, SWING_SD_DEG) * normal();
      const upDeg = Math.hypot(READ_SD_DEG, SWING_SD_DEG) * normal();
      log.add({
        kind: 'shotPlaced',
        shotId: `x${log.log.length}`,
        sessionId: 's',
        endNumber: end,
        ...shot,
        attitude:
          shot.arrow === 'bare' && noted !== 'flight'
            ? { outwardDeg: Math.round(outwardDeg), upDeg: Math.round(upDeg) }
            : undefined,
      });
    }
    if (noted !== 'attitude') {
      // The tail flies to the other side of where the shaft lands.
      const way = (mm: number) => (Math.abs(mm) < SEEN_FROM_MM ? 0 : mm > 0 ? -1 : 1);
      log.add({
        kind: 'endNoted',
        sessionId: 's',
        endNumber: end,
        flight: {
          outward: way(misfitMm + EYE_SD_MM * normal()),
          up: way(EYE_SD_MM * normal()),
        },
      });
    }
    const state = foldLog(log.log)!;
    const session = state.sessions[0]!;
    const verdict = bareShaftVerdict(session, state.upsets, { outward: NONE, up: NONE });
    const call =
      provisionalSide(state, session, verdict, 'bareShaftOutward')?.call ?? verdict.outward.call;
    if (call === 'plus' || call === 'minus')
      return (call === 'plus') === misfitMm > 0 ? 'right' : 'wrong';
  }
  return null;
}

/** A misfit of 60 mm or more at 18 m, mostly not much more. */
export function misfitOf(seed: number): number {
  const uniform = seededUniform(seed + 99_991);
  const normal = standardNormal(uniform);
  return (uniform() < 0.5 ? -1 : 1) * (60 + 40 * Math.abs(normal()));
}
