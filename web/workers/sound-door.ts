import { useCallback, useEffect, useRef, useState } from 'react';
import type { HeardRecording, SoundJobs } from './sound-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

export interface SoundDoor {
  /** How far a recording has been read, 0 to 1; null: the worker rests. */
  readonly share: number | null;
  /** Null where it was called off. */
  readonly ask: <K extends keyof SoundJobs>(
    kind: K,
    order: SoundJobs[K]['order'],
  ) => Promise<HeardRecording | null>;
  readonly cancel: () => void;
}

/** The door to the worker that hears recordings: the page itself never touches the samples. */
export function useSoundDoor(): SoundDoor {
  const door = useRef<WorkerDoor<SoundJobs> | null>(null);
  const asking = useRef<AbortController | null>(null);
  const [share, setShare] = useState<number | null>(null);
  useEffect(() => {
    const made = new WorkerDoor<SoundJobs>(
      () => new Worker(new URL('./sound.worker.ts', import.meta.url), { type: 'module' }),
    );
    door.current = made;
    return () => made.close();
  }, []);
  const ask = useCallback<SoundDoor['ask']>(async (kind, order) => {
    const mine = new AbortController();
    asking.current = mine;
    setShare(0);
    try {
      const options = { signal: mine.signal, progress: setShare };
      return (await door.current?.ask(kind, order, options)) ?? null;
    } catch (error) {
      if (mine.signal.aborted || door.current === null) return null;
      throw error;
    } finally {
      if (asking.current === mine) setShare(null);
    }
  }, []);
  const cancel = useCallback(() => {
    asking.current?.abort();
    setShare(null);
  }, []);
  return { share, ask, cancel };
}
