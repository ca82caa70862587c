import { useEffect, useState } from 'react';
import type { MarksFigures, MarksQuestion } from '#core/sight-marks/marks-figures.ts';
import type { MarksJobs } from './marks-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

/** The figures of a question; those of the one before stand until its answer is there. */
export interface Reckoned {
  readonly figures: MarksFigures | null;
  /** Whether they answer what is asked now. */
  readonly isCurrent: boolean;
  readonly failed: boolean;
}

/** Speed, drag and every mark, reckoned in a worker. A new question ends the one before it. */
export function useMarksFigures(question: MarksQuestion | null): Reckoned {
  const key = question === null ? null : JSON.stringify(question);
  const [answer, setAnswer] = useState<{
    readonly key: string;
    readonly figures: MarksFigures | null;
  } | null>(null);
  useEffect(() => {
    if (key === null) return undefined;
    const door = new WorkerDoor<MarksJobs>(
      () => new Worker(new URL('./marks.worker.ts', import.meta.url), { type: 'module' }),
    );
    let isWanted = true;
    door
      .ask('figures', JSON.parse(key) as MarksQuestion)
      .then((figures) => setAnswer({ key, figures }))
      .catch(() => {
        if (isWanted) setAnswer({ key, figures: null });
      });
    return () => {
      isWanted = false;
      door.close();
    };
  }, [key]);
  const isCurrent = answer !== null && answer.key === key;
  return {
    figures: key === null ? null : (answer?.figures ?? null),
    isCurrent,
    failed: isCurrent && answer.figures === null,
  };
}
