import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { defaultTolerance } from '../groups/default-tolerance.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { SimulatedArcher } from '../simulate/simulated-archer.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';

const ARCHERS = 100;
const WEEK_HOURS = 7 * 24;
const [FIRST_MM, NOW_MM, WEEKS] = [40, 15, 10];
/** The purpose's own figure, mm at 18 m: the present scatter lies below it. */
const PURPOSE_MM = 20;

/** An archer who scatters so much, bare shafts so far off. */
function archerOf(seed: number, scatterMm: number, [outward, up]: readonly [number, number]) {
  return new SimulatedArcher(seed, {
    startOutwardMm: outward,
    startUpMm: up,
    outwardGains: new Map(),
    upGains: new Map(),
    scatterMm,
    aimWander: 0.5,
    bareFactor: 1.25,
    bounceBelowMm: null,
    pluckedShare: 0,
    calledShare: 0,
    attitudePerMm: 0,
  });
}

function shoot(log: BowLog, session: string, archer: SimulatedArcher, end: number, bare: number) {
  for (const { arrow, outwardMm, upMm } of archer.shootEnd(6, bare).shots)
    log.shots(session, end, arrow, [[outwardMm, upMm]]);
}

it('an archer from 40 to 15 mm in ten weeks is judged by what he scatters now', () => {
  let [held, wronglyDone] = [0, 0];
  const tolerances: number[] = [];
  for (let seed = 31_001; seed < 31_001 + ARCHERS; seed += 1) {
    const normal = standardNormal(seededUniform(seed));
    const log = new BowLog();
    for (let week = 0; week < WEEKS; week += 1) {
      const scatterMm = FIRST_MM + ((NOW_MM - FIRST_MM) * week) / (WEEKS - 1);
      const session = log.open();
      const archer = archerOf(seed * 100 + week, scatterMm, [0, 0]);
      for (const end of [1, 2, 3]) shoot(log, session, archer, end, 0);
      log.add({ kind: 'sessionClosed', sessionId: session });
      log.wait(WEEK_HOURS);
    }
    const tolerance = defaultTolerance(log.state, 18);
    tolerances.push(tolerance.outwardMm, tolerance.upMm);
    const offset = [30 * normal(), 30 * normal()] as const;
    const session = log.open(Math.max(tolerance.outwardMm, tolerance.upMm));
    const archer = archerOf(seed * 100 + 99, NOW_MM, offset);
    const beyond = offset.some((mm) => Math.abs(mm) > PURPOSE_MM);
    let saidDone = false;
    for (const end of [1, 2, 3, 4]) {
      shoot(log, session, archer, end, 3);
      if (end < 3) continue;
      saidDone ||= sessionVerdict(log.state, log.state.sessions.at(-1)!).done;
    }
    const { outward, up } = sessionVerdict(log.state, log.state.sessions.at(-1)!);
    held += Number(Math.abs(outward.offsetMm! - offset[0]) <= outward.plusMinusMm!);
    held += Number(Math.abs(up.offsetMm! - offset[1]) <= up.plusMinusMm!);
    if (saidDone && beyond) wronglyDone += 1;
  }
  const share = held / (2 * ARCHERS);
  const mean = tolerances.reduce((sum, one) => sum + one, 0) / tolerances.length;
  console.log(
    `an archer who learns: tolerance ${mean.toFixed(1)} mm for ${PURPOSE_MM}, intervals hold ${(100 * share).toFixed(1)} %, done beyond ${PURPOSE_MM} mm ${((100 * wronglyDone) / ARCHERS).toFixed(1)} %`,
  );
  expect(mean).toBeLessThan(1.3 * PURPOSE_MM);
  expect(share).toBeGreaterThanOrEqual(0.86);
  expect(share).toBeLessThanOrEqual(0.94);
  expect(wronglyDone / ARCHERS).toBeLessThanOrEqual(0.05);
});
