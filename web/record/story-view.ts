import { format, startOfDay } from 'date-fns';
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
  let day = Number.NaN;
  let stringId = '';
  for (const line of lines.toReversed()) {
    const at = startOfDay(line.first.at).getTime();
    const isOtherString = line.stringId !== stringId;
    if (at !== day || isOtherString)
      rows.push({
        kind: 'day',
        key: `day ${line.first.id}`,
        day: format(at, 'EEE d MMM yyyy'),
        string: isOtherString ? (names.get(line.stringId) ?? 'another string') : null,
      });
    day = at;
    ({ stringId } = line);
    rows.push({ kind: 'line', key: line.first.id, line });
  }
  return rows;
}

/** The newest row of a day, or of the nearest day before it; −1 where the record begins later. */
export function rowOnDay(rows: readonly StoryRow[], day: Date): number {
  const end = startOfDay(day).getTime() + 24 * 3_600_000 - 1;
  const first = rows.findIndex(
    (row) => row.kind === 'line' && startOfDay(row.line.first.at).getTime() <= end,
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
