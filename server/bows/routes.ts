import { Router } from 'express';
import { z } from 'zod';
import { type AppendResponse, appendRequestSchema, logQuerySchema } from '#contract/entry.ts';
import type { RackResponse } from '#contract/rack.ts';
import type { LoggedEntry } from '#core/record/entry.ts';
import { onceFor } from '#core/record/once-for.ts';
import { onlyMethods, RefusedRequest } from '../http/problem.ts';
import { checkAppend } from './append-checks.ts';
import type { EntryQueries } from './entry-queries.ts';
import { rackSummary } from './rack-summary.ts';

const bowIdSchema = z.uuid();

/** The bows: the rack, a bow's log, and the one way to write. */
export function bowRoutes(queries: EntryQueries, nowMs: () => number): Router {
  const router = Router();

  router
    .route('/bows')
    .get((_request, response) => {
      const bows = queries
        .bowIds()
        .map((bowId) => queries.stateOf(bowId))
        .filter((state) => state !== null)
        .map((state) => rackSummary(state, nowMs()));
      response.json({ bows } satisfies RackResponse);
    })
    .all(onlyMethods('GET'));

  router
    .route('/bows/:bowId/entries')
    .get((request, response) => {
      const log = queries.logOf(bowIdOf(request.params.bowId));
      if (log.length === 0) throw unknownBow();
      const { after } = logQuerySchema.parse(request.query);
      const entries =
        after === undefined
          ? log
          : log.slice(log.findLastIndex(({ seq }) => (seq ?? 0) <= after) + 1);
      response.type('json').send(logText(entries, log.length));
    })
    .post((request, response) => {
      const bowId = bowIdOf(request.params.bowId);
      if (request.is('application/json') === false) {
        throw new RefusedRequest(415, 'notJson', 'Send application/json.');
      }
      const { entries } = appendRequestSchema.parse(request.body);
      const astray = entries.findIndex((entry) => entry.bowId !== bowId);
      if (astray >= 0) {
        throw new RefusedRequest(
          422,
          'otherBow',
          'An entry belongs to another bow than the address.',
          [{ path: `entries.${astray}.bowId`, message: 'differs from the address' }],
        );
      }
      const appended = queries.append(entries, (fresh) => {
        checkAppend(queries.logOf(bowId), queries.stateOf(bowId), fresh);
      });
      if (appended.kind === 'idTaken') {
        throw new RefusedRequest(
          409,
          'idTaken',
          'An entry with this id is already stored, with other content.',
          [{ path: `entries.${appended.index}.id`, message: 'taken' }],
        );
      }
      response
        .status(appended.fresh > 0 ? 201 : 200)
        .json({ entries: appended.entries } satisfies AppendResponse);
    })
    .all(onlyMethods('GET', 'POST'));

  return router;
}

/** A `LogResponse`: an entry never changes, so a long log is not written out anew each time. */
function logText(entries: readonly LoggedEntry[], count: number): string {
  return `{"entries":[${entries.map(entryText).join()}],"count":${count}}`;
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
