import { makeMatchMap } from './make-match-map.ts';
import type { MatchMapJobs } from './match-map-jobs.ts';
import { serveJobs } from './protocol.ts';

serveJobs<MatchMapJobs>(globalThis, { matchMap: makeMatchMap });
