import { describe, expect, it } from 'vitest';
import { SimulatedArcher, type ShootingTruth } from '../simulate/simulated-archer.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { axisSums, offsetHalfWidthMm, offsetPosterior } from '../groups/offset-posterior.ts';
import { BOUNCE_SAID_AT, bounceOdds, type HeightShot } from './bounce.ts';

const HALF_90 = 1.6449;
const BOWS = 300;
const STEP_MM = 2;

function truth(
  seed: number,
  bouncing: boolean,
  scatter: { readonly low: number; readonly high: number },
): ShootingTruth {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  let gain = 20 + 12 * normal();
  while (gain < 2) gain = 20 + 12 * normal();
  return {
    startOutwardMm: 0,
    startUpMm: bouncing ? 60 * normal() : -Math.abs(60 * normal()),
    outwardGains: new Map(),
    upGains: new Map([['nockingPoint', -gain]]),
    scatterMm: scatter.low * (scatter.high / scatter.low) ** uniform(),
    bareFactor: 1 + 0.8 * uniform(),
    bounceBelowMm: bouncing ? 1 + 5 * uniform() : null,
    pluckedShare: 0.03,
    calledShare: 0.5,
    aimWander: 0.5,
    attitudePerMm: 0.05,
  };
}

/** Three ends at three heights, each 2 mm lower: what a tuner does who takes nock-high for high. */
function threeHeights(archer: SimulatedArcher): readonly HeightShot[] {
  return [0, 1, 2].map((step) => {
    if (step > 0) archer.move([{ control: 'nockingPoint', amount: -STEP_MM }]);
    const end = archer.shootEnd(6, 3);
    const values = (arrow: string) =>
      end.shots.filter((shot) => shot.arrow === arrow && !shot.calledBad).map(({ upMm }) => upMm);
    const [fletched, bare] = [values('fletched'), values('bare')];
    if (bare.length < 2)
      return { heightMm: -STEP_MM * step, upMm: 0, sdMm: 200, ends: 1, markedEnds: 0 };
    const posterior = offsetPosterior(axisSums(fletched, bare), {
      degrees: 6,
      sdMm: archer.truth.scatterMm,
    });
    return {
      heightMm: -STEP_MM * step,
      upMm: posterior.centreMm,
      sdMm: offsetHalfWidthMm(posterior) / HALF_90,
      ends: 1,
      markedEnds: end.shelfMarks ? 1 : 0,
    };
  });
}

function share(bouncing: boolean, scatter: { low: number; high: number }): number {
  let said = 0;
  for (let bow = 0; bow < BOWS; bow += 1) {
    const archer = new SimulatedArcher(4000 + bow, truth(3000 + bow, bouncing, scatter));
    const heights = threeHeights(archer);
    if (bounceOdds(heights, heights.at(-1)!.heightMm).now >= BOUNCE_SAID_AT) said += 1;
  }
  return said / BOWS;
}

describe('the bounce trap', () => {
  it('is recognised within three ends at three heights, and hardly ever claimed falsely', () => {
    const steady = { low: 5, high: 30 };
    const [found, falsely] = [share(true, steady), share(false, steady)];
    const wide = { low: 30, high: 40 };
    console.log(
      `bounce: recognised ${(100 * found).toFixed(1)} %, claimed falsely ${(100 * falsely).toFixed(1)} %; scatter above 30 mm: ${(100 * share(true, wide)).toFixed(1)} % and ${(100 * share(false, wide)).toFixed(1)} %`,
    );
    expect(found).toBeGreaterThanOrEqual(0.8);
    expect(falsely).toBeLessThanOrEqual(0.05);
  });

  it('cannot be told at one height, whatever the marks', () => {
    const one = { heightMm: 0, upMm: -60, sdMm: 8, ends: 3, markedEnds: 3 };
    expect(bounceOdds([one], 0).now).toBe(0);
  });

  it('is the plain story when lowering raises bare shafts, and the trap when it lowers them', () => {
    const shot = (heightMm: number, upMm: number): HeightShot => ({
      heightMm,
      upMm,
      sdMm: 8,
      ends: 1,
      markedEnds: 0,
    });
    const plain = bounceOdds([shot(0, -60), shot(-2, -20), shot(-4, 20)], -4);
    const trap = bounceOdds([shot(0, -60), shot(-2, -130), shot(-4, -210)], -4);
    expect(plain.now).toBeLessThan(0.05);
    expect(trap.now).toBeGreaterThan(0.95);
    expect(trap.thresholdMm).toBeGreaterThan(-2);
  });

  it('cares for differences of height only, not where they are counted from', () => {
    const shots = [0, -2, -4].map(
      (heightMm, i): HeightShot => ({
        heightMm,
        upMm: -40 - 30 * i,
        sdMm: 20,
        ends: 1,
        markedEnds: i === 1 ? 1 : 0,
      }),
    );
    const moved = shots.map((one) => ({ ...one, heightMm: one.heightMm + 9 }));
    expect(bounceOdds(moved, 5).now).toBeCloseTo(bounceOdds(shots, -4).now, 1);
  });
});
