import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { readRangeLine } from './read-range-line.ts';

describe('the line at the butt', () => {
  const state = new BowLog({ lengthUnit: 'mm' }).state;
  const read = (text: string) =>
    readRangeLine(text, state, { unit: 'cm', hand: 'right', buttMm: 1220 });
  const said = (text: string) => {
    const found = read(text);
    return found.kind === 'shots' ? found.pairs.length : found.read.kind;
  };
  it('refuses what lies off any butt, and names the place', () => {
    const refusal = (text: string) => {
      const found = read(text);
      if (found.kind === 'shots' || found.read.kind !== 'refused') return found.kind;
      return `${found.read.refusal.at}: ${found.read.refusal.says} ${found.read.refusal.remedy}`;
    };
    expect(refusal('f 3.5,2.0 4.1,-900')).toBe(
      '14: -900 cm is off any butt. Numbers here are cm from the mark.',
    );
    expect(refusal('f 900,3')).toBe(
      '2: 900 cm is off any butt. Numbers here are cm from the mark.',
    );
  });

  it.each([
    ['4.9,-1.1', 1],
    ['f 4.9,-1.1 2,3.5', 2],
    ['bare 4,-9', 1],
    ['4;9', 1],
    ['4,9;-1,1', 1],
    ['f 4,9;-1,1 3;2', 2],
    ['4,9', 1],
    ['f 4,9', 1],
    ['4,9 -1,1', 'question'],
    ['f 4,9 -1,1', 'question'],
    ['b 4,9 -1,1', 'question'],
    ['f 4,9 -1,1 3,2', 3],
    ['f 4,9 -1,1 3,2 5,5', 'question'],
    ['b 219,5', 'question'],
    ['b 219,5 218,5', 'question'],
    ['b 219,5 219', 'ready'],
    ['b 219', 'ready'],
    ['b 219.5', 'ready'],
    ['bare 219,5', 'question'],
    ['bare 219,5 miss', 1],
    ['f 219,5', 'question'],
    ['4,9,2', 'refused'],
    ['4,', 'refused'],
    ['4,9 lb', 'refused'],
    ['f 4,x', 'refused'],
    ['w 34,5', 'ready'],
    ['tw +4', 'ready'],
    ['n 4,5', 'ready'],
    ['', 'empty'],
  ] as const)('%s → %s', (text, expected) => {
    expect(said(text)).toBe(expected);
  });

  it('offers both meanings of a comma, each as a line that is no question any more', () => {
    const found = read('f 4,9 -1,1');
    if (found.kind !== 'line' || found.read.kind !== 'question') throw new Error('no question');
    expect(found.read.choices.map(({ text }) => said(text))).toEqual([1, 2]);
    const brace = read('b 219,5');
    if (brace.kind !== 'line' || brace.read.kind !== 'question') throw new Error('no question');
    expect(brace.read.choices[0]!.bodies).toMatchObject([
      { kind: 'reading', reading: 'braceHeight', values: [219.5] },
    ]);
    expect(read(brace.read.choices[1]!.text)).toMatchObject({ kind: 'line' });
  });

  it('offers millimetres typed for centimetres', () => {
    const found = read('f 49,-11 219,5');
    if (found.kind !== 'line' || found.read.kind !== 'question') throw new Error('no question');
    expect(found.read.choices.map(({ text }) => text)).toEqual([
      'f 4.9,-1.1 21.9,0.5',
      'f 49,-11 219,5 miss',
    ]);
  });

  it('offers a tenth only where all of it lies on the butt then', () => {
    const choices = (text: string) => {
      const found = read(text);
      if (found.kind !== 'line' || found.read.kind !== 'question') throw new Error('no question');
      return found.read.choices;
    };
    const far = choices('f 130.0,2.0 140.0,1.0  ');
    expect(far.map(({ text }) => text)).toEqual(['f 13,0.2 14,0.1', 'f 130.0,2.0 140.0,1.0 miss']);
    expect(far.every(({ bodies }) => bodies.length === 0)).toBe(true);
    expect(far.at(-1)?.label).toBe('It missed the butt');
    // A tenth of 240 is off a sheet of 20 cm still.
    const small = readRangeLine('f 130.0,2.0 240.0,1.0', state, {
      unit: 'cm',
      hand: 'right',
      buttMm: 200,
    });
    if (small.kind !== 'line' || small.read.kind !== 'question') throw new Error('no question');
    expect(small.read.choices.map(({ label }) => label)).toEqual(['It missed the butt']);
  });
});
