import { describe, expect, it } from 'vitest';
import { ITEM_TOUCHES } from '../craft/fit-out.ts';
import { bowFor } from '../fixtures/bow-log.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import {
  studentMixtureHalfWidth,
  studentMixtureMean,
  studentMixtureVariance,
} from '../numeric/student-mixture.ts';
import { bareShaftFigure, bareShaftModels } from './bare-shaft-model.ts';

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;
const SHOTS = 40;
const SD_MM = 10;

/** An end of so many of each that the scatter is as good as known. */
function shootEnd(
  log: ReturnType<typeof bowFor>,
  session: string,
  end: number,
  upMm: number,
  normal = standardNormal(seededUniform(82 + end)),
): void {
  const group = (middle: number) =>
    Array.from({ length: SHOTS }, () => [SD_MM * normal(), middle + SD_MM * normal()] as const);
  log.shots(session, end, 'fletched', group(0));
  log.shots(session, end, 'bare', group(upMm));
}

function fitRest(log: ReturnType<typeof bowFor>): void {
  log.add({
    kind: 'itemFitted',
    item: 'rest',
    described: 'another',
    touches: [...ITEM_TOUCHES.rest],
  });
}

/** Two settings of the nocking point, shot so often that the scatter is as good as known. */
function twoSettings(movedMm: number, shiftMm: number) {
  const normal = standardNormal(seededUniform(81));
  const log = bowFor('right');
  const session = log.open();
  shootEnd(log, session, 1, -40, normal);
  log.change('nockingPoint', movedMm);
  shootEnd(log, session, 2, -40 + shiftMm, normal);
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

  it('holds bare shafts nobody shot to be within 100 mm, two times in three', () => {
    const { bareShaftUp } = bareShaftModels(bowFor('right').state);
    const now = bareShaftFigure(bareShaftUp, bareShaftUp.rowNow);
    expect(studentMixtureMean(now)).toBe(0);
    expect(Math.sqrt(studentMixtureVariance(now))).toBeCloseTo(100, 1);
  });

  it('follows a bow that answers twice as strongly as the rule says', () => {
    const { mean } = gainOf(twoSettings(-2, 80));
    expect(mean).toBeLessThan(-34);
    expect(mean).toBeGreaterThan(-42);
  });

  it.each([1, 3, 40])(
    'takes %d rests nobody shot between for one step as uncertain as all of them',
    (rests) => {
      const log = bowFor('right');
      shootEnd(log, log.open(), 1, -40);
      const shot = bareShaftModels(log.state).bareShaftUp;
      for (let one = 0; one < rests; one += 1) fitRest(log);
      const later = bareShaftModels(log.state).bareShaftUp;
      const spread = ({ rowNow, ...model }: typeof later) =>
        studentMixtureVariance(bareShaftFigure({ rowNow, ...model }, rowNow));
      // One new rest may move bare shafts by 50 mm, so many by 50 √n: variances add.
      expect((spread(later) - spread(shot)) / (rests * 50 ** 2)).toBeCloseTo(1, 6);
    },
  );

  it('leaves to a step between two sets of shots what lies between them', () => {
    const log = bowFor('right');
    const present = () => {
      const { bareShaftUp } = bareShaftModels(log.state);
      return studentMixtureMean(bareShaftFigure(bareShaftUp, bareShaftUp.rowNow));
    };
    shootEnd(log, log.open(), 1, -40);
    const before = present();
    fitRest(log);
    shootEnd(log, log.open(), 2, 20);
    // Shot as often, each is known to about 2 mm: 60 mm apart stays 60 mm apart, and all that is one step.
    expect(present() - before).toBeGreaterThan(55);
    expect(present() - before).toBeLessThan(65);
  });

  /** The lower the nocking point, the lower bare shafts, against the rule: the tail bounces. */
  function bouncing(between: (log: ReturnType<typeof bowFor>) => void = () => undefined) {
    const log = bowFor('right');
    const session = log.open();
    shootEnd(log, session, 1, 60);
    log.change('nockingPoint', -2);
    shootEnd(log, session, 2, -20);
    between(log);
    log.change('nockingPoint', -2);
    shootEnd(log, session, 3, -100);
    return bareShaftModels(log.state).bareShaftUp;
  }

  it('learns no gain from heights at which the tail bounces', () => {
    const model = bouncing();
    expect(model.bounce?.now).toBeGreaterThan(0.8);
    expect(gainOf(model).mean).toBeCloseTo(-20, 0);
  });

  it('compares heights on one rest only: another begins anew', () => {
    expect(bouncing(fitRest).bounce?.now).toBe(0);
  });
});
