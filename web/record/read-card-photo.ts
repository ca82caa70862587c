import decodeQR from 'qr/decode.js';

/** Longest side a photograph is looked at, px: a code is seen as well, and four times as fast. */
const LOOKED_AT_PX = [1000, 1600] as const;

/** The text of the code on a photograph. */
export async function readCardPhoto(
  photo: Blob,
): Promise<
  { readonly kind: 'read'; readonly text: string } | { readonly kind: 'noPicture' | 'noCode' }
> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(photo);
  } catch {
    return { kind: 'noPicture' };
  }
  for (const longest of LOOKED_AT_PX) {
    const text = textIn(picture, longest);
    if (text !== null) return { kind: 'read', text };
  }
  return { kind: 'noCode' };
}

function textIn(picture: ImageBitmap, longest: number): string | null {
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (context === null) return null;
  context.drawImage(picture, 0, 0, width, height);
  try {
    return decodeQR(context.getImageData(0, 0, width, height));
  } catch {
    // It throws where it finds none.
    return null;
  }
}
