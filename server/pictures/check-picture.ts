import type { KeptType } from '#contract/picture.ts';
import { readWavHeader } from '#core/sound/wav-header.ts';

/** More than any camera in a pocket; what claims more is made to exhaust whoever opens it. */
export const MOST_PIXELS = 50_000_000;

/** What is wrong with a picture that was sent. */
type PictureFault = 'notThatKind' | 'tooManyPixels' | 'broken' | 'notASound';

/** A second of sound around a shot, with room to spare, s. */
const LONGEST_SOUND_S = 3;

/**
 * Decodes a picture whole: that it begins like one says little of the rest.
 *
 * @returns null when it is what it says it is
 */
export async function pictureFault(bytes: Buffer, type: KeptType): Promise<PictureFault | null> {
  if (type === 'audio/wav') return soundFault(bytes);
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

function soundFault(bytes: Buffer): PictureFault | null {
  const read = readWavHeader(bytes, bytes.length);
  if (!read.ok) return 'notASound';
  const { dataBytes, bits, channels, rateHz } = read.header;
  return (dataBytes * 8) / (bits * channels * rateHz) > LONGEST_SOUND_S ? 'notASound' : null;
}
