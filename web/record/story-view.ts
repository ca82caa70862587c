import { addDays, format, startOfDay } from 'date-fns';
import type { StoryLine } from '#core/story/story-lines.ts';
import type { BowString } from '#core/log/strings.ts';

/** A row of the story: the head of a day, or a line of it. */
export type StoryRow =
  | {
      readonly kind: 'day';
      readonly key: string;
      readonly day: string;
      readonly string: string | null;
    }
  | { readonly kind: 'line'; readonly key: string; readonly line: StoryLine };

/**
 * The lines newest first, under the day they happened on here. Where another string was on than on the
 * lines above, its name stands with the day.
 */
export function storyRows(
  lines: readonly StoryLine[],
  strings: readonly BowString[],
): readonly StoryRow[] {
  const rows: StoryRow[] = [];
  const names = new Map(strings.map(({ stringId, described }) => [stringId, described]));
  let day = { fromMs: Number.POSITIVE_INFINITY, toMs: Number.NEGATIVE_INFINITY };
  let stringId = '';
  for (const line of lines.toReversed()) {
    const ms = Date.parse(line.first.at);
    const isOtherDay = !(ms >= day.fromMs && ms < day.toMs);
    const isOtherString = line.stringId !== stringId;
    // The calendar is asked once a day of the record, not once a line.
    if (isOtherDay) day = dayOf(ms);
    if (isOtherDay || isOtherString)
      rows.push({
        kind: 'day',
        key: `day ${line.first.id}`,
        day: format(day.fromMs, 'EEE d MMM yyyy'),
        string: isOtherString ? (names.get(line.stringId) ?? 'another string') : null,
      });
    ({ stringId } = line);
    rows.push({ kind: 'line', key: line.first.id, line });
  }
  return rows;
}

function dayOf(ms: number): { readonly fromMs: number; readonly toMs: number } {
  const from = startOfDay(ms);
  return { fromMs: from.getTime(), toMs: addDays(from, 1).getTime() };
}

/** The newest row of a day, or of the nearest day before it; −1 where the record begins later. */
export function rowOnDay(rows: readonly StoryRow[], day: Date): number {
  const { toMs } = dayOf(day.getTime());
  const first = rows.findIndex(
    (row) => row.kind === 'line' && Date.parse(row.line.first.at) < toMs,
  );
  return first > 0 && rows[first - 1]?.kind === 'day' ? first - 1 : first;
}

/** `14:05` */
export function clockTime(at: string): string {
  return format(at, 'HH:mm');
}

/** `3 Nov 14:05`; with the year where it is another than this. */
export function dayAndTime(at: string, now: Date): string {
  const thisYear = new Date(at).getFullYear() === now.getFullYear();
  return format(at, thisYear ? 'd MMM HH:mm' : 'd MMM yyyy HH:mm');
}
