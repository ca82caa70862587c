import { findShots } from '#core/sound/find-shots.ts';
import { HEADER_BYTES, readWavHeader } from '#core/sound/wav-header.ts';
import { type Recording, wavSamples } from '#core/sound/wav-samples.ts';
import type { JobContext } from './protocol.ts';
import type { HeardRecording } from './sound-jobs.ts';

/** So much of a file is read at once, frames: between two pieces it is heard whether it is still wanted. */
const PIECE_FRAMES = 500_000;
/** Reading is most of the work; the rest is finding. */
const READ_SHARE = 0.8;

/** A WAV file piece by piece: what it claims is looked at before any of it is believed. */
export async function readRecording(
  file: Blob,
  { progress, isCalledOff }: Pick<JobContext, 'progress' | 'isCalledOff'>,
): Promise<HeardRecording> {
  const start = new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer());
  const read = readWavHeader(start, file.size);
  if (!read.ok) return read;
  const { header } = read;
  const frameBytes = (header.bits / 8) * header.channels;
  const samples = new Float32Array(header.dataBytes / frameBytes);
  for (let from = 0; from < samples.length && !isCalledOff(); from += PIECE_FRAMES) {
    const to = Math.min(samples.length, from + PIECE_FRAMES);
    const bytes = await file
      .slice(header.dataAt + from * frameBytes, header.dataAt + to * frameBytes)
      .arrayBuffer();
    samples.set(wavSamples(new Uint8Array(bytes), header), from);
    progress((READ_SHARE * to) / samples.length);
  }
  const heard = heardIn({ samples, rateHz: header.rateHz });
  progress(1);
  return heard;
}

/** The shots in it; a recording without one says so. */
export function heardIn(recording: Recording): HeardRecording {
  const shots = findShots(recording);
  return shots.length === 0 ? { ok: false, fault: 'noShot' } : { ok: true, shots };
}
