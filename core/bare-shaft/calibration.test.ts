import { describe, expect, it } from 'vitest';
import { sessionOf } from '../fixtures/simulated-session.ts';
import { seededUniform, standardNormal, type Uniform } from '../numeric/random.ts';
import { SimulatedArcher } from '../simulate/simulated-archer.ts';
import { bareShaftVerdict, type BareShaftVerdict } from './bare-shaft-verdict.ts';
import {
  NO_SCATTER_PRIOR,
  SCATTER_FACTOR_ODDS,
  SCATTER_FACTORS,
} from '../groups/offset-posterior.ts';

const SESSIONS = 1000;
const NO_HISTORY = {
  outward: { scatter: NO_SCATTER_PRIOR },
  up: { scatter: NO_SCATTER_PRIOR },
};

interface Case {
  readonly ends?: number;
  readonly pluckedShare?: number;
  /** How far the aim wanders between ends, in scatters. */
  readonly aimWander?: number;
  /** Fletched in one end, bare in the next two. */
  readonly separateEnds?: boolean;
  /** Only after the last end. */
  readonly lastLook?: boolean;
  readonly cantOutwardDeg?: number;
  /** The bow leans, and the record does not say so. */
  readonly leanUnsaid?: boolean;
  /** Fixed, or drawn anew from its prior. */
  readonly bareFactor?: number;
  readonly offset: (uniform: Uniform, toleranceMm: number) => readonly [number, number];
}
const anyOffset: Case['offset'] = (uniform) => {
  const normal = standardNormal(uniform);
  return [60 * normal(), 60 * normal()];
};

/** Shoots sessions of 6 fletched and 3 bare an end, and judges each after every end. */
function* judged(seed: number, { ends = 1, offset, ...rest }: Case) {
  const uniform = seededUniform(seed);
  for (let i = 0; i < SESSIONS; i += 1) {
    const scatterMm = 5 * 8 ** uniform();
    const toleranceMm = Math.max(20, scatterMm);
    const [startOutwardMm, startUpMm] = offset(uniform, toleranceMm);
    const archer = new SimulatedArcher(seed * 7919 + i, {
      startOutwardMm,
      startUpMm,
      outwardGains: new Map(),
      upGains: new Map(),
      scatterMm,
      aimWander: rest.aimWander ?? 0,
      bareFactor: rest.bareFactor ?? drawFactor(uniform),
      bounceBelowMm: null,
      pluckedShare: rest.pluckedShare ?? 0,
      calledShare: 0,
      attitudePerMm: 0,
    });
    const shot = [];
    const looks: BareShaftVerdict[] = [];
    for (let end = 0; end < ends; end += 1) {
      if (rest.separateEnds === true)
        shot.push(archer.shootEnd(end === 0 ? 6 : 0, end === 0 ? 0 : 3).shots);
      else shot.push(archer.shootEnd(6, 3).shots);
      if (rest.lastLook === true && end < ends - 1) continue;
      const { cantOutwardDeg } = rest;
      const session = sessionOf(shot, {
        toleranceMm,
        ...(cantOutwardDeg === undefined ? {} : { cantOutwardDeg }),
      });
      const recorded = rest.leanUnsaid === true ? { ...session, cantOutwardDeg: 0 } : session;
      looks.push(bareShaftVerdict(recorded, [], NO_HISTORY));
    }
    yield { truth: archer.offset(), looks, toleranceMm };
  }
}

function drawFactor(uniform: Uniform): number {
  let left = uniform();
  return SCATTER_FACTORS.find((_, index) => (left -= SCATTER_FACTOR_ODDS[index]!) < 0) ?? 2.5;
}

/** Share of the 90 % intervals that hold the truth, both axes. */
function coverage(seed: number, simulated: Case): number {
  let held = 0;
  for (const { truth, looks } of judged(seed, simulated)) {
    const { outward, up } = looks.at(-1)!;
    if (Math.abs(outward.offsetMm! - truth.outwardMm) <= outward.plusMinusMm!) held += 1;
    if (Math.abs(up.offsetMm! - truth.upMm) <= up.plusMinusMm!) held += 1;
  }
  return held / (2 * SESSIONS);
}

