import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { careList } from '#core/care/care-list.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { careCalendar } from './care-calendar.ts';

const DAY_MS = 24 * 3_600_000;

function eventsOf(log: BowLog, nowMs: number) {
  const { state } = log;
  const text = careCalendar(state, careList(state, nowMs), nowMs) ?? '';
  // Another program's reader: it throws at what is no calendar.
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  return calendar.getAllSubcomponents('vevent').map((one) => {
    const event = new ICAL.Event(one);
    return {
      uid: event.uid,
      sequence: event.sequence,
      day: event.startDate.toString(),
      summary: event.summary,
    };
  });
}

describe('the calendar of care', () => {
  const log = new BowLog({ name: 'Heron; “left”, 66' });
  const nowMs = Date.parse(log.state.lastAt);

  it('is read by another parser, with every name as it is', () => {
    const events = eventsOf(log, nowMs);
    expect(events.map(({ summary }) => summary)).toContain('Heron; “left”, 66: Wax the string');
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  });

  it('names an event the same when its date has moved, and counts it as newer', () => {
    const wax = (at: number) => eventsOf(log, at).find(({ summary }) => summary.includes('Wax'))!;
    const before = wax(nowMs);
    log.add({ kind: 'careDone', job: 'wax' });
    log.add({ kind: 'careSet', job: 'wax', days: 10, shots: null });
    const after = wax(nowMs + DAY_MS);
    expect(after.uid).toBe(before.uid);
    expect(after.sequence).toBe(before.sequence + 2);
    expect(after.day).not.toBe(before.day);
  });
});
