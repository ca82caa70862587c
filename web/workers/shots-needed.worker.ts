import { shotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import { serveJobs } from './protocol.ts';
import type { ShotsNeededJobs } from './shots-needed-jobs.ts';

serveJobs<ShotsNeededJobs>(globalThis, {
  shotsNeeded: ({ sums, toleranceMm, prior, seed }) => shotsNeeded(sums, toleranceMm, prior, seed),
});
