import { straighten } from '#core/butt-photo/straighten.ts';
import type { ButtPhotoJobs } from './butt-photo-jobs.ts';
import { serveJobs } from './protocol.ts';

/** Larger pictures are taken smaller: more pixels than this say no more of a hole. */
const MOST_PIXELS = 24_000_000;
/** What is shown for marking, and kept with a session, is no wider or higher than this, px. */
const PREVIEW_PX = 1800;
const KEPT_QUALITY = 0.85;

let picture: OffscreenCanvas | null = null;

serveJobs<ButtPhotoJobs>(globalThis, {
  open: async (file, { handOver }) => {
    picture = await decoded(file);
    const { width, height } = picture;
    const preview = await createImageBitmap(smaller(picture));
    handOver([preview]);
    return { width, height, preview };
  },
  straighten: async ({ toPicture, view }, { handOver }) => {
    const flat = straighten(pixelsOf(opened()), toPicture, view);
    const image = new ImageData(flat.width, flat.height);
    image.data.set(flat.data);
    const bitmap = await createImageBitmap(image);
    handOver([bitmap]);
    return bitmap;
  },
  pack: () => smaller(opened()).convertToBlob({ type: 'image/jpeg', quality: KEPT_QUALITY }),
});

function opened(): OffscreenCanvas {
  if (picture === null) throw new Error('No picture is open.');
  return picture;
}

async function decoded(file: Blob): Promise<OffscreenCanvas> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, Math.sqrt(MOST_PIXELS / (bitmap.width * bitmap.height)));
  const canvas = drawn(bitmap, scale);
  bitmap.close();
  return canvas;
}

function smaller(canvas: OffscreenCanvas): OffscreenCanvas {
  return drawn(canvas, Math.min(1, PREVIEW_PX / Math.max(canvas.width, canvas.height)));
}

function drawn(source: ImageBitmap | OffscreenCanvas, scale: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(
    Math.round(source.width * scale),
    Math.round(source.height * scale),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('This browser cannot draw pictures in the background.');
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  return canvas;
}

function pixelsOf(canvas: OffscreenCanvas): ImageData {
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context === null) throw new Error('This browser cannot draw pictures in the background.');
  return context.getImageData(0, 0, canvas.width, canvas.height);
}
