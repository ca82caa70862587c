import { describe, expect, it } from 'vitest';
import { G_PER_GR } from '../quantity/units.ts';
import { readLot } from './lot-table.ts';

const masses = (text: string, unit: 'gr' | 'g' = 'gr') =>
  readLot(text, unit).shafts.map(({ massG }) => Number((massG / G_PER_GR).toFixed(2)));

describe('a lot of shafts as it is pasted', () => {
  it.each([
    ['commas', 'a,300,500\nb,302.5,505'],
    ['tabs of a spreadsheet', 'a\t300\t500\nb\t302.5\t505'],
    ['semicolons with decimal commas', 'a;300;500\nb;302,5;505'],
    ['a spreadsheet’s mark and line ends', '\uFEFFa,300,500\r\nb,302.5,505\r\n'],
    ['columns named, in another order', 'Spine,Shaft,Mass gr\n500,a,300\n505,b,302.5'],
    ['units', 'a,300 gr,500\nb,19.6017 g,505'],
  ])('%s', (_what, text) => {
    expect(masses(text)).toEqual([300, 302.5]);
    expect(readLot(text, 'gr')).toMatchObject({
      problems: [],
      shafts: [{ shaft: 'a', spine: 500 }, {}],
    });
  });

  it('one number a line is a mass only where columns say so; a name may be left out', () => {
    expect(masses('mass\n300\n302')).toEqual([300, 302]);
    expect(masses('mass\n19.4\n19.6', 'g')).toEqual([299.39, 302.47]);
    expect(readLot('mass\n300', 'gr').shafts[0]).toEqual({
      shaft: '2',
      massG: 300 * G_PER_GR,
      spine: null,
      runOutMm: null,
    });
  });

  it('names the line and the column that cannot be read, and takes all others', () => {
    const { shafts, problems } = readLot(
      'a,300,500\nb,heavy,500\nc,301,20\nd,5000,500\na,302,500\ne,-300,500\n\nf,303,500,9\ng,304',
      'gr',
    );
    expect(shafts.map(({ shaft }) => shaft)).toEqual(['a', 'g']);
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [2, 'mass'],
      [3, 'spine'],
      [4, 'mass'],
      [5, 'shaft'],
      [6, 'mass'],
      [8, 'runout_mm'],
    ]);
  });

  it('takes no more than three hundred', () => {
    const text = Array.from({ length: 305 }, (_, at) => `s${at},300`).join('\n');
    const { shafts, problems } = readLot(text, 'gr');
    expect(shafts).toHaveLength(300);
    expect(problems).toHaveLength(5);
  });
});
