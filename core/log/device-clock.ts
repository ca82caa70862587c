/** What a device's clocks showed at one moment, and what the time truly was. */
export interface ClockAnchor {
  /** By the server's clock, ms since 1970. */
  readonly trueMs: number;
  /** By the device's own clock, which anybody can set. */
  readonly wallMs: number;
  /** By the device's stopwatch, which nobody can set but which may stand while the device sleeps. */
  readonly stopwatchMs: number;
}

/**
 * The time by the server's clock, told by a device that last saw that clock some while ago: whichever
 * of its two clocks says more has passed. A clock set back is made up for by the stopwatch, a sleeping
 * stopwatch by the clock.
 *
 * @returns ms since 1970
 */
export function timeBy(
  anchor: ClockAnchor,
  now: { readonly wallMs: number; readonly stopwatchMs: number },
): number {
  const passedMs = Math.max(now.wallMs - anchor.wallMs, now.stopwatchMs - anchor.stopwatchMs, 0);
  return Math.round(anchor.trueMs + passedMs);
}