const show = (share: number) => `${(100 * share).toFixed(1)} %`;

describe('the verdict over 1,000 simulated sessions', () => {
  it.each([
    ['plain', {}],
    ['with 5 % plucked shots nobody called', { pluckedShare: 0.05 }],
    ['after cant correction', { cantOutwardDeg: 25 }],
  ])('holds the truth 9 times in 10, %s', (name, simulated) => {
    const held = coverage(21, { offset: anyOffset, ...simulated });
    console.log(`90 % intervals, ${name}: ${show(held)}`);
    expect(held).toBeGreaterThanOrEqual(0.87);
    expect(held).toBeLessThanOrEqual(0.93);
  });

  it('holds it nearly as often when bare and fletched are shot in ends of their own', () => {
    const wandering = { ends: 3, lastLook: true, separateEnds: true, aimWander: 0.5 };
    const held = coverage(25, { offset: anyOffset, ...wandering });
    console.log(
      `90 % intervals, kinds in ends of their own, aim half a scatter apart: ${show(held)}`,
    );
    expect(held).toBeGreaterThanOrEqual(0.86);
    expect(held).toBeLessThanOrEqual(0.93);
    const mixed = coverage(26, { offset: anyOffset, ends: 2, lastLook: true, aimWander: 0.5 });
    console.log(`90 % intervals, mixed ends, aim half a scatter apart: ${show(mixed)}`);
    expect(mixed).toBeGreaterThanOrEqual(0.87);
    expect(mixed).toBeLessThanOrEqual(0.93);
  });

  it('would not hold it for a leaning bow that nobody wrote down', () => {
    const leaning = { offset: () => [0, -80] as const, cantOutwardDeg: 25 };
    expect(coverage(22, { ...leaning, leanUnsaid: true })).toBeLessThan(0.6);
    expect(coverage(22, leaning)).toBeGreaterThan(0.87);
  });

  it('prints what a fixed factor does to the intervals', () => {
    const [low, high] = [1, 2.5].map((bareFactor) =>
      coverage(23, { offset: anyOffset, bareFactor }),
    ) as [number, number];
    console.log(`90 % intervals at fixed k: 1 ${show(low)}, 2.5 ${show(high)}`);
    expect(low).toBeLessThanOrEqual(0.98);
    expect(high).toBeGreaterThanOrEqual(0.75);
  });

  it.each([
    [
      'inside the tolerance',
      (uniform: Uniform, tol: number) =>
        [(2 * uniform() - 1) * tol, (2 * uniform() - 1) * tol] as const,
    ],
    ['at its very edge', (_: Uniform, tol: number) => [tol, -tol] as const],
  ])('says “holds” wrongly at most 5 times in 100, %s, over four ends', (name, offset) => {
    let wrong = 0;
    for (const { looks } of judged(24, { ends: 4, offset }))
      if (looks.some(({ outward, up }) => outward.holds || up.holds)) wrong += 1;
    console.log(`“holds” said of offsets ${name}: ${show(wrong / SESSIONS)}`);
    expect(wrong / SESSIONS).toBeLessThanOrEqual(0.05);
  });

  it('recognises scattered bare shafts after 12 + 6, and hardly ever falsely', () => {
    const said = (bareFactor: number, aimWander = 0) => {
      let count = 0;
      const simulated = { ends: 2, offset: anyOffset, bareFactor, aimWander, lastLook: true };
      for (const { looks } of judged(25, simulated)) if (looks.at(-1)!.scattered) count += 1;
      return count / SESSIONS;
    };
    const [wide, narrow, usual] = [said(2.5), said(1), said(1.25)];
    console.log(
      `scattered at k 2.5 ${show(wide)}, at 1 ${show(narrow)}, at 1.25 ${show(usual)}; with an aim that wanders half a scatter between ends: ${show(said(2.5, 0.5))}`,
    );
    expect(wide).toBeGreaterThanOrEqual(0.7);
    expect(Math.max(narrow, usual)).toBeLessThanOrEqual(0.05);
  });
});
