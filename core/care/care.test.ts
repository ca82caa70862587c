import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { careDueWords, creepWords } from '../words/care-words.ts';
import { careList } from './care-list.ts';
import { creepForecast } from './creep-forecast.ts';

const DAY_MS = 24 * 3_600_000;
const nowAfter = (log: BowLog, days: number) => Date.parse(log.state.lastAt) + days * DAY_MS;
const care = (log: BowLog, job: string, days: number) =>
  careList(log.state, nowAfter(log, days)).find((one) => one.job === job);

describe('care of a bow', () => {
  it('is due by days or by shots, whichever comes first', () => {
    const log = new BowLog();
    log.add({ kind: 'shotsFired', count: 590, note: '' });
    expect(care(log, 'wax', 1)).toMatchObject({ due: false, shotsLeft: 10 });
    expect(care(log, 'wax', 31)).toMatchObject({ due: true });
    log.add({ kind: 'shotsFired', count: 10, note: '' });
    expect(care(log, 'wax', 1)).toMatchObject({ due: true, shotsLeft: 0 });
    log.add({ kind: 'careDone', job: 'wax' });
    expect(care(log, 'wax', 1)).toMatchObject({ due: false, shotsLeft: 600, everDone: true });
  });

  it('begins anew with another string, where it is the string’s', () => {
    const log = new BowLog();
    log.add({ kind: 'shotsFired', count: 900, note: '' });
    log.fitString('new one', 20);
    expect(care(log, 'wax', 1)).toMatchObject({ due: false, shotsLeft: 600 });
    expect(care(log, 'screws', 1)).toMatchObject({ shotsLeft: 100 });
  });

  it('goes by this bow’s own intervals, never where none is set, and back when that is taken back', () => {
    const log = new BowLog();
    const own = log.add({ kind: 'careSet', job: 'wax', days: 5, shots: null });
    expect(care(log, 'wax', 6)).toMatchObject({ due: true, shotsLeft: null });
    log.add({ kind: 'careSet', job: 'wax', days: null, shots: null });
    expect(care(log, 'wax', 900)).toMatchObject({ due: false, dueMs: null });
    log.add({ kind: 'undone', entryId: own });
    log.add({ kind: 'undone', entryId: log.log.at(-2)!.id });
    expect(care(log, 'wax', 6)).toMatchObject({ due: false });
  });

  it('asks to unstring a traditional bow that rests, and no other', () => {
    const longbow = new BowLog({ bowKind: 'longbow', school: 'shelfHunting' });
    longbow.add({ kind: 'shotsFired', count: 6, note: '' });
    expect(care(longbow, 'unstring', 6)).toMatchObject({ due: false });
    expect(care(longbow, 'unstring', 8)).toMatchObject({ due: true });
    expect(care(new BowLog(), 'unstring', 8)).toBeUndefined();
  });

  it('asks for nothing while a bow is in parts', () => {
    expect(careList(new BowLog({ inParts: true }).state, Date.UTC(2027, 0, 1))).toEqual([]);
  });

  it('says when, in days and shots', () => {
    const log = new BowLog();
    const said = (days: number) => careDueWords(care(log, 'wax', days)!, nowAfter(log, days));
    expect(said(0)).toBe('in 30 days or 600 shots');
    expect(said(33)).toBe('due, 3 days over');
  });
});

describe('the forecast of creep', () => {
  function creeping(): BowLog {
    const log = new BowLog({ maker: { braceMinMm: 215, braceMaxMm: 225 }, inParts: true });
    for (const braceMm of [220, 219.2, 218.6, 218.1]) {
      log.read('braceHeight', braceMm, braceMm, braceMm);
      log.add({ kind: 'shotsFired', count: 15, note: '' });
    }
    return log;
  }

  it('has its interval in order, and comes nearer as shots go by', () => {
    const log = creeping();
    const first = creepForecast(log.state)!;
    const order = [first.soonest, first.likely, first.latest].map((one) => one ?? 1e9);
    expect(order).toEqual(order.toSorted((one, other) => one - other));
    expect(order[0]).toBeGreaterThan(0);
    expect(creepWords(first, log.state.bow)).toContain('8 7/16 in');
  });

  it('is none once brace is below its band, or was never read on this string', () => {
    const log = creeping();
    log.read('braceHeight', 212, 212, 212);
    log.read('braceHeight', 212, 212, 212);
    expect(creepForecast(log.state)).toBeNull();
    log.fitString('another', 20);
    expect(creepForecast(log.state)).toBeNull();
  });

  it('sees a string that has settled stay', () => {
    const log = new BowLog({ maker: { braceMinMm: 210, braceMaxMm: 225 } });
    for (const braceMm of [219, 219.1, 218.9, 219]) {
      log.add({ kind: 'shotsFired', count: 200, note: '' });
      log.read('braceHeight', braceMm, braceMm, braceMm);
    }
    expect(creepForecast(log.state)).toMatchObject({ likely: null, latest: null });
  });
});
