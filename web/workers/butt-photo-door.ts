import { useCallback, useEffect, useRef, useState } from 'react';
import type { Homography } from '#core/butt-photo/homography.ts';
import type { StraightView } from '#core/butt-photo/straighten.ts';

export type ButtPhotoOrder =
  | { readonly kind: 'open'; readonly file: Blob }
  | {
      readonly kind: 'straighten';
      readonly toPicture: Homography;
      readonly view: StraightView;
    }
  | { readonly kind: 'pack' };

export type ButtPhotoAnswer =
  | {
      readonly kind: 'opened';
      readonly width: number;
      readonly height: number;
      readonly preview: ImageBitmap;
    }
  | { readonly kind: 'straight'; readonly bitmap: ImageBitmap }
  | { readonly kind: 'packed'; readonly blob: Blob }
  | { readonly kind: 'failed'; readonly says: string };

/** A picture opened for marking; its own size in px, whatever the preview's. */
export interface OpenedPhoto {
  readonly width: number;
  readonly height: number;
  readonly preview: ImageBitmap;
}

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
  const worker = useRef<Worker | null>(null);
  const waiting = useRef<((blob: Blob) => void) | null>(null);
  const [opened, setOpened] = useState<OpenedPhoto | null>(null);
  const [straight, setStraight] = useState<ImageBitmap | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const made = new Worker(new URL('./butt-photo.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<ButtPhotoAnswer>) => {
      switch (data.kind) {
        case 'opened':
          setOpened(data);
          setBusy(null);
          break;
        case 'straight':
          setStraight(data.bitmap);
          setBusy(null);
          break;
        case 'packed':
          waiting.current?.(data.blob);
          break;
        case 'failed':
          setBusy(null);
          setProblem(`This picture cannot be read. Choose a JPEG or PNG. (${data.says})`);
          break;
      }
    };
    return () => {
      made.terminate();
    };
  }, []);
  const order = useCallback((what: ButtPhotoOrder) => {
    worker.current?.postMessage(what);
  }, []);
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
        setBusy('Opening the picture…');
        order({ kind: 'open', file });
      },
      [order],
    ),
    straighten: useCallback(
      (toPicture, view) => {
        setStraight(null);
        setBusy('Straightening the picture…');
        order({ kind: 'straighten', toPicture, view });
      },
      [order],
    ),
    pack: useCallback(
      () =>
        new Promise<Blob>((resolve) => {
          waiting.current = resolve;
          order({ kind: 'pack' });
        }),
      [order],
    ),
  };
}
