import { describe, expect, it } from 'vitest';
import { SCHOOLS } from '../craft/bow-terms.ts';
import { otherSchools } from './school-values.ts';
import type { StartingFrom } from './starting-values.ts';

const bow = (facts: Partial<StartingFrom>): StartingFrom => ({
  bowKind: 'targetRecurve',
  amoLengthIn: 68,
  hook: 'split',
  school: 'sighted',
  purpose: 'target',
  ...facts,
});
const named = (facts: Partial<StartingFrom>) =>
  otherSchools(bow(facts), 6).map(({ reading, name, low, high }) => [reading, name, low, high]);

describe('what other schools begin with', () => {
  it('a sighted bow: even tiller, a touch outward, dead in line', () => {
    expect(named({})).toEqual([
      ['tiller', 'even', -1, 1],
      ['centreShotAtPoint', 'a touch', 0.5, 1.5],
      ['centreShotAtPoint', 'in line', -0.5, 0.5],
    ]);
  });
  it('a string-walker: even tiller, half a shaft', () => {
    expect(named({ school: 'barebow', hook: 'stringWalk' })).toEqual([
      ['tiller', 'even', -1, 1],
      ['centreShotAtPoint', 'half a shaft', 2.5, 3.5],
    ]);
  });
  it('nothing that a bow without bolts and plunger could be set to', () => {
    for (const school of SCHOOLS.filter((one) => one.startsWith('shelf')))
      expect(named({ school, hook: 'threeUnder', bowKind: 'longbow' })).toEqual([]);
  });
  it('each with its reason', () => {
    for (const { why } of otherSchools(bow({}), 6)) expect(why.length).toBeGreaterThan(20);
  });
});
