import type { Homography } from '#core/butt-photo/homography.ts';
import type { StraightView } from '#core/butt-photo/straighten.ts';

/** A picture opened for marking; its own size in px, whatever the preview's. */
export interface OpenedPhoto {
  readonly width: number;
  readonly height: number;
  readonly preview: ImageBitmap;
}

/** The worker keeps the picture between orders. */
export type ButtPhotoJobs = {
  readonly open: { readonly order: Blob; readonly answer: OpenedPhoto };
  readonly straighten: {
    readonly order: { readonly toPicture: Homography; readonly view: StraightView };
    readonly answer: ImageBitmap;
  };
  /** The picture made small enough to be kept. */
  readonly pack: { readonly order: null; readonly answer: Blob };
};
