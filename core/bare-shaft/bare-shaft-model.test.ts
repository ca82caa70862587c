import { describe, expect, it } from 'vitest';
import { bowFor } from '../fixtures/bow-log.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { studentMixtureHalfWidth, studentMixtureMean } from '../numeric/student-mixture.ts';
import { bareShaftFigure, bareShaftModels } from './bare-shaft-model.ts';

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;
const SHOTS = 40;
const SD_MM = 10;

/** Two settings of the nocking point, shot so often that the scatter is as good as known. */
function twoSettings(movedMm: number, shiftMm: number) {
  const normal = standardNormal(seededUniform(81));
  const log = bowFor('right');
  const session = log.open();
  const shoot = (end: number, upMm: number) => {
    const group = (middle: number) =>
      Array.from({ length: SHOTS }, () => [SD_MM * normal(), middle + SD_MM * normal()] as const);
    log.shots(session, end, 'fletched', group(0));
    log.shots(session, end, 'bare', group(upMm));
  };
  shoot(1, -40);
  log.change('nockingPoint', movedMm);
  shoot(2, -40 + shiftMm);
  return bareShaftModels(log.state).bareShaftUp;
}

/** The gain alone, as the model knows it. */
function gainOf(model: ReturnType<typeof twoSettings>) {
  const mixture = bareShaftFigure(model, model.rowOf(new Map([['nockingPoint', 1]])));
  return { mean: studentMixtureMean(mixture), half: studentMixtureHalfWidth(mixture) };
}

describe('what bare shafts have shown of the bow', () => {
  it.each([-0.5, -1, -2])(
    'learns a gain as fast as exact conjugate algebra, no faster (%f mm)',
    (moved) => {
      const { mean, half } = gainOf(twoSettings(moved, -20 * moved));
      // y₂ − y₁ = moved · g + e, both of this variance; g ~ N(−20, 12²); the level hardly helps.
      const noise = 2 * SD_MM ** 2 * (1 / SHOTS + 1 / SHOTS);
      const precision = 1 / 12 ** 2 + moved ** 2 / noise;
      const exact = HALF_90 / Math.sqrt(precision);
      expect(half / exact).toBeGreaterThan(0.95);
      expect(half / exact).toBeLessThan(1.1);
      expect(Math.abs(mean + 20)).toBeLessThan(2 * exact);
    },
  );

  it('keeps the rule of thumb for what was never moved', () => {
    const model = twoSettings(-1, 20);
    const rest = bareShaftFigure(model, model.rowOf(new Map([['restHeight', 1]])));
    expect(studentMixtureMean(rest)).toBeCloseTo(20, 6);
    expect(studentMixtureHalfWidth(rest)).toBeCloseTo(HALF_90 * 15, 0);
  });

  it('follows a bow that answers twice as strongly as the rule says', () => {
    const { mean } = gainOf(twoSettings(-2, 80));
    expect(mean).toBeLessThan(-34);
    expect(mean).toBeGreaterThan(-42);
  });
});
