import { straighten } from '#core/butt-photo/straighten.ts';
import type { ButtPhotoAnswer, ButtPhotoOrder } from './butt-photo-door.ts';

/** Larger pictures are taken smaller: more pixels than this say no more of a hole. */
const MOST_PIXELS = 24_000_000;
/** What is shown for marking, and kept with a session, is no wider or higher than this, px. */
const PREVIEW_PX = 1800;
const KEPT_QUALITY = 0.85;

let picture: OffscreenCanvas | null = null;

addEventListener('message', (event: MessageEvent<ButtPhotoOrder>) => {
  answer(event.data).catch((error: unknown) => {
    say({ kind: 'failed', says: error instanceof Error ? error.message : 'It cannot be read.' });
  });
});

async function answer(order: ButtPhotoOrder): Promise<void> {
  switch (order.kind) {
    case 'open': {
      picture = await decoded(order.file);
      const { width, height } = picture;
      const preview = await createImageBitmap(smaller(picture));
      say({ kind: 'opened', width, height, preview }, [preview]);
      break;
    }
    case 'straighten': {
      const source = pixelsOf(opened());
      const flat = straighten(source, order.toPicture, order.view);
      const image = new ImageData(flat.width, flat.height);
      image.data.set(flat.data);
      const bitmap = await createImageBitmap(image);
      say({ kind: 'straight', bitmap }, [bitmap]);
      break;
    }
    case 'pack': {
      const blob = await smaller(opened()).convertToBlob({
        type: 'image/jpeg',
        quality: KEPT_QUALITY,
      });
      say({ kind: 'packed', blob });
      break;
    }
  }
}

function say(said: ButtPhotoAnswer, transfer: Transferable[] = []): void {
  postMessage(said, { transfer });
}

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
