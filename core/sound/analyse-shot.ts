import {
  aWeighting,
  binHz,
  filtered,
  OCTAVES_HZ,
  powerOfBin,
  rumbleGain,
  spectrumOf,
  toDb,
} from './spectrum.ts';
import type { Recording } from './wav-samples.ts';

/** The sound of one shot, as it is kept. */
export interface ShotSound {
  /** A-weighted level over the window, dB of full scale: of one search only, a microphone has no scale. */
  readonly levelDb: number;
  /** How long until it has fallen by 20 dB, ms; null: it did not, within what was recorded. */
  readonly decayMs: number | null;
  /** Middle of what sounds, Hz. */
  readonly centroidHz: number;
  /** Unweighted level of each octave, dB of full scale. */
  readonly octavesDb: readonly number[];
  /** A-weighted level of the room before the shot, dB of full scale. */
  readonly roomDb: number;
}

/** A shot is told by so much sound from its beginning, s. */
export const WINDOW_S = 0.4;
/** So much before its beginning belongs to it, s. */
const LEAD_S = 0.005;
/** Its last hundredths fade away, s. */
const FADE_OUT_S = 0.02;
const FALL_DB = 20;
/** The fall is fitted between these, dB under the beginning: above the first the string is still hitting. */
const FITTED_DB = [1, 16] as const;

/**
 * What one shot sounds like: level, how long it rings, octaves and middle frequency, by the spectrum of
 * 400 ms from its beginning with what lies under 80 Hz taken away.
 *
 * @param clip about a second around the shot
 * @param onsetAt where it begins, in samples of the clip
 * @param roomFrom where the room is heard alone before it, in samples of the clip
 * @throws RangeError when the clip ends before the window
 */
export function analyseShot(
  { samples, rateHz }: Recording,
  onsetAt: number,
  roomFrom = 0,
): ShotSound {
  const from = Math.max(0, onsetAt - Math.round(LEAD_S * rateHz));
  const to = from + Math.round(WINDOW_S * rateHz);
  if (to > samples.length)
    throw new RangeError(`analyseShot: the clip ends ${to - samples.length} samples too early`);
  const window = spectrumOf(faded(samples.subarray(from, to), rateHz), rateHz);
  const octaves = OCTAVES_HZ.map(() => 0);
  let weighted = 0;
  let all = 0;
  let moment = 0;
  for (let bin = 1; bin <= window.size / 2; bin += 1) {
    const hz = binHz(window, bin);
    const power = powerOfBin(window, bin) * rumbleGain(hz) ** 2;
    weighted += power * aWeighting(hz) ** 2;
    all += power;
    moment += power * hz;
    const octave = Math.round(Math.log2(hz / 1000)) + OCTAVES_HZ.indexOf(1000);
    if (octave >= 0 && octave < octaves.length) octaves[octave]! += power;
  }
  return {
    levelDb: toDb(weighted),
    decayMs: decayMs(samples.subarray(from), rateHz),
    centroidHz: all > 0 ? moment / all : 0,
    octavesDb: octaves.map(toDb),
    roomDb: roomDbOf(samples.subarray(roomFrom, from), rateHz),
  };
}

/** Its ends made soft, so that rumble cut off in mid-wave is not heard as a click. */
function faded(samples: Float32Array, rateHz: number): Float32Array {
  const soft = samples.slice();
  let mean = 0;
  for (const value of samples) mean += value / samples.length;
  const fade = (length: number, at: (i: number) => number) => {
    for (let i = 0; i < length; i += 1) {
      const share = Math.sin((Math.PI / 2) * ((i + 0.5) / length));
      soft[at(i)] = mean + (soft[at(i)]! - mean) * share;
    }
  };
  fade(Math.round(LEAD_S * rateHz), (i) => i);
  fade(Math.round(FADE_OUT_S * rateHz), (i) => samples.length - 1 - i);
  return soft;
}

function roomDbOf(before: Float32Array, rateHz: number): number {
  if (before.length < 2) return toDb(0);
  const heard = heardOf(before, rateHz);
  return toDb(heard.reduce((sum, value) => sum + value * value, 0) / heard.length);
}

/** As the ear has it: without rumble, A-weighted. */
function heardOf(samples: Float32Array, rateHz: number): Float64Array {
  return filtered(spectrumOf(samples, rateHz), (hz) => rumbleGain(hz) * aWeighting(hz));
}

/**
 * Time of a fall by 20 dB: what is still to come at each moment (Schroeder's backward integral, less
 * the noise at the end) is a straight line in dB while it rings, and its slope is fitted.
 */
function decayMs(samples: Float32Array, rateHz: number): number | null {
  const heard = heardOf(samples, rateHz);
  const tail = Math.floor(heard.length * 0.85);
  const noise = meanSquare(heard, tail, heard.length);
  const peak = peakOf(heard, tail);
  const ringing = meanSquare(heard, peak, peak + Math.round(BEGIN_S * rateHz));
  // What still sounds at the end as it did at the beginning does not fall.
  if (toDb(ringing) - toDb(noise) < FITTED_DB[1]) return null;
  const left = new Float64Array(tail + 1);
  for (let at = tail - 1; at >= 0; at -= 1) left[at] = left[at + 1]! + heard[at]! ** 2 - noise;
  const begin = toDb(left[peak]!);
  let n = 0;
  let [sumT, sumDb, sumTT, sumTDb] = [0, 0, 0, 0];
  let fell = false;
  for (let at = peak; at < tail && left[at]! > 0; at += 1) {
    const under = begin - toDb(left[at]!);
    if (under > FITTED_DB[1]) {
      fell = true;
      break;
    }
    if (under < FITTED_DB[0]) continue;
    const t = (at - peak) / rateHz;
    n += 1;
    sumT += t;
    sumDb += under;
    sumTT += t * t;
    sumTDb += t * under;
  }
  const slope = (n * sumTDb - sumT * sumDb) / (n * sumTT - sumT * sumT);
  return fell && slope > 0 ? (1000 * FALL_DB) / slope : null;
}

const BEGIN_S = 0.01;

function meanSquare(heard: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let at = from; at < to; at += 1) sum += heard[at]! ** 2;
  return sum / (to - from);
}

/** Where the envelope is highest: it rings from there. */
function peakOf(heard: Float64Array, before: number): number {
  let peak = 0;
  for (let at = 1; at < before; at += 1)
    if (Math.abs(heard[at]!) > Math.abs(heard[peak]!)) peak = at;
  return peak;
}
