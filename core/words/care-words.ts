import type { Care } from '../care/care-list.ts';
import type { CreepForecast } from '../care/creep-forecast.ts';
import { type FigureStyle, showReading } from '../craft/show-reading.ts';

const DAY_MS = 24 * 3_600_000;

/** `due since 3 days`, `in 12 days or 340 shots`. */
export function careDueWords({ dueMs, shotsLeft, due }: Care, nowMs: number): string {
  const days = dueMs === null ? null : (dueMs - nowMs) / DAY_MS;
  // To the nearest whole day: a clock that is a minute behind makes no day of it.
  const daysLeft =
    days === null ? null : days > 0 ? Math.max(1, Math.round(days)) : Math.ceil(days);
  const parts = due
    ? [
        daysLeft !== null && daysLeft <= 0 ? overdue(-daysLeft, 'day') : '',
        shotsLeft !== null && shotsLeft <= 0 ? overdue(-shotsLeft, 'shot') : '',
      ]
    : [
        daysLeft === null ? '' : count(daysLeft, 'day'),
        shotsLeft === null ? '' : count(shotsLeft, 'shot'),
      ];
  const said = parts.filter((part) => part !== '');
  if (due) return `due${said.length === 0 ? '' : `, ${said.join(' and ')}`}`;
  return said.length === 0 ? 'never due' : `in ${said.join(' or ')}`;
}

function overdue(by: number, what: string): string {
  return by === 0 ? '' : `${count(by, what)} over`;
}

function count(number: number, what: string): string {
  return `${number} ${what}${number === 1 ? '' : 's'}`;
}

/** `Brace leaves its band (8 5/8 in) in about 140 shots, 90 to 260.` */
export function creepWords(
  { edgeMm, soonest, likely, latest }: CreepForecast,
  style: FigureStyle,
): string {
  const edge = showReading('braceHeight', edgeMm, style);
  if (likely === null)
    return soonest === null
      ? `By what it has shown, this string’s creep will not take brace below ${edge}.`
      : `Brace probably stays above ${edge}; it may leave its band after ${soonest} shots.`;
  const until = latest === null ? 'or not at all' : `${soonest ?? 0} to ${latest}`;
  return `Brace leaves its band (${edge}) in about ${count(likely, 'shot')}, ${until}.`;
}
