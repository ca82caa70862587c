import { describe, expect, it } from 'vitest';
import type { ComparedRow, ComparedWhat } from '../compare/compared.ts';
import type { FigureStyle } from '../craft/show-reading.ts';
import { findingWords } from './compare-words.ts';

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
