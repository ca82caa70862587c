import { describe, expect, it } from 'vitest';
import { SCHOOLS } from '#core/craft/bow-terms.ts';
import { READING_KINDS, READINGS } from '#core/craft/readings.ts';
import { STEPS } from '#core/craft/steps.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { readingsOf, SIGHTS, sightOf } from './sights.ts';

const bowOf = (school: (typeof SCHOOLS)[number]) => new BowLog({ school }).state.bow;

describe('the three sights', () => {
  it.each(READING_KINDS)('%s is seen from one of them', (kind) => {
    const seen = SIGHTS.filter((sight) => readingsOf(sight, bowOf('sighted')).includes(kind));
    expect(seen, READINGS[kind].name).not.toEqual([]);
  });

  it('show each reading once, and what a step asks for where the step is looked at', () => {
    for (const school of SCHOOLS)
      for (const sight of SIGHTS) {
        const shown = readingsOf(sight, bowOf(school));
        expect(new Set(shown).size).toBe(shown.length);
      }
    for (const { id, clearing } of STEPS) {
      if (clearing.by !== 'readings' || id === 'clickerLength') continue;
      expect(readingsOf(sightOf(id), bowOf('sighted')), id).toEqual(
        expect.arrayContaining([clearing.of[0]]),
      );
    }
  });

  it('leave out off the shelf what there is no plunger for', () => {
    expect(readingsOf('above', bowOf('shelfHunting'))).not.toContain('centreShotAtPlunger');
    expect(readingsOf('behind', bowOf('shelfTarget'))).not.toContain('limbLineRod');
  });
});
