import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { compareSheets } from '../compare/compare-sheets.ts';
import { figureSheet } from '../compare/figure-sheet.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { readShots } from '../groups/read-shots.ts';
import type { BowState } from '../log/bow-state.ts';
import { comparisonTable } from './comparison-table.ts';
import { readingsTable } from './readings-table.ts';
import { shotsTable } from './shots-table.ts';

const table = (text: string) =>
  Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header,
  }).data;

describe('readings as a table', () => {
  it('stand in the units they are shown in, each in columns of its own', () => {
    const log = new BowLog({ hand: 'left', lengthUnit: 'in' });
    log.read('braceHeight', 215.9, 215.9, 215.9);
    log.read('drawWeight', 34 * 4.4482216152605);
    log.read('centreShotAtPoint', 1.5);
    const rows = table(readingsTable(log.state));
    expect(
      rows.map((row) => [row['reading'], row['value_in'], row['value_lb'], row['value_mm']]),
    ).toEqual([
      ['Brace height', '8.5', '', ''],
      ['Draw weight', '', '34', ''],
      // Outward of a left-hander is right.
      ['Centre shot at the point, right of the string', '', '', '1.5'],
    ]);
    expect(rows[0]).toMatchObject({ mean_of: '3', plus_minus_9_in_10_lb: '' });
    expect(Number(rows[0]!['plus_minus_9_in_10_in'])).toBeGreaterThan(0);
  });

  it('of a bow in millimetres name no inches, and a right-hander’s outward is left', () => {
    const log = new BowLog({ hand: 'right', lengthUnit: 'mm' });
    log.read('braceHeight', 215.9);
    log.read('centreShotAtPoint', 1.5);
    const text = readingsTable(log.state);
    expect(text.split('\r\n')[0]).not.toContain('_in,');
    expect(table(text).map((row) => row['value_mm'])).toEqual(['215.9', '-1.5']);
  });

  it('are no formula, whatever was typed', () => {
    const log = new BowLog();
    log.add({
      kind: 'reading',
      reading: 'braceHeight',
      values: [215.9],
      typed: '=1+1',
      datum: '',
      tool: '@evil',
      source: 'measured',
      confirmedUnlikely: false,
    });
    const [row] = table(readingsTable(log.state));
    expect([row!['typed'], row!['tool']]).toEqual(["'=1+1", "'@evil"]);
  });
});

describe('shots as a table', () => {
  it('are read back by the door for shots, in inches and in centimetres', () => {
    for (const lengthUnit of ['in', 'mm'] as const) {
      const log = new BowLog({ hand: 'left', lengthUnit });
      log.shots(log.open(40), 2, 'bare', [[25.4, -50.8]]);
      const text = shotsTable(log.state);
      const unit = lengthUnit === 'in' ? 'in' : 'cm';
      expect(table(text)).toMatchObject([
        {
          session_kind: 'Bare shaft',
          end: '2',
          [`right_${unit}`]: lengthUnit === 'in' ? '1' : '2.54',
          [`up_${unit}`]: lengthUnit === 'in' ? '-2' : '-5.08',
        },
      ]);
      const back = readShots(text, 'left');
      if (back.kind !== 'shots') throw new Error(back.says);
      expect(back.shots[0]).toMatchObject({ endNumber: 2, arrow: 'bare' });
      expect(back.shots[0]!.outwardMm).toBeCloseTo(25.4, 9);
      expect(back.shots[0]!.upMm).toBeCloseTo(-50.8, 9);
    }
  });
});

describe('a comparison as a table', () => {
  it('has figures in the bow’s unit, the difference, and how it stands to what one reading scatters', () => {
    const [one, other] = [215.9, 222.25].map((mm) => {
      const log = new BowLog({ lengthUnit: 'in' });
      log.read('braceHeight', mm, mm, mm);
      return log.state;
    });
    const rows = compareSheets(figureSheet(one!), figureSheet(other!));
    const text = comparisonTable(rows, one!.bow, { first: 'Now', second: '=Then' });
    const brace = table(text).find((row) => row['what'] === 'Brace height');
    expect(brace).toMatchObject({
      unit: 'in',
      'first: Now': '8.5',
      'second: =Then': '8.75',
      second_less_first: '0.25',
    });
    expect(Number(brace!['times_one_reading_scatters'])).toBeGreaterThan(3);
    const alike = table(text).find((row) => row['what'] === 'Hand');
    expect(alike).toMatchObject({ unit: '', second_less_first: '' });
  });

  it('has figures to one side to the right, and outward where the archers’ hands differ', () => {
    const state = (hand: 'left' | 'right', mm: number) => {
      const log = new BowLog({ hand, lengthUnit: 'mm' });
      log.read('centreShotAtPoint', mm, mm, mm);
      return log.state;
    };
    const row = (one: BowState, other: BowState) =>
      table(
        comparisonTable(compareSheets(figureSheet(one), figureSheet(other)), one.bow, {
          first: 'one',
          second: 'other',
        }),
      ).find(({ what }) => what?.startsWith('Centre shot'));
    // Outward is to the right of a left-hander, to the left of a right-hander.
    const toTheRight = { what: 'Centre shot at the point, to the right' };
    expect(row(state('left', 3), state('left', 1))).toMatchObject({
      ...toTheRight,
      'first: one': '3',
      'second: other': '1',
      second_less_first: '-2',
    });
    expect(row(state('right', 3), state('right', 1))).toMatchObject({
      ...toTheRight,
      'first: one': '-3',
      'second: other': '-1',
      second_less_first: '2',
    });
    expect(row(state('left', 3), state('right', 1))).toMatchObject({
      what: 'Centre shot at the point, outward',
      'first: one': '3',
      'second: other': '1',
      second_less_first: '-2',
    });
  });
});
