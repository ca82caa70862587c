import { inOneRecording, recordShot, type SoundingBow } from '#core/simulate/bow-sound.ts';
import { writeWav } from '#core/sound/wav-samples.ts';

/** The bow whose shots are heard in the browser tests. */
export const BOW: SoundingBow = {
  quietMm: 217.5,
  louderDbAt10Mm: 5,
  rippleDb: 0,
  scatterDb: 0.5,
  neighbours: 0,
};
/** What a twist gives the bow that is searched here, mm. */
export const TWIST_MM = 0.95;

/** Shots of it at one height in one recording, as a file. */
export function wavOf(heightMm: number, seed: number, shots = 3): Buffer {
  const recordings = Array.from({ length: shots }, (_, shot) =>
    recordShot(BOW, heightMm, { seed: 10 * seed + shot }),
  );
  return Buffer.from(writeWav(inOneRecording(recordings, 1)));
}

/** As a page is given it. */
export const wavFile = (name: string, buffer: Buffer) => ({ name, mimeType: 'audio/wav', buffer });
