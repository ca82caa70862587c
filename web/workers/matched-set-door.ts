import { useEffect, useState } from 'react';
import type { MatchedSet } from '#core/arrows/matched-set.ts';
import type { MatchedSetJobs } from './matched-set-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

type Asked = MatchedSetJobs['matchedSet']['order'];

/** The shafts of a lot that shoot most alike, looked for in a worker; null while it looks, or has nothing to look for. */
export function useMatchedSet(asked: Asked | null): MatchedSet | null {
  const [found, setFound] = useState<{ readonly of: Asked; readonly set: MatchedSet } | null>(null);
  useEffect(() => {
    if (asked === null) return undefined;
    const door = new WorkerDoor<MatchedSetJobs>(
      () => new Worker(new URL('./matched-set.worker.ts', import.meta.url), { type: 'module' }),
    );
    door
      .ask('matchedSet', asked)
      .then((set) => setFound({ of: asked, set }))
      // Ended for another question: nothing is shown without an answer.
      .catch(() => undefined);
    return () => door.close();
  }, [asked]);
  return found !== null && found.of === asked ? found.set : null;
}
