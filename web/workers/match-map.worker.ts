import { mapColumn } from '#core/arrows/match-map.ts';
import type { Match } from '#core/arrows/match-model.ts';
import type { MatchMapJobs } from './match-map-jobs.ts';
import { serveJobs } from './protocol.ts';

serveJobs<MatchMapJobs>(globalThis, {
  matchMap: async ({ model, build, grid }, { progress, isCalledOff }) => {
    const cells: (readonly Match[])[] = [];
    for (const [at, lengthMm] of grid.lengthsMm.entries()) {
      if (isCalledOff()) break;
      cells.push(mapColumn(model, build, lengthMm, grid.pointsG));
      progress((at + 1) / grid.lengthsMm.length);
      // Between two columns it hears whether it is still wanted.
      await new Promise((next) => setTimeout(next, 0));
    }
    return { ...grid, cells };
  },
});
