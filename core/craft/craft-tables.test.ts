import { describe, expect, it } from 'vitest';
import { BOW_KINDS, type Hook, hasAdjustableBolts, SCHOOLS, type School } from './bow-terms.ts';
import { checklist } from './checklists.ts';
import { CONTROL_FACTS, type Control, changeWords } from './controls.ts';
import { ITEM_TOUCHES, STRING_CHECK_SHOTS } from './fit-out.ts';
import { READINGS, type ReadingKind } from './readings.ts';
import {
  purposeToleranceMm,
  SCHOOL_HABITS,
  startingCentreShotBand,
  startingNockingBand,
  startingTillerBand,
} from '../priors/starting-values.ts';
import { notForSchool, STEPS } from './steps.ts';

const LB = 4.4482216152605;

describe('controls: their signs, units and steps', () => {
  it.each<readonly [Control, string, string, number, number, boolean]>([
    ['twists', '4 twists in', '4 twists out', 1, 12, true],
    ['topBolt', 'Top bolt 4 turns in', 'Top bolt 4 turns out', 1 / 8, 2, true],
    ['bottomBolt', 'Bottom bolt 4 turns in', 'Bottom bolt 4 turns out', 1 / 8, 2, true],
    ['nockingPoint', 'Nocking point 4 mm up', 'Nocking point 4 mm down', 0.5, 6, false],
    ['plungerReach', 'Plunger reach 4 turns out', 'Plunger reach 4 turns in', 1 / 4, 2, false],
    [
      'plungerPreload',
      'Plunger preload 4 turns stiffer',
      'Plunger preload 4 turns softer',
      1 / 4,
      2,
      false,
    ],
    ['sidePlate', 'Side plate 4 mm thicker', 'Side plate 4 mm thinner', 0.1, 3, false],
    ['restHeight', 'Rest 4 mm up', 'Rest 4 mm down', 0.5, 5, false],
    [
      'topSideScrews',
      'Top side screws 4 turns outward one tighter',
      'Top side screws 4 turns inward one tighter',
      1 / 8,
      1,
      true,
    ],
    [
      'bottomSideScrews',
      'Bottom side screws 4 turns outward one tighter',
      'Bottom side screws 4 turns inward one tighter',
      1 / 8,
      1,
      true,
    ],
    ['pointMass', 'Point mass 62 gr heavier', 'Point mass 62 gr lighter', 0.324, 4, false],
    ['shaftCut', 'Shaft 4 mm cut off', 'Shaft 4 mm cut off', 3, 6, false],
  ])('%s', (...row) => {
    const [control, plus, minus, step, largest, needsUnstrung] = row;
    expect(changeWords(control, 4)).toBe(plus);
    expect(changeWords(control, -4)).toBe(minus);
    const facts = CONTROL_FACTS[control];
    expect(facts.step).toBeCloseTo(step, 3);
    expect(facts.largest).toBe(largest);
    expect(facts.needsUnstrung).toBe(needsUnstrung);
    expect(facts.reversible).toBe(control !== 'shaftCut');
  });
});

describe('readings: spread of one, and what is good enough', () => {
  it.each<readonly [ReadingKind, string, number, number]>([
    ['braceHeight', 'b', 0.7, 2],
    ['tillerTop', 'tt', 0.7, 2],
    ['tillerBottom', 'tb', 0.7, 2],
    ['drawWeight', 'w', 0.15 * LB, 0.5 * LB],
    ['nockingHeight', 'n', 0.3, 0.5],
    ['centreShotAtPoint', 'cs', 0.3, 0.5],
    ['centreShotAtPlunger', 'cs@p', 0.3, 0.5],
    ['limbLineTop', 'll t', 0.3, 0.5],
    ['limbLineBottom', 'll b', 0.3, 0.5],
  ])('%s', (kind, code, sd, tolerance) => {
    expect(READINGS[kind].code).toBe(code);
    expect(READINGS[kind].typicalSd).toBeCloseTo(sd, 9);
    expect(READINGS[kind].tolerance).toBeCloseTo(tolerance, 9);
    expect(READINGS[kind].quantity).toBe(kind === 'drawWeight' ? 'force' : 'length');
  });
});

