import type { ImportPlan, PlannedBow } from '#contract/file-import.ts';
import { impossibleFigure } from '#core/limits/figure-ranges.ts';
import { stopsOf } from '#core/limits/stops.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { BowFacts, LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { entryReferences, entryWords } from '#core/log/kinds/entry-kinds.ts';
import { stopWords } from '#core/words/limit-words.ts';
import { isReadable, logReader, type LogReader } from '../bows/read-log.ts';
import { sameEntry } from '#core/log/same-entry.ts';
import type { Db } from '../db/open.ts';
import { pictureQueries, type PictureQueries } from '../pictures/picture-queries.ts';
import { BadFile, SAVE_AGAIN } from './bad-file.ts';
import type { StagedEntry, Staging } from './staging.ts';

/** So many conflicts of a bow are named; of more, their number. */
const MOST_NAMED = 5;
/** Clocks that agree to this are taken to agree. */
const FUTURE_LEEWAY_MS = 2 * 60_000;

/**
 * What a staged file would add to a record, what is there already, and what cannot be both: the same id
 * with other content. Nothing is changed.
 *
 * @throws BadFile where a bow is made twice
 */
export function planImport(staging: Staging, db: Db, nowMs: number): ImportPlan {
  const reader = logReader(db);
  const pictures = pictureQueries(db);
  const newestSeq = Number(db.prepare('SELECT coalesce(max(seq), 0) FROM entry').pluck().get());
  return {
    newestSeq,
    bows: staging.bowIds().map((bowId) => planBow(bowId, { staging, reader, pictures, nowMs })),
  };
}

interface Known {
  readonly staging: Staging;
  readonly reader: LogReader;
  readonly pictures: Pick<PictureQueries, 'of'>;
  readonly nowMs: number;
}

type Conflict = PlannedBow['conflicts'][number];

function planBow(bowId: string, { staging, reader, pictures, nowMs }: Known): PlannedBow {
  const here = reader.logOf(bowId).entries;
  const bowHere = foldLog(here)?.bow;
  const fresh: LoggedEntry[] = [];
  const conflicts: Conflict[] = [];
  let entries = 0;
  let made: StagedEntry | null = null;
  for (const staged of staging.entriesOf(bowId)) {
    entries += 1;
    const { entry, place } = staged;
    if (entry.body.kind === 'bowMade') {
      if (made !== null) throw new BadFile(place, 'The bow is made a second time.', SAVE_AGAIN);
      made = staged;
    }
    const stored = reader.entry(entry.id);
    if (stored === null) fresh.push({ ...entry, seq: null });
    else if (!isReadable(stored))
      conflicts.push({ place, says: 'It is here too, but cannot be read here any more.' });
    else if (!sameEntry(stored, entry))
      conflicts.push({ place, says: conflictWords(stored, bowHere) });
  }
  const madeHere = here.find(({ body }) => body.kind === 'bowMade');
  conflicts.push(...madeConflict(made, madeHere));
  const pictureIds = staging.pictureIdsOf(bowId);
  const freshPictures = pictureIds.filter((id) => pictures.of(id) === null);
  for (const id of pictureIds) {
    const there = pictures.of(id);
    const coming = staging.picture(id);
    if (there !== null && coming?.bytes.equals(there.bytes) !== true)
      conflicts.push({ place: `pictures/${bowId}/${id}`, says: 'Another picture has this id.' });
  }
  const whole = [...here, ...fresh];
  const state = foldLog(whole);
  return {
    bowId,
    name: state?.bow.name ?? '',
    entries,
    fresh: fresh.length,
    there:
      entries - fresh.length - conflicts.filter(({ place }) => place.startsWith('bows/')).length,
    isHere: here.length > 0,
    pictures: pictureIds.length,
    freshPictures: freshPictures.length,
    conflicts: conflicts.slice(0, MOST_NAMED),
    conflictCount: conflicts.length,
    flags: flagsOf({ state, whole, fresh, nowMs }),
  };
}

function madeConflict(
  made: StagedEntry | null,
  here: LoggedEntry | undefined,
): readonly Conflict[] {
  if (made === null)
    return here === undefined
      ? [
          {
            place: 'the bow',
            says: 'It is made neither in the file nor here: its first entry is lost.',
          },
        ]
      : [];
  return here === undefined || here.id === made.entry.id
    ? []
    : [{ place: made.place, says: 'This bow is made here by another entry.' }];
}

function conflictWords({ body, at, by }: LoggedEntry, bow: BowFacts | undefined): string {
  const says = bow === undefined ? '' : `: ${entryWords(body, bow)}`;
  return `Here the entry of this id says something else${says}, written by ${by} on ${at.slice(0, 10)}.`;
}

/** What is taken as it is, and pointed at: the record holds what happened, past a limit or not. */
function flagsOf({
  state,
  whole,
  fresh,
  nowMs,
}: {
  readonly state: BowState | null;
  readonly whole: readonly LoggedEntry[];
  readonly fresh: readonly LoggedEntry[];
  readonly nowMs: number;
}): PlannedBow['flags'] {
  const flags: PlannedBow['flags'] = [];
  const flag = (says: string, entries: number) => {
    if (entries > 0) flags.push({ says, entries });
  };
  const odd = fresh.filter(({ body }) => impossibleFigure(body) !== null);
  const [first] = odd;
  if (first !== undefined && state !== null)
    flag(
      `A figure nobody can have read, such as: ${entryWords(first.body, state.bow)}`,
      odd.length,
    );
  flag('Past a clock that was ahead: taken later than now', fresh.filter(isFuture(nowMs)).length);
  flag(
    'Names a session, shot or experiment that is nowhere: it is kept, and counts for nothing',
    countStray(whole, fresh),
  );
  if (state !== null && fresh.length > 0)
    for (const stop of stopsOf(state))
      flag(`As the bow stands then: ${stopWords(stop, state).title}`, 1);
  return flags;
}

function isFuture(nowMs: number) {
  return ({ taken }: LoggedEntry) => (taken?.ms ?? 0) > nowMs + FUTURE_LEEWAY_MS;
}

function countStray(whole: readonly LoggedEntry[], fresh: readonly LoggedEntry[]): number {
  const made = new Set(
    whole.flatMap(({ body }) =>
      entryReferences(body).flatMap(({ id, role }) => (role === 'makes' ? [id] : [])),
    ),
  );
  return fresh.filter(({ body }) =>
    entryReferences(body).some(({ id, role }) => role === 'uses' && !made.has(id)),
  ).length;
}
