import { setImmediate } from 'node:timers/promises';
import { Router } from 'express';
import type { WorkshopResponse } from '#contract/workshop.ts';
import { workshopLimbs } from '#core/care/workshop-limbs.ts';
import { workshopStrings } from '#core/care/workshop-strings.ts';
import { joinBuilds } from '#core/arrows/workshop-builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryQueries } from '../bows/entry-queries.ts';
import { onlyMethods } from '../http/problem.ts';

/** What belongs to the workshop and not to one bow: its builds of arrow, gathered from all bows. */
export function workshopRoutes(queries: EntryQueries): Router {
  const router = Router();
  router
    .route('/workshop')
    .get(async (_request, response) => {
      response.json((await workshopOf(queries)) satisfies WorkshopResponse);
    })
    .all(onlyMethods('GET'));
  return router;
}

/** Bow by bow, with a turn for other requests in between. */
async function workshopOf(queries: EntryQueries): Promise<WorkshopResponse> {
  const states: BowState[] = [];
  for (const bowId of queries.bowIds()) {
    const state = queries.stateOf(bowId);
    if (state !== null) states.push(state);
    await setImmediate();
  }
  return {
    builds: joinBuilds(states.map(({ builds }) => builds.values())).map(
      ({ buildId, revisions }) => ({
        buildId,
        revisions: [...revisions],
      }),
    ),
    parts: states.flatMap(({ catalogue }) => [...catalogue.values()]),
    droppedParts: states.flatMap(({ droppedParts }) => [...droppedParts]),
    strings: workshopStrings(states).map(({ stays, ...string }) => ({
      ...string,
      stays: [...stays],
    })),
    limbs: workshopLimbs(states).map(({ stays, ...limbs }) => ({ ...limbs, stays: [...stays] })),
    fitted: states.flatMap(({ bowId, bow }) => {
      const build = bow.arrow?.build;
      return build === undefined
        ? []
        : [{ bowId, bowName: bow.name, buildId: build.buildId, revisionId: build.revisionId }];
    }),
  };
}
