import FFT from 'fft.js';

/** Below this lies wind, steps and handling, Hz. */
const RUMBLE_HZ = 80;
/** Middles of the octaves of which a shot's sound is told, Hz. */
export const OCTAVES_HZ = [125, 250, 500, 1000, 2000, 4000, 8000] as const;

/** A stretch of sound by frequency. */
export interface Spectrum {
  /** Complex amplitudes, real and imaginary in turn, of the padded stretch. */
  readonly bins: number[];
  readonly size: number;
  readonly rateHz: number;
  /** How many samples it was made of: the rest is padding. */
  readonly samples: number;
}

/** The spectrum of a stretch less its mean, padded with silence to a power of two. */
export function spectrumOf(samples: Float32Array, rateHz: number): Spectrum {
  const size = 2 ** Math.max(1, Math.ceil(Math.log2(samples.length)));
  let mean = 0;
  for (const value of samples) mean += value / samples.length;
  const padded = new Float64Array(size);
  for (const [at, value] of samples.entries()) padded[at] = value - mean;
  const fft = new FFT(size);
  const bins = fft.createComplexArray();
  fft.realTransform(bins, padded);
  fft.completeSpectrum(bins);
  return { bins, size, rateHz, samples: samples.length };
}

/** Frequency of a bin, Hz. */
export function binHz({ size, rateHz }: Pick<Spectrum, 'size' | 'rateHz'>, bin: number): number {
  return (bin * rateHz) / size;
}

/** Mean square of the stretch that lies in a bin and its mirror; they add up to the mean square of all. */
export function powerOfBin({ bins, size, samples }: Spectrum, bin: number): number {
  const power = bins[2 * bin]! ** 2 + bins[2 * bin + 1]! ** 2;
  return ((bin === 0 || bin === size / 2 ? 1 : 2) * power) / size / samples;
}

/** Amplitude that is let through above the rumble: a Butterworth of the fourth order. */
export function rumbleGain(hz: number): number {
  const ratio = (hz / RUMBLE_HZ) ** 4;
  return ratio / Math.sqrt(1 + ratio * ratio);
}

/** Amplitude of the A-weighting, 1 at 1 kHz (IEC 61672-1, annex E). */
export function aWeighting(hz: number): number {
  return rawA(hz) / rawA(1000);
}

function rawA(hz: number): number {
  const f2 = hz * hz;
  return (
    (12194 ** 2 * f2 * f2) /
    ((f2 + 20.6 ** 2) * Math.sqrt((f2 + 107.7 ** 2) * (f2 + 737.9 ** 2)) * (f2 + 12194 ** 2))
  );
}

/** The stretch again as samples, after each frequency was let through by a gain. */
export function filtered(spectrum: Spectrum, gain: (hz: number) => number): Float64Array {
  const { bins, size } = spectrum;
  const passed = bins.slice();
  for (let bin = 0; bin <= size / 2; bin += 1) {
    const share = gain(binHz(spectrum, bin));
    for (const at of bin === 0 || bin === size / 2 ? [bin] : [bin, size - bin]) {
      passed[2 * at]! *= share;
      passed[2 * at + 1]! *= share;
    }
  }
  const fft = new FFT(size);
  const output = fft.createComplexArray();
  fft.inverseTransform(output, passed);
  return Float64Array.from({ length: spectrum.samples }, (_, at) => output[2 * at]!);
}

/** Energy of a mean square, dB of full scale; silence is as quiet as 32 bits can be. */
export function toDb(meanSquare: number): number {
  return 10 * Math.log10(Math.max(meanSquare, 1e-20));
}
