import { describe, expect, it } from 'vitest';
import { timeBy } from './device-clock.ts';

const HOUR = 3_600_000;
/** A device whose clock is a quarter of an hour slow, when it last heard of the server. */
const anchor = { trueMs: 10 * HOUR, wallMs: 9.75 * HOUR, stopwatchMs: 500 };

describe('the time by the server’s clock', () => {
  it('goes on from where it was last seen, however wrong the device’s clock is', () => {
    const later = { wallMs: anchor.wallMs + HOUR, stopwatchMs: anchor.stopwatchMs + HOUR };
    expect(timeBy(anchor, later)).toBe(11 * HOUR);
  });
  it('goes on by the stopwatch when the clock is set back', () => {
    const setBack = { wallMs: anchor.wallMs - HOUR, stopwatchMs: anchor.stopwatchMs + 60_000 };
    expect(timeBy(anchor, setBack)).toBe(10 * HOUR + 60_000);
  });
  it('goes on by the clock when the stopwatch stood while the device slept', () => {
    const slept = { wallMs: anchor.wallMs + 2 * HOUR, stopwatchMs: anchor.stopwatchMs + 10 };
    expect(timeBy(anchor, slept)).toBe(12 * HOUR);
  });
  it('never goes back behind where it was seen', () => {
    expect(timeBy(anchor, { wallMs: 0, stopwatchMs: 0 })).toBe(anchor.trueMs);
  });
});