describe('the schools', () => {
  const from = (school: School, hook: Hook) => ({
    bowKind: 'targetRecurve' as const,
    amoLengthIn: 68,
    purpose: 'target' as const,
    school,
    hook,
  });
  it.each<readonly [School, Hook, readonly [number, number], readonly [number, number]]>([
    ['sighted', 'split', [3, 6], [3, 6]],
    ['barebow', 'stringWalk', [-6, 0], [6, 12]],
    ['shelfTarget', 'threeUnder', [-2, 2], [13, 19]],
    ['shelfTarget', 'split', [1, 5], [10, 13]],
    ['shelfHunting', 'threeUnder', [-2, 2], [13, 19]],
    ['shelfHunting', 'split', [1, 5], [13, 19]],
  ])('%s, %s: tiller %j, nocking height %j', (school, hook, tiller, nocking) => {
    const { low, high } = startingTillerBand(from(school, hook));
    expect([low, high]).toEqual(tiller);
    const start = startingNockingBand(from(school, hook));
    expect([start.low, start.high]).toEqual(nocking);
  });

  it('centre shot: half a shaft outward with a sight, dead in line or a touch outward barebow', () => {
    expect(startingCentreShotBand(from('sighted', 'split'), 6)).toMatchObject({
      low: 2.5,
      high: 3.5,
    });
    expect(startingCentreShotBand(from('barebow', 'stringWalk'), 6)).toMatchObject({
      low: -0.5,
      high: 1,
    });
  });

  it.each<readonly [School, string, string, string, number]>([
    ['sighted', 'split', 'plunger', 'mm', 18],
    ['barebow', 'stringWalk', 'plunger', 'mm', 18],
    ['shelfTarget', 'threeUnder', 'throat', 'in', 15],
    ['shelfHunting', 'threeUnder', 'throat', 'in', 10],
  ])('%s: hook %s, brace to the %s, in %s, bare shafts at %i m', (school, hook, to, unit, m) => {
    expect(SCHOOL_HABITS[school]).toMatchObject({
      hook,
      braceReference: to,
      lengthUnit: unit,
      bareShaftDistanceM: m,
    });
  });

  it('off the shelf there is no plunger, no clicker and no walk-back; bolts are for assembly', () => {
    expect(SCHOOLS.filter(hasAdjustableBolts)).toEqual(['sighted', 'barebow']);
    for (const school of ['shelfTarget', 'shelfHunting'] as const)
      expect(STEPS.map(({ id }) => id).filter((id) => notForSchool(id, school) !== null)).toEqual([
        'restAndPlunger',
        'clickerLength',
        'walkBack',
      ]);
    expect(notForSchool('clickerLength', 'barebow')).not.toBeNull();
    expect(notForSchool('clickerLength', 'sighted')).toBeNull();
  });

  it('good enough at 18 m: 20 mm target and field, 30 mm 3D, 40 mm hunting', () => {
    expect((['target', 'field', 'threeD', 'hunting'] as const).map(purposeToleranceMm)).toEqual([
      20, 20, 30, 40,
    ]);
  });
});

describe('what an item puts in doubt', () => {
  const touches = (item: keyof typeof ITEM_TOUCHES) => [...ITEM_TOUCHES[item]].toSorted();
  it('a string or silencers: everything from nock fit on', () => {
    for (const item of ['string', 'silencers'] as const) {
      expect(touches(item)).toContain('nockFit');
      expect(touches(item)).toContain('fix');
      expect(touches(item)).not.toContain('fitOut');
      expect(touches(item).length).toBe(18);
    }
    expect(STRING_CHECK_SHOTS).toEqual([20, 50, 100]);
  });
  it('rods, weights and quiver: tiller, nocking point, bare shaft, fine tuning', () => {
    for (const item of ['rods', 'weights', 'quiver'] as const)
      expect(touches(item)).toEqual([
        'bareShaftLateral',
        'bareShaftVertical',
        'fineTuning',
        'nockingPoint',
        'roughTiller',
      ]);
  });
  it('grip, tab, anchor, hook, crawl, clicker: clicker length, weight, bare shaft to proof', () => {
    for (const item of ['grip', 'tab', 'anchor', 'hook', 'crawl', 'clicker'] as const)
      expect(touches(item)).toEqual([
        'bareShaftLateral',
        'bareShaftVertical',
        'clickerLength',
        'drawWeight',
        'fineTuning',
        'proof',
        'sightMarks',
        'walkBack',
      ]);
  });
  it('a shaft of another diameter: rest and plunger, nocking point, vertical bare shaft', () => {
    for (const facet of [
      'restAndPlunger',
      'nockingPoint',
      'bareShaftVertical',
      'clickerLength',
    ] as const)
      expect(touches('shaft')).toContain(facet);
    expect(touches('plungerSpring')).toEqual(['bareShaftLateral', 'fineTuning']);
  });
});

describe('lists before a bow is in pieces', () => {
  const words = (name: 'parts' | 'tools' | 'assembly', hand: 'left' | 'right', school: School) =>
    checklist(name, { bowKind: 'targetRecurve', school, hand, amoLengthIn: 68 })
      .map((item) => `${item.words}. ${item.why}`)
      .join(' ');
  it('name the stringer, the square, two keys, a string four inches shorter', () => {
    expect(words('tools', 'right', 'sighted')).toMatch(
      /Stringer.*can twist a limb.*square.*Two hex keys/,
    );
    expect(words('parts', 'right', 'sighted')).toMatch(/about 64 in.*Rest and plunger/);
    expect(words('parts', 'right', 'shelfTarget')).toMatch(/Shelf pad/);
  });
  it('have limbs, loops, twists and settling looked at before the first draw', () => {
    expect(words('assembly', 'right', 'sighted')).toMatch(
      /crack.*curving away from the archer.*Bolts equal.*worn strand.*Larger loop on the top limb.*no finger slips.*clockwise.*5 to 8 cm, let down.*Never let go/s,
    );
    expect(words('assembly', 'left', 'sighted')).toMatch(/anticlockwise/);
  });
  it('a longbow’s string is three inches shorter', () => {
    const items = checklist('parts', {
      bowKind: 'longbow',
      school: 'shelfTarget',
      hand: 'right',
      amoLengthIn: 68,
    });
    expect(items.find(({ id }) => id === 'string')!.words).toBe('String, about 65 in');
    expect(BOW_KINDS).toContain('longbow');
  });
});
