/** One bow of a file against what is here, as far as words need it. */
interface PlannedFigures {
  readonly entries: number;
  readonly fresh: number;
  readonly isHere: boolean;
  readonly freshPictures: number;
  readonly conflictCount: number;
}

/** What taking a bow in would come to: `412 entries, all new`. */
export function plannedBowWords(bow: PlannedFigures): string {
  const { entries, fresh, isHere, freshPictures, conflictCount } = bow;
  const parts = [freshWords(entries, fresh, isHere)];
  if (freshPictures > 0) parts.push(counted(freshPictures, 'new picture', 'new pictures'));
  if (conflictCount > 0)
    parts.push(
      `${counted(conflictCount, 'entry', 'entries')} with other content than here: it cannot be added`,
    );
  return parts.join('; ');
}

function freshWords(entries: number, fresh: number, isHere: boolean): string {
  const all = counted(entries, 'entry', 'entries');
  if (!isHere) return `a bow that is not here yet: ${all}`;
  if (fresh === 0) return `nothing new: its ${all} ${entries === 1 ? 'is' : 'are'} here already`;
  return `${counted(fresh, 'new entry', 'new entries')} for a bow that is here, of ${all}`;
}

/** What was taken, afterwards. */
export function takenInWords({
  bows,
  entries,
  pictures,
}: {
  readonly bows: number;
  readonly entries: number;
  readonly pictures: number;
}): string {
  if (entries === 0 && pictures === 0) return 'Nothing was new: the record is as it was.';
  const parts = [counted(entries, 'entry', 'entries')];
  if (pictures > 0) parts.push(counted(pictures, 'picture', 'pictures'));
  return `Taken in: ${parts.join(' and ')} of ${counted(bows, 'bow', 'bows')}.`;
}

function counted(count: number, one: string, more: string): string {
  return `${count} ${count === 1 ? one : more}`;
}
