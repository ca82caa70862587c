import type { PictureType } from '#contract/picture.ts';

/** More than any camera in a pocket; what claims more is made to exhaust whoever opens it. */
export const MOST_PIXELS = 50_000_000;

/** What is wrong with a picture that was sent. */
type PictureFault = 'notThatKind' | 'tooManyPixels' | 'broken';

/**
 * Decodes a picture whole: that it begins like one says little of the rest.
 *
 * @returns null when it is what it says it is
 */
export async function pictureFault(bytes: Buffer, type: PictureType): Promise<PictureFault | null> {
  // Only when a picture comes: loading it would make every start slower.
  const { default: sharp } = await import('sharp');
  try {
    const { format, width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (`image/${format}` !== type) return 'notThatKind';
    if (width * height > MOST_PIXELS) return 'tooManyPixels';
  } catch {
    return 'notThatKind';
  }
  try {
    await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'warning' }).stats();
    return null;
  } catch {
    return 'broken';
  }
}
