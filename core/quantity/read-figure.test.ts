import { describe, expect, it } from 'vitest';
import { readAmounts } from './read-amounts.ts';
import { readField } from './read-field.ts';
import { type FigureWanted, readFigure } from './read-figure.ts';

const BRACE: FigureWanted = {
  name: 'Brace height',
  quantity: 'length',
  bare: ['in', 'mm'],
  range: [120, 260],
};
const read = (text: string, wanted: FigureWanted = BRACE) => {
  const amounts = readAmounts(text);
  if (!amounts.ok) throw new Error(amounts.refusal.says);
  return readFigure(amounts.amounts[0]!, wanted);
};

describe('a figure', () => {
  it('without a unit is in the first that fits, and says when that was a guess', () => {
    expect(read('8')).toMatchObject({ kind: 'value', unit: 'in', guessed: false });
    expect(read('219')).toEqual({ kind: 'value', stored: 219, unit: 'mm', guessed: true });
    expect(read('219 mm')).toMatchObject({ unit: 'mm', guessed: false });
    expect(read('8 5/8', { ...BRACE, bare: ['mm', 'in'] })).toMatchObject({
      unit: 'in',
      guessed: false,
    });
  });
  it('at the edges of its range is inside it, beyond them outside in the likeliest unit', () => {
    expect(read('120 mm').kind).toBe('value');
    expect(read('260 mm').kind).toBe('value');
    expect(read('119.9 mm')).toEqual({ kind: 'outside', stored: 119.9, unit: 'mm' });
    expect(read('260.1 mm').kind).toBe('outside');
    expect(read('500')).toMatchObject({ kind: 'outside', unit: 'in' });
  });
  it.each([
    ['219 lb', BRACE, 'Use inches, mm or cm.'],
    ['2 m', BRACE, 'Use inches, mm or cm.'],
    ['34 mm', { ...BRACE, quantity: 'force', bare: ['lb'] }, 'Use lb, kg or N.'],
    ['34 mm', { ...BRACE, quantity: 'mass', bare: ['gr'] }, 'Use grains or grams.'],
    ['34 mm', { ...BRACE, quantity: 'turns', bare: ['turn'] }, 'Give it in turns, like 1 1/2.'],
    ['34 mm', { ...BRACE, quantity: 'count', bare: [] }, 'Give it as a plain whole number.'],
  ] as const)('%s of another kind is pointed at, with what to use', (text, wanted, remedy) => {
    const found = read(text, wanted);
    if (found.kind !== 'wrongUnit') throw new Error(found.kind);
    expect(found.refusal).toMatchObject({ at: 0, length: text.length, remedy });
    expect(found.refusal.says).toBe(`Brace height is not measured in ${text.split(' ')[1]}.`);
  });
  it('that is a count is whole', () => {
    const count: FigureWanted = { name: 'Twists', quantity: 'count', bare: [], range: [0, 90] };
    expect(read('24', count)).toEqual({ kind: 'value', stored: 24, unit: null, guessed: false });
    expect(read('90', count).kind).toBe('value');
    expect(read('24.5', count)).toEqual({ kind: 'outside', stored: 24.5, unit: null });
    expect(read('91', count).kind).toBe('outside');
  });
  it('without any unit to mean is a fault of the caller', () => {
    expect(() => read('500', { ...BRACE, bare: [] })).toThrow(/no unit for Brace height/);
  });
});

describe('a field of a form', () => {
  const field = (text: string) => readField(text, BRACE, 'Braces lie elsewhere.');
  it('goes by the same rules', () => {
    expect(field(' ')).toEqual({ kind: 'empty' });
    expect(field('21,9 cm')).toEqual({ kind: 'value', stored: expect.closeTo(219, 6) as number });
    expect(field('8 5/')).toMatchObject({
      kind: 'wrong',
      says: expect.stringMatching(/^Brace height: .*stops/) as string,
    });
    expect(field('219 220')).toMatchObject({ kind: 'wrong', says: 'Brace height: one number.' });
    expect(field('219 lb')).toMatchObject({
      kind: 'wrong',
      says: expect.stringContaining('not measured in lb') as string,
    });
    expect(field('500')).toEqual({ kind: 'wrong', says: 'Braces lie elsewhere.' });
  });
});
