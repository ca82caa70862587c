import { describe, expect, it } from 'vitest';
import { checkProposal } from '../limits/check-proposal.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { stepStates } from '../order/step-states.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import { changesBetween, fitBuild, touchedBy } from './fit-build.ts';

const { shaft, point, nock } = PLAIN_BUILD;
const HEAVY: ArrowBuild = { ...PLAIN_BUILD, point: { ...point, massG: 150 * G_PER_GR } };
const LONG: ArrowBuild = { ...PLAIN_BUILD, shaft: { ...shaft, lengthMm: 780 } };

/** A tuned bow with a build on it, shot bare until it was done. */
function shooting(parts: ArrowBuild = LONG): BowLog {
  const log = new BowLog().settle();
  log.add({ kind: 'buildKept', buildId: 'build', name: 'long ones', parts });
  log.add(
    fitBuild(log.state, {
      buildId: 'build',
      revisionId: log.log.at(-1)!.id,
      name: 'long ones',
      parts,
    }),
  );
  return log;
}

/** Steps that are stale and were not before. */
function wentStale(log: BowLog, act: () => void): readonly string[] {
  const stale = () =>
    stepStates(log.state)
      .filter(({ state }) => state === 'stale')
      .map(({ step }) => step.id);
  const before = stale();
  act();
  return stale().filter((step) => !before.includes(step));
}

describe('a build on a bow', () => {
  it('is the bow’s arrow: length, point, mass and parts', () => {
    const { arrow } = shooting().state.bow;
    expect(arrow).toMatchObject({ lengthMm: 780, described: 'long ones', diameterMm: 6 });
    // 16.5 g/m × 0.78 m + 110 + 12 + 8 + 9 gr.
    expect(arrow?.massG).toBeCloseTo(12.87 + 139 * G_PER_GR, 3);
  });

  it('cut, or with another point, is another revision, at the bow and in the workshop', () => {
    const log = shooting();
    const cut = log.change('shaftCut', 6);
    const pointed = log.change('pointMass', 1.3);
    const build = log.state.builds.get('build')!;
    expect(build.revisions.map(({ how, name }) => [how, name])).toEqual([
      ['kept', 'long ones'],
      ['changed', 'long ones'],
      ['changed', 'long ones'],
    ]);
    expect(build.revisions.map(({ revisionId }) => revisionId).slice(1)).toEqual([cut, pointed]);
    const { arrow } = log.state.bow;
    expect(arrow?.build?.revisionId).toBe(pointed);
    expect(arrow?.build?.parts.shaft.lengthMm).toBe(774);
    expect(arrow?.build?.parts.point.massG).toBeCloseTo(110 * G_PER_GR + 1.3, 9);
    // What was sawn off weighs nothing any more: 6 mm of 16.5 g/m.
    expect(arrow?.massG).toBeCloseTo(12.87 + 139 * G_PER_GR - 0.099 + 1.3, 3);
  });

  it('a change taken back takes its revision with it', () => {
    const log = shooting();
    const cut = log.change('shaftCut', 6);
    log.undo(cut);
    expect(log.state.builds.get('build')?.revisions).toHaveLength(1);
    expect(log.state.bow.arrow?.build?.parts).toEqual(LONG);
  });

  it('a turn of the plunger is no revision', () => {
    const log = shooting();
    log.change('plungerPreload', 1);
    expect(log.state.builds.get('build')?.revisions).toHaveLength(1);
  });

  it('too light for the bow, or too short for the draw, is refused where it is fitted', () => {
    const light: ArrowBuild = {
      ...LONG,
      shaft: { ...LONG.shaft, massPerLengthGPerM: 6 },
      point: { ...point, massG: 40 * G_PER_GR },
    };
    const log = new BowLog().settle();
    const code = (parts: ArrowBuild) =>
      checkProposal(log.state, [
        fitBuild(log.state, { buildId: 'b', revisionId: 'r', name: 'x', parts }),
      ])?.code;
    expect(code(light)).toBe('arrowTooLight');
    // 35 lb: 175 gr are a dry shot, under 210 nothing is proposed. 106 + 60 + 29 gr are 195.
    const between: ArrowBuild = {
      ...LONG,
      shaft: { ...LONG.shaft, massPerLengthGPerM: 8.8 },
      point: { ...point, massG: 60 * G_PER_GR },
    };
    expect(code(between)).toBe('arrowTooLight');
    expect(code({ ...LONG, shaft: { ...LONG.shaft, lengthMm: 700 } })).toBe('shaftTooShort');
    expect(code(LONG)).toBeUndefined();
  });
});

describe('another arrow', () => {
  it('with another point alone puts marks and bare shafts in doubt, and no length of the clicker', () => {
    const log = shooting();
    const stale = wentStale(log, () => {
      log.add(
        fitBuild(log.state, {
          buildId: 'other',
          revisionId: 'x',
          name: 'heavy',
          parts: { ...LONG, point: HEAVY.point },
        }),
      );
    });
    expect(stale).not.toContain('clickerLength');
    expect(touchedBy(LONG, { ...LONG, point: HEAVY.point })).toEqual([
      'bareShaftVertical',
      'bareShaftLateral',
      'fineTuning',
      'sightMarks',
    ]);
  });

  it('that is shorter touches the clicker as well, and a fatter one rest and nocking point', () => {
    expect(touchedBy(LONG, PLAIN_BUILD)).toContain('clickerLength');
    expect(touchedBy(LONG, PLAIN_BUILD)).not.toContain('nockingPoint');
    const fat = { ...LONG, shaft: { ...LONG.shaft, diameterAtPointMm: 9 } };
    expect(touchedBy(LONG, fat)).toEqual(
      expect.arrayContaining(['nockingPoint', 'restAndPlunger']),
    );
  });

  it('with another nock has its nock fit looked at; the same arrow touches nothing', () => {
    expect(touchedBy(LONG, { ...LONG, nock: { ...nock, massG: 0.6 } })).toContain('nockFit');
    expect(touchedBy(LONG, { ...LONG })).toEqual([]);
  });

  it('that nobody knows touches all a shaft does', () => {
    expect(touchedBy(null, LONG)).toEqual(
      expect.arrayContaining(['clickerLength', 'nockingPoint']),
    );
  });

  it('that is the same cut, or with another point, is made of the old one by these changes', () => {
    expect(changesBetween(LONG, LONG)).toEqual([]);
    // Slid to 110 gr again: stored as 7.12 g it was 109.9 gr.
    const slid = { ...LONG, point: { ...point, massG: point.massG + 0.004 } };
    expect(changesBetween(LONG, slid)).toEqual([]);
    expect(
      changesBetween(LONG, {
        ...LONG,
        shaft: { ...LONG.shaft, lengthMm: 774 },
        point: HEAVY.point,
      }),
    ).toEqual([
      { control: 'shaftCut', amount: 6 },
      { control: 'pointMass', amount: HEAVY.point.massG - point.massG },
    ]);
    expect(changesBetween(PLAIN_BUILD, LONG)).toBeNull();
    expect(changesBetween(LONG, { ...LONG, nock: { ...nock, massG: 0.6 } })).toBeNull();
  });
});
