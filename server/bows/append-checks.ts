import type { Entry, EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/fold.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { checkBatch } from '#core/limits/check-batch.ts';
import { impossibleFigure } from '#core/limits/figure-ranges.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import { RefusedRequest } from '../http/problem.ts';

/**
 * Checks new entries against the record they join: a bow is made first and once, what is named
 * exists, and no hard limit is passed. Runs inside the transaction that appends them.
 *
 * @throws RefusedRequest with the index of the entry at fault
 */
export function checkAppend(
  log: readonly LoggedEntry[],
  state: BowState | null,
  fresh: readonly Entry[],
  nowMs: number,
): void {
  const first = fresh[0];
  if (first === undefined) return;
  if (log.length === 0 && first.body.kind !== 'bowMade') {
    throw new RefusedRequest(404, 'unknownBow', 'No bow has this id. Make the bow first.');
  }
  const again = fresh.findIndex(
    (entry, index) => entry.body.kind === 'bowMade' && (log.length > 0 || index > 0),
  );
  if (again >= 0) throw refused(again, 'body.kind', 'bowMadeTwice', 'This bow is already made.');

  const ids = new Set(log.map((entry) => entry.id));
  const undoable = new Set(log.filter(({ body }) => body.kind !== 'bowMade').map(({ id }) => id));
  const sessions = new Set(state?.sessions.map(({ sessionId }) => sessionId));
  const shots = new Set(
    state?.sessions.flatMap((session) => session.shots.map(({ shotId }) => shotId)),
  );
  const experiments = new Set(state?.experiments.map(({ experimentId }) => experimentId));
  for (const [index, entry] of fresh.entries()) {
    if (ids.has(entry.id))
      throw refused(index, 'id', 'idTwice', 'The same id stands twice in this request.');
    ids.add(entry.id);
    checkReferences(entry, index, { undoable, sessions, shots, experiments });
    if (entry.body.kind !== 'bowMade') undoable.add(entry.id);
  }
  checkTaken(log, fresh, nowMs);
  checkFigures(fresh);
  checkLimits(state, fresh);
}

/** Clocks that agree to this are taken to agree. */
const FUTURE_LEEWAY_MS = 2 * 60_000;

/**
 * What is taken later than now, by the server's clock, would stay the newest until then: it is asked
 * about before it is stored. Where the record itself is ahead of the clock, which then was set back,
 * what follows it is as late as it is.
 *
 * @throws RefusedRequest with the index of the entry at fault
 */
function checkTaken(log: readonly LoggedEntry[], entries: readonly Entry[], nowMs: number): void {
  const newestMs = log.reduce((most, { taken }) => Math.max(most, taken?.ms ?? 0), nowMs);
  const ahead = entries.findIndex(({ taken }) => (taken?.ms ?? 0) > newestMs + FUTURE_LEEWAY_MS);
  if (ahead < 0) return;
  throw refused(
    ahead,
    'taken.ms',
    'takenInFuture',
    `By this device’s clock it was taken at ${new Date(entries[ahead]?.taken?.ms ?? 0).toISOString()}, which is still to come by the server’s. One of the two clocks is wrong.`,
  );
}

interface Known {
  readonly undoable: ReadonlySet<string>;
  readonly sessions: Set<string>;
  readonly shots: Set<string>;
  readonly experiments: Set<string>;
}

function checkReferences({ body }: Entry, index: number, known: Known): void {
  switch (body.kind) {
    case 'undone':
      if (!known.undoable.has(body.entryId)) {
        throw refused(
          index,
          'body.entryId',
          'nothingToUndo',
          'There is no such entry to take back.',
        );
      }
      break;
    case 'sessionOpened':
      if (known.sessions.has(body.sessionId)) {
        throw refused(index, 'body.sessionId', 'sessionTwice', 'This session is already open.');
      }
      if (body.experimentId !== undefined && !known.experiments.has(body.experimentId))
        throw unknownExperiment(index);
      known.sessions.add(body.sessionId);
      break;
    case 'experimentOpened':
      known.experiments.add(body.experimentId);
      break;
    case 'experimentNarrowed':
    case 'experimentClosed':
      if (!known.experiments.has(body.experimentId)) throw unknownExperiment(index);
      break;
    case 'sessionClosed':
    case 'endNoted':
    case 'blameChecked':
    case 'pictureKept':
    case 'aimSet':
      if (!known.sessions.has(body.sessionId)) throw unknownSession(index);
      break;
    case 'shotPlaced':
      if (!known.sessions.has(body.sessionId)) throw unknownSession(index);
      if (known.shots.has(body.shotId)) {
        throw refused(index, 'body.shotId', 'shotTwice', 'This shot is already placed.');
      }
      known.shots.add(body.shotId);
      break;
    case 'shotAmended':
      if (!known.shots.has(body.shotId)) {
        throw refused(index, 'body.shotId', 'unknownShot', 'No such shot has been placed.');
      }
      break;
    default:
      break;
  }
}

/** What nobody can have read, counted or meant is a slip, whichever page or script sent it. */
function checkFigures(fresh: readonly Entry[]): void {
  for (const [index, { body }] of fresh.entries()) {
    const found = impossibleFigure(body);
    if (found === null) continue;
    const { path, value, range } = found;
    throw refused(
      index,
      `body.${path}`,
      'figureOutside',
      `${value} lies outside ${range[0]} to ${range[1]}, where such a figure can be.`,
    );
  }
}

/** Proposals are held to the limits; what was done already says so itself, and is recorded. */
function checkLimits(state: BowState | null, fresh: readonly Entry[]): void {
  const refusal = checkBatch(state, fresh);
  if (refusal === null) return;
  const made = fresh.find(({ body }) => body.kind === 'bowMade')?.body;
  const bow = state?.bow ?? (made?.kind === 'bowMade' ? made : null);
  if (bow === null) return;
  const bodies = fresh.map(({ body }) => body);
  const { says, remedy } = refusalWords(refusal, bodies, { bow });
  throw refused(
    refusal.at,
    PATHS[bodies[refusal.at]?.kind ?? 'note'] ?? 'body',
    refusal.code,
    `${says} ${remedy}`,
  );
}

const PATHS: Partial<Record<EntryBody['kind'], string>> = {
  change: 'body.amount',
  itemFitted: 'body.item',
  targetSet: 'body.low',
  experimentOpened: 'body.control',
  sessionOpened: 'body.distanceM',
};

function unknownExperiment(index: number): RefusedRequest {
  return refused(
    index,
    'body.experimentId',
    'unknownExperiment',
    'No such experiment has been opened.',
  );
}

function unknownSession(index: number): RefusedRequest {
  return refused(index, 'body.sessionId', 'unknownSession', 'No such session has been opened.');
}

function refused(index: number, path: string, code: string, message: string): RefusedRequest {
  return new RefusedRequest(422, code, message, [{ path: `entries.${index}.${path}`, message }]);
}
