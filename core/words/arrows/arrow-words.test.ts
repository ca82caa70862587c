import { describe, expect, it } from 'vitest';
import type { LengthStyle } from '../../quantity/show.ts';
import { G_PER_GR } from '../../quantity/units.ts';
import {
  buildCautionWords,
  matchSourceWords,
  matchWords,
  shaftApartWords,
  waysToMatchWords,
} from './arrow-words.ts';

const MM: LengthStyle = { lengthUnit: 'mm', division: 16 };
const grains = (count: number) => count * G_PER_GR;

describe('what must be said of a build', () => {
  it('stops what could break, fall into the hand or be a dry shot, with the figure', () => {
    const short = buildCautionWords(
      { kind: 'tooShort', shortMm: 12, leastMm: 710, rule: 'plain' },
      MM,
    );
    expect(short.stop).toBe(true);
    expect(short.says).toMatch(
      /^12\.0 mm too short: 710\.0 mm is the least that stays in front of the riser at/,
    );
    const soft = buildCautionWords({ kind: 'tooSoft', stepsSoft: 2.24, startingSpine: 512 }, MM);
    expect(soft).toMatchObject({ stop: true });
    expect(soft.says).toContain('2.2 steps softer than where this bow begins (spine 512)');
    for (const kind of ['dryShot', 'tooLight'] as const) {
      const said = buildCautionWords({ kind, massG: grains(180), leastG: grains(220) }, MM);
      expect(said.stop).toBe(true);
      expect(said.says).toContain('180 gr');
      expect(said.says).toContain('220 gr');
    }
  });

  it('lets the rest through, and says what is not known', () => {
    const light = buildCautionWords({ kind: 'light', massG: grains(250), leastG: grains(280) }, MM);
    expect(light).toEqual({
      stop: false,
      says: 'Light for this bow: 250 gr; from 280 gr on it is easier on the limbs.',
    });
    expect(buildCautionWords({ kind: 'weightUnknown' }, MM)).toMatchObject({ stop: false });
    expect(buildCautionWords({ kind: 'weightUnknown' }, MM).says).toContain('Enter w first');
    expect(buildCautionWords({ kind: 'drawUnknown' }, MM).says).toContain('Enter dl first');
    expect(buildCautionWords({ kind: 'flexCarbon' }, MM).stop).toBe(false);
  });
});

describe('how an arrow suits a bow', () => {
  const said = (outwardMm: number, stiff: number, inside: number) =>
    matchWords({ outwardMm, plusMinusMm: 30, stiff, inside }, 'cm');
  it('is the side first, then how far, where the side is sure', () => {
    expect(said(62, 0.97, 0.02)).toBe('Stiff by 6.2 ± 3.0 cm at 18 m.');
    expect(said(-62, 0.03, 0.02)).toMatch(/^Weak by /);
    expect(said(20, 0.8, 0.4)).toMatch(/^Stiff or weak cannot be told: stiff by /);
    expect(said(5, 0.6, 0.85)).toBe('Its bare shafts land as they should.');
    expect(said(5, 0.6, 0.79)).not.toBe('Its bare shafts land as they should.');
  });

  it('says by what it is known', () => {
    expect(matchSourceWords('table')).toMatch(/^By the starting table/);
    expect(matchSourceWords('shots')).toMatch(/^By the bare shafts of this bow/);
  });

  it('names each way to match it, the last with “or”', () => {
    type Ways = Parameters<typeof waysToMatchWords>[0];
    const ways = (list: readonly object[], wood = false) =>
      waysToMatchWords(list as Ways, wood ? 'wood' : 'carbon', MM);
    const point = { kind: 'point', pointG: grains(123) };
    const cut = { kind: 'cut', cutMm: 12 };
    const spine = { kind: 'spine', spine: 548 };
    expect(ways([])).toBe('Nothing must change.');
    expect(ways([point])).toBe('It would land as it should with a point of 125 gr.');
    expect(ways([point, cut, spine])).toBe(
      'It would land as it should with a point of 125 gr, about 12.0 mm cut off, in steps or a shaft of spine 550.',
    );
    expect(ways([spine], true)).toMatch(/a shaft of \d+ lb\.$/);
    expect(ways([{ kind: 'longer', moreMm: 20 }])).toContain('left 20.0 mm longer');
    expect(ways([{ kind: 'shoot' }])).toMatch(/^Shoot it bare/);
    expect(ways([{ kind: 'none' }])).toContain('No one change would do');
  });

  it('says what a numbered arrow weighs over or under its parts', () => {
    expect(shaftApartWords({ apartG: grains(8) })).toContain('8 gr over what its parts come to');
    expect(shaftApartWords({ apartG: grains(-8) })).toContain('8 gr under');
    expect(shaftApartWords({ apartG: null })).toBe('');
  });
});
