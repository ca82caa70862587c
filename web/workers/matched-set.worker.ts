import { matchedSet } from '#core/arrows/matched-set.ts';
import type { MatchedSetJobs } from './matched-set-jobs.ts';
import { serveJobs } from './protocol.ts';

serveJobs<MatchedSetJobs>(globalThis, {
  matchedSet: ({ lot, count, costs, weights }) => matchedSet(lot, count, costs, weights),
});
