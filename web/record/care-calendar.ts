import ical, { ICalEventTransparency } from 'ical-generator';
import type { Care } from '#core/care/care-list.ts';
import { CARE_FACTS } from '#core/craft/care-jobs.ts';
import type { BowState } from '#core/log/bow-state.ts';

/**
 * The care of a bow that is due by a date, as a calendar file. An event keeps its name whatever its
 * date becomes, and counts how often it was moved: taken in again it changes what is there.
 *
 * @returns null where nothing is due by a date
 */
export function careCalendar(state: BowState, care: readonly Care[], nowMs: number): string | null {
  const dated = care.filter(({ dueMs }) => dueMs !== null);
  if (dated.length === 0) return null;
  const calendar = ical({
    name: `${state.bow.name}, care`,
    prodId: { company: 'Keen Limb', product: 'care', language: 'EN' },
  });
  for (const { job, dueMs } of dated) {
    const { name, how } = CARE_FACTS[job];
    const start = new Date(Math.max(dueMs ?? nowMs, nowMs));
    calendar.createEvent({
      id: `${state.bowId}-${job}@keen-limb`,
      sequence: timesMoved(state, job),
      stamp: new Date(nowMs),
      start,
      allDay: true,
      summary: `${state.bow.name}: ${name}`,
      description: how,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  }
  return calendar.toString();
}

/** Every time it was done, or its interval set anew, its date moved. */
function timesMoved({ active }: BowState, job: Care['job']): number {
  return active.filter(
    ({ body }) => (body.kind === 'careDone' || body.kind === 'careSet') && body.job === job,
  ).length;
}
