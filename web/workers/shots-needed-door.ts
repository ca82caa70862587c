import { useEffect, useState } from 'react';
import type { AxisSums, ScatterPrior } from '#core/groups/offset-posterior.ts';
import type { ShotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import type { ShotsNeededJobs } from './shots-needed-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

interface KeyedAnswer {
  readonly key: string;
  readonly needed: ShotsNeeded;
}

/** Futures are drawn from a fixed seed: the same shots always give the same number. */
const SEED = 20_260_101;

/**
 * How many more shots would settle an axis, reckoned in a worker. Null while it is being reckoned
 * and when there is nothing to ask. A new question ends the one before it.
 */
export function useShotsNeeded(
  sums: AxisSums | null,
  toleranceMm: number,
  prior: ScatterPrior,
): ShotsNeeded | null {
  const key = sums === null ? null : JSON.stringify([sums, toleranceMm, prior]);
  const [answer, setAnswer] = useState<KeyedAnswer | null>(null);
  useEffect(() => {
    if (key === null) return undefined;
    const [asked, tolerance, given] = JSON.parse(key) as [AxisSums, number, ScatterPrior];
    // One reckoning in one piece: it is called off by ending its worker.
    const door = new WorkerDoor<ShotsNeededJobs>(
      () =>
        new Worker(new URL('./shots-needed.worker.ts', import.meta.url), {
          type: 'module',
        }),
    );
    door
      .ask('shotsNeeded', { sums: asked, toleranceMm: tolerance, prior: given, seed: SEED })
      .then((needed) => setAnswer({ key, needed }))
      // No figure is shown without an answer.
      .catch(() => undefined);
    return () => door.close();
  }, [key]);
  return answer !== null && answer.key === key ? answer.needed : null;
}
