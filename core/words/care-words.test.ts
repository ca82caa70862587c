import { describe, expect, it } from 'vitest';
import type { Care } from '../care/care-list.ts';
import type { FigureStyle } from '../craft/show-reading.ts';
import { careDueWords, creepWords } from './care-words.ts';

const NOW = Date.UTC(2026, 4, 10, 12);
const DAY = 24 * 3_600_000;
const STYLE: FigureStyle = { lengthUnit: 'in', division: 16, hand: 'right' };

function said(due: boolean, days: number | null, shotsLeft: number | null): string {
  const care: Care = {
    job: 'wax',
    interval: { days: null, shots: null },
    sinceAt: '',
    everDone: false,
    dueMs: days === null ? null : NOW + days * DAY,
    shotsLeft,
    due,
  };
  return careDueWords(care, NOW);
}

describe('when care is due', () => {
  it('is whole days and shots from now, whichever comes first', () => {
    expect(said(false, 12, 340)).toBe('in 12 days or 340 shots');
    expect(said(false, 1, 1)).toBe('in 1 day or 1 shot');
    expect(said(false, 3, null)).toBe('in 3 days');
    expect(said(false, null, 20)).toBe('in 20 shots');
    expect(said(false, null, null)).toBe('never due');
  });

  it('is a day as long as there is any of it left', () => {
    expect(said(false, 0.2, null)).toBe('in 1 day');
    expect(said(false, 1.4, null)).toBe('in 1 day');
    expect(said(false, 1.6, null)).toBe('in 2 days');
  });

  it('says what it is over by, and nothing of what is not over', () => {
    expect(said(true, -3, -20)).toBe('due, 3 days over and 20 shots over');
    expect(said(true, 5, -1)).toBe('due, 1 shot over');
    expect(said(true, -1.5, 40)).toBe('due, 1 day over');
    expect(said(true, 0, null)).toBe('due');
    expect(said(true, null, 0)).toBe('due');
  });
});

describe('where creep leads', () => {
  // 8 5/8 in are 219.1 mm.
  const edge = { edgeMm: 219.1 };
  it('is shots until the band is left, with the earliest and the latest', () => {
    expect(creepWords({ ...edge, soonest: 90, likely: 140, latest: 260 }, STYLE)).toBe(
      'Brace leaves its band (8 5/8 in) in about 140 shots, 90 to 260.',
    );
    expect(creepWords({ ...edge, soonest: null, likely: 1, latest: 4 }, STYLE)).toBe(
      'Brace leaves its band (8 5/8 in) in about 1 shot, 0 to 4.',
    );
    expect(creepWords({ ...edge, soonest: 90, likely: 140, latest: null }, STYLE)).toContain(
      'in about 140 shots, or not at all.',
    );
  });

  it('is nothing likely, or nothing at all', () => {
    expect(creepWords({ ...edge, soonest: 700, likely: null, latest: null }, STYLE)).toContain(
      'may leave its band after 700 shots',
    );
    expect(creepWords({ ...edge, soonest: null, likely: null, latest: null }, STYLE)).toContain(
      'will not take brace below 8 5/8 in',
    );
  });
});
