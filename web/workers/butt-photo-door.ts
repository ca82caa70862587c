import { useCallback, useEffect, useRef, useState } from 'react';
import type { Homography } from '#core/butt-photo/homography.ts';
import type { StraightView } from '#core/butt-photo/straighten.ts';
import type { ButtPhotoJobs, OpenedPhoto } from './butt-photo-jobs.ts';
import { WorkerDoor } from './worker-door.ts';

export interface ButtPhotoDoor {
  readonly opened: OpenedPhoto | null;
  readonly straight: ImageBitmap | null;
  /** What the worker is doing; null when it rests. */
  readonly busy: string | null;
  readonly problem: string | null;
  readonly open: (file: File) => void;
  readonly straighten: (toPicture: Homography, view: StraightView) => void;
  /** The picture made small enough to be kept. */
  readonly pack: () => Promise<Blob>;
}

/** The door to the worker that decodes and straightens: the page itself never touches the pixels. */
export function useButtPhoto(): ButtPhotoDoor {
  const door = useRef<WorkerDoor<ButtPhotoJobs> | null>(null);
  const [opened, setOpened] = useState<OpenedPhoto | null>(null);
  const [straight, setStraight] = useState<ImageBitmap | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const made = new WorkerDoor<ButtPhotoJobs>(
      () =>
        new Worker(new URL('./butt-photo.worker.ts', import.meta.url), {
          type: 'module',
        }),
    );
    door.current = made;
    return () => made.close();
  }, []);
  const newest = useRef(0);
  const during = useCallback(
    async (doing: string, act: (worker: WorkerDoor<ButtPhotoJobs>) => Promise<void>) => {
      const worker = door.current;
      if (worker === null) return;
      setBusy(doing);
      newest.current += 1;
      const mine = newest.current;
      try {
        await act(worker);
      } catch (error) {
        // The page has left the picture: nobody is told of it.
        if (door.current !== worker) return;
        const says = error instanceof Error ? error.message : String(error);
        setProblem(`This picture cannot be read. Choose a JPEG or PNG. (${says})`);
      }
      if (newest.current === mine) setBusy(null);
    },
    [],
  );
  return {
    opened,
    straight,
    busy,
    problem,
    open: useCallback(
      (file) => {
        setOpened(null);
        setStraight(null);
        setProblem(null);
        void during('Opening the picture…', async (worker) => {
          setOpened(await worker.ask('open', file));
        });
      },
      [during],
    ),
    straighten: useCallback(
      (toPicture, view) => {
        setStraight(null);
        void during('Straightening the picture…', async (worker) => {
          setStraight(await worker.ask('straighten', { toPicture, view }));
        });
      },
      [during],
    ),
    pack: useCallback(() => {
      const worker = door.current;
      return worker === null
        ? Promise.reject(new Error('The picture was closed.'))
        : worker.ask('pack', null);
    }, []),
  };
}
