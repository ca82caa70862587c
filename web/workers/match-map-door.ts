import { useEffect, useRef, useState } from 'react';
import { gridAround, type MatchMap } from '#core/arrows/match-map.ts';
import type { MatchModel } from '#core/arrows/match-model.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import type { MatchMapJobs } from './match-map-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

/** A rough map is there at once, the fine one follows. */
const COARSE = [6, 5] as const;
const FINE = [15, 12] as const;

/**
 * A map of lengths and points about one arrow for the parts of another, made in a worker; a new question calls
 * the one before off.
 */
export function useMatchMap(
  model: MatchModel,
  build: ArrowBuild,
  around: ArrowBuild,
): MatchMap | null {
  const [map, setMap] = useState<MatchMap | null>(null);
  const door = useRef<WorkerDoor<MatchMapJobs> | null>(null);
  useEffect(() => {
    const made = new WorkerDoor<MatchMapJobs>(
      () => new Worker(new URL('./match-map.worker.ts', import.meta.url), { type: 'module' }),
    );
    door.current = made;
    return () => made.close();
  }, []);
  useEffect(() => {
    const asking = new AbortController();
    const ask = async () => {
      for (const [columns, rows] of [COARSE, FINE]) {
        const grid = gridAround(around, columns, rows);
        const made = await door.current?.ask('matchMap', { model, build, grid }, asking);
        if (made !== undefined) setMap(made);
      }
    };
    // Called off, or the page was left: nobody looks at it.
    ask().catch(() => undefined);
    return () => asking.abort();
  }, [model, build, around]);
  return map;
}
