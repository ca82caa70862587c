import { describe, expect, it } from 'vitest';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { nextArrowStep, type ShaftThereIs } from './arrow-steps.ts';
import type { MatchModel } from './match-model.ts';

const { shaft, point } = PLAIN_BUILD;
const parts = (spine: number, lengthMm: number, pointGr: number): ArrowBuild => ({
  ...PLAIN_BUILD,
  insert: null,
  shaft: { ...shaft, spine, lengthMm, massPerLengthGPerM: 18 },
  point: { ...point, massG: pointGr * G_PER_GR },
});
/** A bow drawn 711.2 mm: 736.2 mm are safe. */
const { state } = new BowLog().settle();
const ARROW = parts(600, 780, 100);

/**
 * What is known of ARROW: so far outward, so surely; 1.7 mm weaker for a grain, 1.25 stiffer for a millimetre, 37 for a
 * step, all of it exactly.
 */
function known(outwardMm: number, sdMm: number): MatchModel {
  return {
    source: 'shots',
    from: ARROW,
    fits: [
      {
        weight: 1,
        degrees: 200,
        mean: [outwardMm, -1.7 / G_PER_GR, 1.25, 37],
        covariance: [
          [sdMm ** 2, 0, 0, 0],
          [0, 0, 0, 0],
          [0, 0, 0, 0],
          [0, 0, 0, 0],
        ],
      },
    ],
    landingMm: 0,
    toleranceMm: 30,
  };
}
const points = (...grains: readonly number[]) => grains.map((one) => one * G_PER_GR);
const here: ShaftThereIs = { buildId: 'here', parts: ARROW };

function step(
  model: MatchModel,
  pointsG: readonly number[],
  { shafts = [here], fitted = here, endsShot = 3 } = {},
) {
  return nextArrowStep(state, model, { fitted, shafts, pointsG, endsShot });
}

describe('the next step toward an arrow that lands as it should', () => {
  it('is none where it does, after two ends at least', () => {
    expect(step(known(5, 8), points(100, 125))).toEqual({ kind: 'keep' });
    expect(step(known(5, 8), points(100, 125), { endsShot: 1 })).toEqual({
      kind: 'shoot',
      because: 'likelyGood',
    });
  });

  it('is to shoot while no side is known', () => {
    expect(step(known(20, 40), points(100, 125))).toEqual({
      kind: 'shoot',
      because: 'unsure',
    });
  });

  it('stiff by 60, 35 gr: of 25 more, which leaves 17 mm, and 45, which leaves 16, the nearer', () => {
    const next = step(known(60, 8), points(85, 100, 125, 145));
    expect(next).toMatchObject({ kind: 'fit', buildId: 'here' });
    expect(next.kind === 'fit' && next.pointG / G_PER_GR).toBeCloseTo(145, 0);
  });

  it('weak by 70 with the lightest point in: the shaft one step stiffer that lies there, before the saw', () => {
    const stiffer: ShaftThereIs = { buildId: 'stiffer', parts: parts(500, 780, 100) };
    expect(step(known(-70, 8), points(100, 125), { shafts: [here, stiffer] })).toMatchObject({
      kind: 'fit',
      buildId: 'stiffer',
    });
  });

  it('and with nothing else: the saw, six millimetres at most, never past where it lands right', () => {
    expect(step(known(-70, 8), points(100, 125))).toMatchObject({ kind: 'cut', cutMm: 6 });
    // Five millimetres would do it: three are cut. Its tolerance is narrow here, or it would be kept.
    expect(step({ ...known(-6, 2), toleranceMm: 3 }, points(100))).toMatchObject({
      kind: 'cut',
      cutMm: 3,
    });
    expect(step(known(-20, 14), points(100))).not.toMatchObject({ kind: 'cut' });
  });

  it('never a shaft shorter than is safe: two millimetres left are no cut', () => {
    const short = parts(600, 738, 100);
    const fitted: ShaftThereIs = { buildId: 'here', parts: short };
    expect(
      step({ ...known(-70, 8), from: short }, points(100), { fitted, shafts: [fitted] }),
    ).toEqual({ kind: 'spent', needs: 'stiffer' });
  });

  it('no point that makes it too light to be shot', () => {
    // 34 lb and a pound for the fingers: 210 gr are the least; this one has 217 with 100 in front.
    const light: ArrowBuild = {
      ...parts(600, 780, 100),
      shaft: { ...parts(600, 780, 100).shaft, massPerLengthGPerM: 8.3 },
    };
    const fitted: ShaftThereIs = { buildId: 'here', parts: light };
    const next = step({ ...known(-40, 6), from: light }, points(75, 100), {
      fitted,
      shafts: [fitted],
    });
    expect(next).toMatchObject({ kind: 'cut' });
  });
});
