import { type ClockAnchor, timeBy } from '#core/log/device-clock.ts';
import { remember, remembered } from './device-store.ts';

/** How far this device's clock is behind the server's, ms, as last seen; kept over a reload. */
const OFFSET = 'keen-limb.clock-offset';

let anchor: ClockAnchor = anchorNow(keptOffsetMs());

/** The server's clock was just seen. */
export function noteServerTime(serverMs: number): void {
  const offsetMs = serverMs - Date.now();
  const known = keptOffsetMs();
  anchor = anchorNow(offsetMs);
  if (Math.abs(offsetMs - known) > WORTH_KEEPING_MS) remember(OFFSET, String(Math.round(offsetMs)));
}
/** Less is the way of the answer, not the clock. */
const WORTH_KEEPING_MS = 500;

/** Now, by the server's clock as far as this device knows it, ms since 1970. */
export function timeNow(): number {
  return timeBy(anchor, { wallMs: Date.now(), stopwatchMs: performance.now() });
}

function keptOffsetMs(): number {
  const kept = Number(remembered(OFFSET) ?? 0);
  return Number.isFinite(kept) ? kept : 0;
}

function anchorNow(offsetMs: number): ClockAnchor {
  const wallMs = Date.now();
  return { trueMs: wallMs + offsetMs, wallMs, stopwatchMs: performance.now() };
}
