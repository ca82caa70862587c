import { describe, expect, it } from 'vitest';
import { stepWords } from '../words/step-words.ts';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { withVerdict } from '../fixtures/tuned-bow.ts';
import { CONTROLS, type Control } from '../craft/controls.ts';
import { FIT_OUT_LABEL, type FitOutItem, ITEM_TOUCHES } from '../craft/fit-out.ts';
import { LAST_BENCH_STEP, STEP_IDS, type StepId } from '../craft/steps.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { firstOpenBenchStep, isReadyToTune, stepStates } from './step-states.ts';

function stale(log: BowLog): readonly StepId[] {
  return stepStates(log.state)
    .filter((status) => status.state === 'stale')
    .map((status) => status.step.id);
}
function wordsOf(log: BowLog, id: StepId): string | undefined {
  const found = stepStates(log.state).find((status) => status.step.id === id);
  return found === undefined ? undefined : stepWords(found);
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

  it('asks nothing for one odd reading among many that agree', () => {
    const log = bowFor('right').settle();
    for (let time = 0; time < 4; time += 1) log.read('braceHeight', 216, 216, 216);
    log.add({
      kind: 'targetSet',
      reading: 'braceHeight',
      low: 213,
      high: 219,
      name: 'quiet',
      why: 'heard',
    });
    log.read('braceHeight', 220.5);
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

/** What each item must put in doubt, written out by hand from the workshop's table. */
const FROM_NOCK_FIT: readonly StepId[] = [
  'nockFit',
  'drawWeight',
  'roughBrace',
  'roughTiller',
  'limbLine',
  'restAndPlunger',
  'nockingPoint',
  'centreShot',
  'clickerLength',
  'shootIn',
  'braceSearch',
  'bareShaft',
  'walkBack',
  'fineTuning',
  'sightMarks',
  'proof',
  'fix',
];
const HANGING: readonly StepId[] = ['roughTiller', 'nockingPoint', 'bareShaft', 'fineTuning'];
const HELD: readonly StepId[] = [
  'clickerLength',
  'drawWeight',
  'bareShaft',
  'walkBack',
  'fineTuning',
  'sightMarks',
  'proof',
];
const ARROW: readonly StepId[] = ['bareShaft', 'fineTuning', 'sightMarks'];
const ITEMS: readonly (readonly [FitOutItem, readonly StepId[]])[] = [
  ['string', FROM_NOCK_FIT],
  ['silencers', FROM_NOCK_FIT],
  ['rods', HANGING],
  ['weights', HANGING],
  ['quiver', HANGING],
  ['grip', HELD],
  ['tab', HELD],
  ['anchor', HELD],
  ['hook', HELD],
  ['crawl', HELD],
  ['clicker', HELD],
  ['spine', ARROW],
  ['insert', ARROW],
  ['fletching', ARROW],
  ['plungerSpring', ['bareShaft', 'fineTuning']],
  ['rest', ['restAndPlunger', 'nockingPoint', 'bareShaft']],
];

function fit(log: BowLog, item: FitOutItem): void {
  log.add({
    kind: 'itemFitted',
    item,
    described: 'another',
    touches: ITEM_TOUCHES[item],
    ...(item === 'string'
      ? { string: { stringId: 's2', material: 'polyester' as const, shotsBefore: 100 } }
      : {}),
  });
}

describe('a change of item', () => {
  it.each(ITEMS)('%s turns exactly its steps stale, with the reason', (item, steps) => {
    const log = withVerdict();
    fit(log, item);
    expect(stale(log).toSorted()).toEqual(steps.toSorted());
    for (const step of steps) expect(wordsOf(log, step)).toContain(`new ${FIT_OUT_LABEL[item]}`);
  });

  it('leaves out what the tuner says it does not touch', () => {
    const log = withVerdict();
    log.add({ kind: 'itemFitted', item: 'rods', described: 'longer', touches: ['nockingPoint'] });
    expect(stale(log)).toEqual(['nockingPoint']);
  });
});

/** What clears each step, as the workshop's list has it; nothing else changes. */
const CLEARS: readonly (readonly [StepId, (log: BowLog) => void])[] = [
  ['nockFit', (log) => log.add({ kind: 'stepConfirmed', step: 'nockFit', note: '' })],
  ['drawWeight', (log) => log.read('drawWeight', 34 * N_PER_LBF, 34 * N_PER_LBF)],
  ['roughBrace', (log) => log.read('braceHeight', 216, 216, 216)],
  ['roughTiller', (log) => (log.read('tillerTop', 180), log.read('tillerBottom', 175.5))],
  [
    'limbLine',
    (log) => (
      log.read('limbLineTop', 0), log.read('limbLineBottom', 0), log.read('limbLineRod', 0)
    ),
  ],
  [
    'restAndPlunger',
    (log) => (
      log.read('restHeight', 0),
      log.add({ kind: 'stepConfirmed', step: 'restAndPlunger', note: '' })
    ),
  ],
  ['nockingPoint', (log) => log.read('nockingHeight', 4.5)],
  ['centreShot', (log) => log.read('centreShotAtPoint', 3)],
  [
    'clickerLength',
    (log) => (
      log.read('drawLength', 711),
      log.add({ kind: 'stepConfirmed', step: 'clickerLength', note: '' })
    ),
  ],
  ['fix', (log) => log.add({ kind: 'stepConfirmed', step: 'fix', note: '' })],
];

describe('firstOpenBenchStep', () => {
  const onTheBench = STEP_IDS.slice(0, STEP_IDS.indexOf(LAST_BENCH_STEP) + 1);

  it.each(CONTROLS)('after a change of %s is the first step it upsets on the bench', (control) => {
    const log = withVerdict();
    log.change(control, control === 'shaftCut' ? 3 : 1);
    const first = onTheBench.find((step) => UPSET[control].includes(step)) ?? null;
    expect(firstOpenBenchStep(log.state)).toBe(first);
    expect(isReadyToTune(stepStates(log.state))).toBe(first === null);
  });

  it('passes over what is skipped', () => {
    const log = new BowLog();
    expect(firstOpenBenchStep(log.state)).toBe('purpose');
    log.add({ kind: 'stepSkipped', step: 'purpose', why: 'known' });
    expect(firstOpenBenchStep(log.state)).toBe('inspect');
  });
});

describe('what clears a step', () => {
  it.each(CLEARS)('clears %s and nothing else', (step, clear) => {
    const log = withVerdict();
    fit(log, 'string');
    const before = stale(log);
    clear(log);
    expect(stale(log)).toEqual(before.filter((one) => one !== step));
  });

  it('wants both the reading and the look', () => {
    const log = withVerdict();
    log.change('restHeight', 1);
    log.read('restHeight', 0);
    expect(wordsOf(log, 'restAndPlunger')).toBe('stale, measured, to look at');
  });
});

describe('a step skipped', () => {
  it('says why, and comes back when the skip is taken back', () => {
    const log = new BowLog();
    const id = log.add({ kind: 'stepSkipped', step: 'proof', why: 'practice bow' });
    expect(wordsOf(log, 'proof')).toBe('skipped: practice bow');
    log.undo(id);
    expect(wordsOf(log, 'proof')).toBe('to do');
  });

  it('stays so through turns while it was never read; other limbs ask again', () => {
    const log = new BowLog();
    log.add({ kind: 'stepSkipped', step: 'drawWeight', why: 'no scale' });
    log.change('twists', 3);
    expect(wordsOf(log, 'drawWeight')).toBe('skipped: no scale');
    log.add({
      kind: 'itemFitted',
      item: 'limbs',
      described: 'others',
      touches: ITEM_TOUCHES.limbs,
      limbs: { limbsId: 'others', shotsBefore: 0 },
    });
    expect(wordsOf(log, 'drawWeight')).toBe('to do');
  });

  it('once read, it is asked for again after a turn that moves it', () => {
    const log = new BowLog();
    log.read('drawWeight', 150, 150);
    log.add({ kind: 'stepSkipped', step: 'drawWeight', why: 'scale at home' });
    expect(wordsOf(log, 'drawWeight')).toBe('skipped: scale at home');
    log.change('twists', 3);
    expect(wordsOf(log, 'drawWeight')).toMatch(/^stale/);
  });
});

describe('the schedule of a new string', () => {
  it('asks for the brace after 20, 50 and 100 shots, each once', () => {
    const log = withVerdict();
    log.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'new',
      touches: ITEM_TOUCHES.string,
      string: { stringId: 's2', material: 'lowStretch', shotsBefore: 0 },
    });
    log.read('braceHeight', 216, 216, 216);
    for (const [shots, mark] of [
      [20, 20],
      [30, 50],
      [50, 100],
    ] as const) {
      expect(wordsOf(log, 'roughBrace')).toBe('holds');
      log.add({ kind: 'shotsFired', count: shots, note: '' });
      expect(wordsOf(log, 'roughBrace')).toBe(`stale, ${mark} shots on this string`);
      log.read('braceHeight', 216, 216, 216);
    }
    log.add({ kind: 'shotsFired', count: 100, note: '' });
    expect(wordsOf(log, 'roughBrace')).toBe('holds');
  });
});
