import type { WavHeader } from './wav-header.ts';

/** A recording: one channel, full scale ± 1. */
export interface Recording {
  readonly samples: Float32Array;
  readonly rateHz: number;
}

/**
 * Samples of a WAV file's data, all channels as one: their mean. A part of the file may be given as
 * long as it begins and ends between two frames.
 *
 * @param bytes of the samples, whole frames
 */
export function wavSamples(bytes: Uint8Array, header: WavHeader): Float32Array {
  const { channels, bits } = header;
  const width = bits / 8;
  const frames = Math.floor(bytes.length / (width * channels));
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const read = readerOf(view, header);
  const samples = new Float32Array(frames);
  for (let frame = 0; frame < frames; frame += 1) {
    let sum = 0;
    for (let channel = 0; channel < channels; channel += 1)
      sum += read((frame * channels + channel) * width);
    samples[frame] = sum / channels;
  }
  return samples;
}

function readerOf(view: DataView, { coding, bits }: WavHeader): (at: number) => number {
  if (coding === 'float')
    return (at) => {
      const value = view.getFloat32(at, true);
      return Number.isFinite(value) ? value : 0;
    };
  switch (bits) {
    case 16:
      return (at) => view.getInt16(at, true) / 2 ** 15;
    case 24:
      return (at) => (view.getInt16(at + 1, true) * 2 ** 8 + view.getUint8(at)) / 2 ** 23;
    case 32:
      return (at) => view.getInt32(at, true) / 2 ** 31;
  }
}

/** A recording as a WAV file of one channel, 16 bits: every program opens it. */
export function writeWav({ samples, rateHz }: Recording): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(44 + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string) => {
    for (let i = 0; i < letters.length; i += 1) bytes[at + i] = letters.charCodeAt(i);
  };
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rateHz, true);
  view.setUint32(28, rateHz * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, samples.length * 2, true);
  for (const [at, value] of samples.entries()) {
    const scaled = Math.round(Math.max(-1, Math.min(1, value)) * 2 ** 15);
    view.setInt16(44 + at * 2, Math.min(2 ** 15 - 1, scaled), true);
  }
  return bytes;
}
