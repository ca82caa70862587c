import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { CONTROLS, type Control } from '../craft/controls.ts';
import type { StepId } from '../craft/steps.ts';
import { stepStates } from './step-states.ts';

function stale(log: BowLog): readonly StepId[] {
  return stepStates(log.state)
    .filter((status) => status.state === 'stale')
    .map((status) => status.step.id);
}
function wordsOf(log: BowLog, id: StepId): string | undefined {
  return stepStates(log.state).find((status) => status.step.id === id)?.words;
}
function withVerdict(): BowLog {
  const log = bowFor('right');
  const session = log.open(40);
  for (const end of [1, 2]) {
    log.shots(session, end, 'fletched', [
      [1, 2],
      [-3, 1],
      [2, -2],
      [0, 3],
      [-2, -1],
      [3, 0],
    ]);
    log.shots(session, end, 'bare', [
      [2, 1],
      [-1, -2],
      [1, 2],
    ]);
  }
  return log;
}

/** What each control must put in doubt, written out by hand from the workshop's table. */
const UPSET: Readonly<Record<Control, readonly StepId[]>> = {
  twists: [
    'drawWeight',
    'roughBrace',
    'roughTiller',
    'nockingPoint',
    'braceSearch',
    'bareShaft',
    'sightMarks',
  ],
  topBolt: [
    'drawWeight',
    'roughBrace',
    'roughTiller',
    'nockingPoint',
    'braceSearch',
    'bareShaft',
    'sightMarks',
  ],
  bottomBolt: [
    'drawWeight',
    'roughBrace',
    'roughTiller',
    'nockingPoint',
    'braceSearch',
    'bareShaft',
    'sightMarks',
  ],
  nockingPoint: ['bareShaft', 'sightMarks'],
  plungerReach: ['centreShot', 'bareShaft', 'walkBack', 'sightMarks'],
  sidePlate: ['centreShot', 'bareShaft', 'walkBack', 'sightMarks'],
  topSideScrews: ['limbLine', 'centreShot', 'bareShaft', 'walkBack'],
  bottomSideScrews: ['limbLine', 'centreShot', 'bareShaft', 'walkBack'],
  plungerPreload: ['bareShaft', 'fineTuning'],
  restHeight: ['restAndPlunger', 'nockingPoint', 'bareShaft'],
  pointMass: ['bareShaft', 'fineTuning', 'sightMarks'],
  shaftCut: ['clickerLength', 'bareShaft', 'fineTuning', 'sightMarks'],
};

describe('stepStates', () => {
  it('begins with everything to do', () => {
    expect(stepStates(new BowLog().state).every((status) => status.state === 'toDo')).toBe(true);
  });

  it('holds once each step is cleared, bare shaft by its verdict', () => {
    expect(stepStates(withVerdict().state).filter((status) => status.state !== 'holds')).toEqual(
      [],
    );
  });

  it.each(CONTROLS)('a change of %s turns exactly its steps stale', (control) => {
    const log = withVerdict();
    log.change(control, control === 'shaftCut' ? 3 : 1);
    expect(stale(log).toSorted()).toEqual(UPSET[control].toSorted());
  });

  it('says since what, in twists, and adds them up', () => {
    const log = withVerdict();
    log.change('twists', 4);
    for (const id of UPSET.twists) expect(wordsOf(log, id)).toBe('stale, 4 twists since');
    log.change('twists', 2);
    expect(wordsOf(log, 'roughBrace')).toBe('stale, 6 twists since');
  });

  it('can be half stale: a nocking-point change leaves the lateral verdict standing', () => {
    const log = withVerdict();
    log.change('nockingPoint', 1);
    expect(wordsOf(log, 'bareShaft')).toBe('vertical stale, nocking point 1 mm since');
    const other = withVerdict();
    other.change('plungerPreload', -0.5);
    expect(wordsOf(other, 'bareShaft')).toBe('lateral stale, plunger preload 1/2 turn since');
  });

  it('both bolts in one move also doubt the lateral bare shaft; one bolt does not', () => {
    const one = withVerdict();
    one.change('topBolt', 0.5);
    expect(wordsOf(one, 'bareShaft')).toMatch(/^vertical stale/);
    const both = withVerdict();
    both.change('topBolt', 0.5, 'move-1');
    both.change('bottomBolt', 0.5, 'move-1');
    expect(wordsOf(both, 'bareShaft')).toMatch(/^stale/);
  });

  it('clears brace with three readings, however they come, and counts on the way', () => {
    const log = withVerdict();
    log.change('twists', 1);
    log.read('braceHeight', 217);
    expect(wordsOf(log, 'roughBrace')).toBe('stale, 1 of 3 readings');
    log.read('braceHeight', 217, 216.5);
    expect(wordsOf(log, 'roughBrace')).toBe('holds');
  });

  it('says out of band, and outside the limits before that', () => {
    const log = bowFor('right').settle({ tillerTop: 190 });
    expect(wordsOf(log, 'roughTiller')).toBe('above band');
    const limit = bowFor('right').settle({ braceHeight: 225 });
    expect(wordsOf(limit, 'roughBrace')).toBe('outside the limits');
  });

  it('leaves out what a shelf bow does not have', () => {
    const ids = stepStates(bowFor('right', 'shelfTarget').state).map((status) => status.step.id);
    expect(ids).not.toContain('restAndPlunger');
    expect(ids).not.toContain('clickerLength');
    expect(ids).toContain('nockingPoint');
  });
});
