import { describe, expect, it } from 'vitest';
import type { ComparedRow, ComparedWhat } from '../compare/compared.ts';
import type { SheetFigure } from '../compare/compared.ts';
import type { FigureStyle } from '../craft/show-reading.ts';
import { comparedFigureWords, findingWords, movedWords } from './compare-words.ts';

const IN: FigureStyle = { lengthUnit: 'in', division: 16, hand: 'right' };
const MM: FigureStyle = { ...IN, lengthUnit: 'mm' };
const BRACE: ComparedWhat = { kind: 'reading', reading: 'braceHeight' };

function said(what: ComparedWhat, by: number, style: FigureStyle): string {
  const row: ComparedRow = { what, a: null, b: null, finding: { kind: 'differs', by, spreads: 4 } };
  return findingWords(row, style).replace(', 4.0 times what one reading scatters', '');
}

describe('how far apart two readings are', () => {
  // 25.4 mm an inch: 3.0 is 3.8 thirty-seconds, 2.4 is 3.02.
  it('is said in the bow’s own unit, an inch beside its millimetres', () => {
    expect(said(BRACE, 3, IN)).toBe('1/8 in (3.0 mm) more');
    expect(said(BRACE, -2.4, IN)).toBe('3/32 in (2.4 mm) less');
    expect(said({ kind: 'tiller' }, 30, IN)).toBe('1 3/16 in (30.0 mm) more');
    expect(said(BRACE, 3, MM)).toBe('3.0 mm more');
    expect(said({ kind: 'landing', axis: 'up' }, -51, IN)).toBe('2.0 in');
    expect(said({ kind: 'landing', axis: 'up' }, -51, MM)).toBe('5.1 cm');
  });

  it('is in millimetres where a rule of inches cannot show it, and where everybody reads it so', () => {
    expect(said(BRACE, 0.3, IN)).toBe('0.3 mm more');
    expect(said({ kind: 'reading', reading: 'centreShotAtPoint' }, -1.2, IN)).toBe('1.2 mm less');
  });
});

describe('one side of a row', () => {
  const figure = (what: ComparedWhat, value: number, style = MM) =>
    comparedFigureWords(what, { value, words: '', expectedPlusMinus: null } as SheetFigure, style);

  it('is how far a control was moved since the record began, and which way', () => {
    expect(movedWords('plungerPreload', 0)).toBe('as at first');
    expect(movedWords('plungerPreload', 0.5)).toBe('1/2 turn stiffer');
    expect(movedWords('plungerPreload', -0.5)).toBe('1/2 turn softer');
    expect(figure({ kind: 'moved', control: 'nockingPoint' }, -2)).toBe('2 mm down');
    expect(figure({ kind: 'position', control: 'twists' }, 24)).toBe('24 twists');
    expect(figure({ kind: 'position', control: 'topBolt' }, 1.5)).toBe('1 1/2 turns out');
  });

  it('is an arrow’s figure in the unit it is bought and weighed in', () => {
    const arrow = (shown: string, value: number, style = MM) =>
      figure({ kind: 'arrow', figure: shown } as ComparedWhat, value, style);
    expect(arrow('lengthMm', 724)).toBe('724.0 mm');
    expect(arrow('lengthMm', 711.2, IN)).toBe('28 in');
    expect(arrow('pointMassG', 6.479891)).toBe('100 gr');
    expect(arrow('massG', 22.6796)).toBe('350 gr');
    expect(arrow('focPercent', 14.26)).toBe('14.3 %');
    expect(arrow('spine', 600)).toBe('600');
  });

  it('is where bare shafts land, as the archer of that hand sees it', () => {
    const landing = { kind: 'landing', axis: 'outward' } as const;
    expect(figure(landing, 40)).toBe('4.0 cm left');
    expect(figure(landing, 40, { ...MM, hand: 'left' })).toBe('4.0 cm right');
    expect(figure({ kind: 'landing', axis: 'up' }, -25)).toBe('2.5 cm low');
    expect(figure({ kind: 'landing', axis: 'up' }, 25)).toBe('2.5 cm high');
  });

  it('says that it is only expected, or what a fact is called', () => {
    const expected = { value: 216, words: '', expectedPlusMinus: 2 } as SheetFigure;
    expect(comparedFigureWords(BRACE, expected, MM)).toBe('about 216.0 mm');
    const left = { value: null, words: 'left', expectedPlusMinus: null } as SheetFigure;
    expect(comparedFigureWords({ kind: 'fact', fact: 'hand' }, left, MM)).toBe('left-handed');
  });
});
