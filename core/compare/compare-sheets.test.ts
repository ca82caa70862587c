import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { compareSheets } from './compare-sheets.ts';
import { figureSheet } from './figure-sheet.ts';

function twistsBetween(one: BowLog, other: BowLog) {
  return compareSheets(figureSheet(one.state), figureSheet(other.state)).find(
    ({ what }) => what.kind === 'position' && what.control === 'twists',
  )?.finding;
}

it('twists are subtracted on one string and not between two', () => {
  const [log, later] = [new BowLog({ twistsAtStart: 24 }), new BowLog({ twistsAtStart: 24 })];
  later.change('twists', 2);
  expect(twistsBetween(log, later)).toEqual({ kind: 'differs', by: 2, spreads: null });
  later.fitString('another', 20);
  expect(twistsBetween(log, later)).toEqual({ kind: 'cannot', why: 'otherString' });
  expect(twistsBetween(later, log)).toEqual({ kind: 'cannot', why: 'otherString' });
});
