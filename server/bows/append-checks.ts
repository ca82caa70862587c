import type { Entry, EntryBody } from '#core/log/entry.ts';
import { entryReferences } from '#core/log/kinds/entry-kinds.ts';
import type { Named, Reference } from '#core/log/kinds/entry-kind.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { heardElsewhere } from '#core/brace-search/heard-elsewhere.ts';
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
  const known = namedIn(state);
  for (const [index, { id, body }] of fresh.entries()) {
    if (ids.has(id))
      throw refused(index, 'id', 'idTwice', 'The same id stands twice in this request.');
    ids.add(id);
    if (body.kind === 'undone' && !undoable.has(body.entryId))
      throw refused(index, 'body.entryId', 'nothingToUndo', 'There is no such entry to take back.');
    for (const reference of entryReferences(body)) checkReference(reference, index, known);
    if (body.kind !== 'bowMade') undoable.add(id);
  }
  checkTaken(log, fresh, nowMs);
  checkFigures(fresh);
  checkHeard(state, fresh);
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

type Known = Readonly<Record<Named, Set<string>>>;

function namedIn(state: BowState | null): Known {
  const sessions = state?.sessions ?? [];
  return {
    session: new Set(sessions.map(({ sessionId }) => sessionId)),
    shot: new Set(sessions.flatMap(({ shots }) => shots.map(({ shotId }) => shotId))),
    experiment: new Set(state?.experiments.map(({ experimentId }) => experimentId)),
    search: new Set(state?.searches.map(({ searchId }) => searchId)),
  };
}

const REFUSALS: Readonly<
  Record<Named, Readonly<Record<Reference['role'], readonly [code: string, says: string]>>>
> = {
  session: {
    makes: ['sessionTwice', 'This session is already open.'],
    uses: ['unknownSession', 'No such session has been opened.'],
  },
  shot: {
    makes: ['shotTwice', 'This shot is already placed.'],
    uses: ['unknownShot', 'No such shot has been placed.'],
  },
  experiment: {
    makes: ['experimentTwice', 'This experiment is already open.'],
    uses: ['unknownExperiment', 'No such experiment has been opened.'],
  },
  search: {
    makes: ['searchTwice', 'This search is already open.'],
    uses: ['unknownSearch', 'No such search has been opened.'],
  },
};

/** What is made is not there yet; what is used is. */
function checkReference({ what, id, role }: Reference, index: number, known: Known): void {
  if (known[what].has(id) !== (role === 'uses')) {
    const [code, says] = REFUSALS[what][role];
    throw refused(index, `body.${what}Id`, code, says);
  }
  if (role === 'makes') known[what].add(id);
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

function checkHeard(state: BowState | null, fresh: readonly Entry[]): void {
  const at = heardElsewhere(
    state?.searches ?? [],
    fresh.map(({ body }) => body),
  );
  if (at === null) return;
  throw refused(
    at,
    'body.source',
    'heardElsewhere',
    'A practice takes the stand-in’s shots only, and a bow’s own search none of them. Open a search of the other kind.',
  );
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

function refused(index: number, path: string, code: string, message: string): RefusedRequest {
  return new RefusedRequest(422, code, message, [{ path: `entries.${index}.${path}`, message }]);
}
