import { WaveFile } from 'wavefile';
import { describe, expect, it } from 'vitest';
import { HEADER_BYTES, readWavHeader, type ReadWavHeader } from './wav-header.ts';
import { wavSamples, writeWav } from './wav-samples.ts';

/** A ramp over nearly the whole scale, made a file by another program. */
const RAMP = Array.from({ length: 1000 }, (_, at) => -0.9 + (1.8 * at) / 999);
const CODES = [
  ['16', 2 ** 15, 2 ** -15],
  ['24', 2 ** 23, 2 ** -23],
  ['32', 2 ** 31, 2 ** -31],
  ['32f', 1, 1e-7],
] as const;

function readAll(bytes: Uint8Array): Float32Array | ReadWavHeader {
  const read = readWavHeader(bytes.subarray(0, HEADER_BYTES), bytes.length);
  if (!read.ok) return read;
  const { dataAt, dataBytes } = read.header;
  return wavSamples(bytes.subarray(dataAt, dataAt + dataBytes), read.header);
}

function madeElsewhere(channels: 1 | 2, rateHz: number, code: (typeof CODES)[number]): Uint8Array {
  const [bits, scale] = code;
  const values = RAMP.map((value) => (bits === '32f' ? value : Math.round(value * scale)));
  const other = values.map(() => 0);
  const file = new WaveFile();
  file.fromScratch(channels, rateHz, bits, channels === 1 ? values : [values, other]);
  return file.toBuffer();
}

describe('a WAV file made by another program', () => {
  for (const code of CODES)
    for (const channels of [1, 2] as const)
      for (const rateHz of [44_100, 48_000])
        it(`of ${code[0]} bits, ${channels} channel(s), ${rateHz} Hz is read sample by sample`, () => {
          const samples = readAll(madeElsewhere(channels, rateHz, code));
          expect(samples).toBeInstanceOf(Float32Array);
          // Of two channels the second is silent: the mean is half.
          for (const [at, value] of (samples as Float32Array).entries())
            expect(Math.abs(value * channels - RAMP[at]!)).toBeLessThan(2 * code[2] + 1e-6);
        });

  it('is read past the tags a recorder wrote before the samples', () => {
    const file = new WaveFile();
    file.fromScratch(1, 48_000, '16', [1, 2, 3, 4]);
    file.setTag('ICMT', 'third height, an odd tag');
    const tagged = file.toBuffer();
    // The tags stand at its end: put before the samples, as some recorders do.
    const header = readWavHeader(tagged, tagged.length);
    expect(header).toMatchObject({ ok: true, header: { dataBytes: 8 } });
    const list = tagged.slice(44 + 8);
    const moved = new Uint8Array([...tagged.slice(0, 36), ...list, ...tagged.slice(36, 52)]);
    expect([...(readAll(moved) as Float32Array)].map((v) => Math.round(v * 2 ** 15))).toEqual([
      1, 2, 3, 4,
    ]);
  });
});

describe('what is no recording', () => {
  const good = writeWav({ samples: new Float32Array(100), rateHz: 48_000 });
  const with4 = (at: number, value: number) => {
    const bytes = good.slice();
    new DataView(bytes.buffer).setUint32(at, value, true);
    return bytes;
  };
  const rows: readonly (readonly [string, Uint8Array, string])[] = [
    ['an empty file', new Uint8Array(0), 'empty'],
    ['a text renamed', new TextEncoder().encode('brace 8 5/8, sounds dull, two twists'), 'notWav'],
    ['a header cut off', good.slice(0, 30), 'cutHeader'],
    ['nothing but four letters', good.slice(0, 4), 'cutHeader'],
    ['samples that claim 4 GB', with4(40, 0xffffffff), 'cutData'],
    ['a file cut off in its samples', good.slice(0, 100), 'cutData'],
    ['a header with no samples', with4(40, 0), 'empty'],
    ['a rate no recorder has', with4(24, 10), 'unknownCoding'],
  ];
  for (const [name, bytes, fault] of rows)
    it(`${name} is refused as ${fault}`, () => {
      expect(readAll(bytes)).toEqual({ ok: false, fault });
    });

  it('an hour is refused before any of it is read', () => {
    const header = with4(40, 48_000 * 2 * 3600).slice(0, 44);
    expect(readWavHeader(header, 44 + 48_000 * 2 * 3600)).toEqual({ ok: false, fault: 'tooLong' });
  });
});

it('what is written here is read by another program', () => {
  const samples = Float32Array.from(RAMP);
  const file = new WaveFile(writeWav({ samples, rateHz: 44_100 }));
  expect(file.fmt).toMatchObject({ sampleRate: 44_100, bitsPerSample: 16, numChannels: 1 });
  const read = file.getSamples(false, Float64Array);
  for (const [at, value] of RAMP.entries())
    expect(Math.abs(read[at]! / 2 ** 15 - value)).toBeLessThan(2 ** -15);
});
