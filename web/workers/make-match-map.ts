import { mapColumn, type MatchMap } from '#core/arrows/match-map.ts';
import type { Match } from '#core/arrows/match-model.ts';
import type { MatchMapJobs } from './match-map-jobs.ts';
import type { JobContext } from './protocol.ts';

/** A map column by column: between two of them it hears whether it is still wanted. */
export async function makeMatchMap(
  { model, build, grid }: MatchMapJobs['matchMap']['order'],
  { progress, isCalledOff }: JobContext,
): Promise<MatchMap> {
  const cells: (readonly Match[])[] = [];
  for (const [at, lengthMm] of grid.lengthsMm.entries()) {
    if (isCalledOff()) break;
    cells.push(mapColumn(model, build, lengthMm, grid.pointsG));
    progress((at + 1) / grid.lengthsMm.length);
    await new Promise((next) => setTimeout(next, 0));
  }
  return { ...grid, cells };
}
