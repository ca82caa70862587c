import { describe, expect, it } from 'vitest';
import { arrowFigures } from '../arrows/arrow-figures.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { weighedArrow, weighedShaft } from './read-weighed-arrow.ts';

const BUILT_G = arrowFigures(PLAIN_BUILD).massG;
const { state } = new BowLog({
  arrow: {
    described: 'test',
    lengthMm: 740,
    diameterMm: 6,
    pointMassG: 110 * G_PER_GR,
    build: { buildId: 'b', revisionId: 'r', parts: PLAIN_BUILD },
  },
});
const shaft = (text: string) => {
  const read = readAmounts(text);
  if (!read.ok) throw new Error(text);
  return weighedShaft(read.amounts, state);
};
const gr = (g: number) => Math.round(g / G_PER_GR);

describe('an arrow that was weighed', () => {
  it('is stored where it weighs what its parts come to', () => {
    expect(weighedArrow(state, BUILT_G)).toMatchObject({
      kind: 'ready',
      figure: `${gr(BUILT_G)} gr`,
      bodies: [{ kind: 'factsSet', facts: { arrowMassG: BUILT_G } }],
    });
  });

  it.each([
    [20, 'over', 130],
    [-20, 'under', 90],
  ])(
    'is asked about where it weighs %i gr more, with the point that would be',
    (apartGr, which, pointGr) => {
      const read = weighedArrow(state, BUILT_G + apartGr * G_PER_GR);
      if (read.kind !== 'question') throw new Error(read.kind);
      expect(read.asks).toBe(
        `${gr(BUILT_G) + apartGr} gr is 20 gr ${which} what its parts come to, ${gr(BUILT_G)} gr. Is it another arrow, or another point (${pointGr} gr)?`,
      );
      expect(read.choices).toEqual([
        {
          label: 'It is this one: log what it weighs',
          text: `am ${gr(BUILT_G) + apartGr} gr`,
          bodies: [{ kind: 'factsSet', facts: { arrowMassG: BUILT_G + apartGr * G_PER_GR } }],
        },
        { label: 'Look at the point first', text: '', bodies: [] },
      ]);
    },
  );
});

describe('a numbered shaft that was weighed', () => {
  it('is stored by its number', () => {
    expect(shaft(`3 ${gr(BUILT_G)}`)).toMatchObject({
      kind: 'ready',
      title: 'Shaft 3, whole',
      bodies: [{ kind: 'shaftWeighed', arrowNumber: 3 }],
    });
  });

  it.each(['0 330', '100 330', '2.5 330', '3 mm 330'])(
    'has a whole number from 1 to 99: %s',
    (text) => {
      expect(shaft(text)).toMatchObject({
        kind: 'refused',
        refusal: {
          at: 0,
          says: 'That is no number of a shaft.',
          remedy: 'The number on the shaft comes first, 1 to 99; then what it weighs.',
        },
      });
    },
  );

  it('weighs what an arrow can weigh', () => {
    expect(shaft('3 9000')).toMatchObject({ kind: 'refused', refusal: { at: 2 } });
    expect(shaft('3 330 mm')).toMatchObject({ kind: 'refused' });
    expect(shaft('99 330')).toMatchObject({ kind: 'ready' });
  });
});
