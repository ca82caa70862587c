import { setImmediate } from 'node:timers/promises';
import { Router } from 'express';
import { z } from 'zod';
import { type AppendResponse, appendRequestSchema, logQuerySchema } from '#contract/entry.ts';
import type { RackResponse } from '#contract/rack.ts';
import type { SetAsideResponse } from '#contract/set-aside.ts';
import type { Entry, LoggedEntry } from '#core/log/entry.ts';
import { onceFor } from '#core/log/once-for.ts';
import { onlyMethods, readRequest, RefusedRequest } from '../http/problem.ts';
import { checkAppend } from './append-checks.ts';
import type { EntryQueries } from './entry-queries.ts';
import { rackSummaryOnce } from './rack-summary.ts';

const bowIdSchema = z.uuid();

/** The bows: the rack, a bow's log, what of it cannot be read, and the one way to write. */
export function bowRoutes(queries: EntryQueries, nowMs: () => number): Router {
  const router = Router();

  router
    .route('/bows')
    .get(async (_request, response) => {
      response.json((await rackOf(queries, nowMs())) satisfies RackResponse);
    })
    .all(onlyMethods('GET'));

  router
    .route('/bows/:bowId/entries')
    .get((request, response) => {
      const bowId = bowIdOf(request.params.bowId);
      const log = queries.logOf(bowId);
      const setAside = queries.mayBeOf(bowId).length;
      if (log.length === 0 && queries.setAsideOf(bowId).length === 0) throw unknownBow();
      const { after } = readRequest(logQuerySchema, request.query);
      const entries =
        after === undefined
          ? log
          : log.slice(log.findLastIndex(({ seq }) => (seq ?? 0) <= after) + 1);
      response.type('json').send(logText(entries, log.length, setAside));
    })
    .post((request, response) => {
      const bowId = bowIdOf(request.params.bowId);
      if (request.is('application/json') === false) {
        throw new RefusedRequest(415, 'notJson', 'Send application/json.');
      }
      const { entries } = readRequest(appendRequestSchema, request.body);
      mustBeOf(bowId, entries);
      const appended = queries.append(entries, (fresh) => {
        checkAppend(queries.logOf(bowId), queries.stateOf(bowId), fresh, nowMs());
      });
      if (appended.kind === 'idTaken') {
        throw new RefusedRequest(
          409,
          'idTaken',
          'An entry with this id is already stored, with other content.',
          [{ path: `entries.${appended.index}.id`, message: 'taken' }],
        );
      }
      response.status(appended.fresh > 0 ? 201 : 200).json({
        entries: appended.entries.map((entry, index) =>
          entries[index]?.taken === undefined ? withoutTaken(entry) : entry,
        ),
      } satisfies AppendResponse);
      foldAhead(queries, bowId);
    })
    .all(onlyMethods('GET', 'POST'));

  router
    .route('/bows/:bowId/set-aside')
    .get((request, response) => {
      const entries = [...queries.mayBeOf(bowIdOf(request.params.bowId))];
      response.json({ entries } satisfies SetAsideResponse);
    })
    .all(onlyMethods('GET'));

  router
    .route('/strays')
    .get((_request, response) => {
      response.json({ entries: [...queries.strays()] } satisfies SetAsideResponse);
    })
    .all(onlyMethods('GET'));

  return router;
}

/** The next entry is checked against what this one made of the bow: folded while nobody waits for it. */
function foldAhead(queries: EntryQueries, bowId: string): void {
  setImmediate()
    .then(() => queries.stateOf(bowId))
    // Whoever asks next hears what is wrong; a record closed meanwhile is asked nothing more.
    .catch(() => undefined);
}

/** Bow by bow, with a turn for other requests in between: hundreds of bows must not hold up a shot. */
async function rackOf(queries: EntryQueries, nowMs: number): Promise<RackResponse> {
  const bows: RackResponse['bows'] = [];
  const unreadable: RackResponse['unreadable'] = [];
  // A bow of which nothing can be read is none: its rows are among the strays.
  for (const bowId of queries.bowIds()) {
    const state = queries.stateOf(bowId);
    if (state !== null) bows.push(rackSummaryOnce(state, nowMs));
    else if (queries.logOf(bowId).length > 0)
      unreadable.push({ bowId, setAside: queries.setAsideOf(bowId).length });
    await setImmediate();
  }
  return { bows, unreadable, strays: queries.strays().length };
}

function mustBeOf(bowId: string, entries: readonly Entry[]): void {
  const astray = entries.findIndex((entry) => entry.bowId !== bowId);
  if (astray < 0) return;
  throw new RefusedRequest(422, 'otherBow', 'An entry belongs to another bow than the address.', [
    { path: `entries.${astray}.bowId`, message: 'differs from the address' },
  ]);
}

/** A page opened before entries said when they were taken knows only what it sent. */
function withoutTaken({ taken: _taken, ...entry }: LoggedEntry): LoggedEntry {
  return entry;
}

/** A `LogResponse`: an entry never changes, so a long log is not written out anew each time. */
function logText(entries: readonly LoggedEntry[], count: number, setAside: number): string {
  return `{"entries":[${entries.map(entryText).join()}],"count":${count},"setAside":${setAside}}`;
}
const entryText = onceFor((entry: LoggedEntry) => JSON.stringify(entry));

function bowIdOf(text: string): string {
  const parsed = bowIdSchema.safeParse(text);
  if (!parsed.success) throw unknownBow();
  return parsed.data;
}

function unknownBow(): RefusedRequest {
  return new RefusedRequest(404, 'unknownBow', 'No bow has this id.');
}
