import { useEffect, useState } from 'react';
import type { AxisSums, ScatterPrior } from '#core/groups/offset-posterior.ts';
import type { ShotsNeeded } from '#core/bare-shaft/shots-needed.ts';

export interface ShotsNeededQuestion {
  readonly key: string;
  readonly sums: AxisSums;
  readonly toleranceMm: number;
  readonly prior: ScatterPrior;
  readonly seed: number;
}
export interface ShotsNeededAnswer {
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
  const [answer, setAnswer] = useState<ShotsNeededAnswer | null>(null);
  useEffect(() => {
    if (key === null) return undefined;
    const [asked, tolerance, given] = JSON.parse(key) as [AxisSums, number, ScatterPrior];
    const worker = new Worker(new URL('./shots-needed.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.onmessage = (event: MessageEvent<ShotsNeededAnswer>) => {
      setAnswer(event.data);
    };
    worker.postMessage({ key, sums: asked, toleranceMm: tolerance, prior: given, seed: SEED });
    return () => {
      worker.terminate();
    };
  }, [key]);
  return answer !== null && answer.key === key ? answer.needed : null;
}
