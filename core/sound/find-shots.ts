import { medianOf } from '../numeric/moments.ts';
import { analyseShot, type ShotSound, WINDOW_S } from './analyse-shot.ts';
import { toDb } from './spectrum.ts';
import type { Recording } from './wav-samples.ts';

/** Why a shot in a recording cannot be compared with others. */
export type SoundFault =
  /** The microphone was driven over its range: how loud it truly was is lost. */
  | 'clipped'
  /** Another sound as sharp within the shot's own time. */
  | 'twoEvents'
  /** Steps, a clicker, a hand on the microphone right before it. */
  | 'handling'
  /** Recorded too little before or after it. */
  | 'tooShort';

/** One shot found in a recording. */
export interface FoundShot {
  /** Where it begins, s from the start of the recording. */
  readonly atS: number;
  /** About a second around it, and where in that it begins. */
  readonly clip: Recording;
  readonly onsetAt: number;
  readonly faults: readonly SoundFault[];
  /** Null where too little was recorded to tell. */
  readonly sound: ShotSound | null;
}

/** A block of the envelope, s. */
const BLOCK_S = 0.005;
/** A shot stands out of the room, and out of the moment before it, by at least, dB. */
const OVER_ROOM_DB = 15;
const OVER_BEFORE_DB = 10;
/** It rises within so many blocks. */
const RISE_BLOCKS = 6;
/** Shots of one bow come no faster, s. */
const APART_S = 1.5;
/** Another sharp sound counts when it is no more than this under the shot itself, dB: the hit on the butt is. */
const SECOND_UNDER_DB = 10;
/** From here on another rise is another sound, s. */
const SECOND_FROM_S = 0.06;
/** What is heard before a shot is still room when within, dB. */
const HANDLING_OVER_ROOM_DB = 14;
const CLIP_BEFORE_S = 0.25;
const CLIP_AFTER_S = 0.85;
const LEAST_BEFORE_S = 0.1;
/** Full scale, and so many samples at it in a row. */
const FULL = 0.995;
const CLIPPED_RUN = 3;

/**
 * The shots of a recording, in their order: each where the energy rises sharply out of the room, with
 * what speaks against comparing it.
 */
export function findShots({ samples, rateHz }: Recording): readonly FoundShot[] {
  const block = Math.max(1, Math.round(BLOCK_S * rateHz));
  const levels = blockLevels(samples, block, rateHz);
  if (levels.length < 2 * RISE_BLOCKS) return [];
  const roomDb = roomOf(levels);
  const shots: FoundShot[] = [];
  let next = 1;
  while (next < levels.length) {
    const rise = nextRise(levels, next, roomDb);
    if (rise === null) break;
    const within = Math.round(APART_S / BLOCK_S);
    // The loudest sharp sound of its time is the shot: a clicker comes before, the hit after it.
    const loudest = loudestRise(levels, rise, Math.min(levels.length, rise + within), roomDb);
    shots.push(shotAt({ samples, rateHz }, { levels, block, roomDb, rise: loudest }));
    next = loudest + Math.round(CLIP_AFTER_S / BLOCK_S);
  }
  return shots;
}

/** Energy of each block, dB, without hum and rumble: a high-pass of the first order. */
function blockLevels(samples: Float32Array, block: number, rateHz: number): Float64Array {
  const keep = Math.exp((-2 * Math.PI * HIGH_PASS_HZ) / rateHz);
  const levels = new Float64Array(Math.floor(samples.length / block));
  let before = samples[0] ?? 0;
  let passed = 0;
  for (let at = 0; at < levels.length; at += 1) {
    let sum = 0;
    for (let i = at * block; i < (at + 1) * block; i += 1) {
      const value = samples[i]!;
      passed = keep * (passed + value - before);
      before = value;
      sum += passed * passed;
    }
    levels[at] = toDb(sum / block);
  }
  return levels;
}
const HIGH_PASS_HZ = 150;

/** The room alone is what is heard most of the quieter time. */
function roomOf(levels: Float64Array): number {
  const sorted = levels.toSorted();
  return medianOf([...sorted.subarray(0, Math.max(1, Math.floor(sorted.length / 2)))]);
}

const isRise = (levels: Float64Array, at: number, roomDb: number): boolean => {
  const before = Math.min(...levels.subarray(Math.max(0, at - RISE_BLOCKS), at));
  return levels[at]! > roomDb + OVER_ROOM_DB && levels[at]! > before + OVER_BEFORE_DB;
};

function nextRise(levels: Float64Array, from: number, roomDb: number): number | null {
  for (let at = from; at < levels.length; at += 1) if (isRise(levels, at, roomDb)) return at;
  return null;
}

function peakAfter(levels: Float64Array, rise: number): number {
  return Math.max(...levels.subarray(rise, rise + RISE_BLOCKS));
}

function loudestRise(levels: Float64Array, from: number, to: number, roomDb: number): number {
  let best = from;
  for (let at = from; at < to; at += 1)
    if (
      isRise(levels, at, roomDb) &&
      !isRise(levels, at - 1, roomDb) &&
      peakAfter(levels, at) > peakAfter(levels, best) + 1
    )
      best = at;
  return best;
}

interface Rise {
  readonly levels: Float64Array;
  readonly block: number;
  readonly roomDb: number;
  readonly rise: number;
}

function shotAt({ samples, rateHz }: Recording, { levels, block, roomDb, rise }: Rise): FoundShot {
  const onset = onsetIn(samples, rise * block, block);
  const from = Math.max(0, onset - Math.round(CLIP_BEFORE_S * rateHz));
  const to = Math.min(samples.length, onset + Math.round(CLIP_AFTER_S * rateHz));
  const clip = { samples: samples.slice(from, to), rateHz };
  const onsetAt = onset - from;
  const isShort =
    onsetAt < LEAST_BEFORE_S * rateHz || to - onset < (WINDOW_S + CLIP_BEFORE_S) * rateHz;
  const peak = peakAfter(levels, rise);
  const after = rise + Math.round(SECOND_FROM_S / BLOCK_S);
  const end = rise + Math.round(WINDOW_S / BLOCK_S);
  const faults: SoundFault[] = [];
  if (isClipped(clip.samples)) faults.push('clipped');
  if (hasSecond(levels, after, Math.min(end, levels.length), peak)) faults.push('twoEvents');
  if (isHandled(levels, rise, { roomDb, peak })) faults.push('handling');
  if (isShort) faults.push('tooShort');
  return {
    atS: onset / rateHz,
    clip,
    onsetAt,
    faults,
    sound: isShort ? null : analyseShot(clip, onsetAt),
  };
}

/** Within its block a shot begins where a quarter of the block's loudest is first passed. */
function onsetIn(samples: Float32Array, from: number, block: number): number {
  const end = Math.min(samples.length, from + 2 * block);
  let most = 0;
  for (let at = from; at < end; at += 1) most = Math.max(most, Math.abs(samples[at]!));
  for (let at = from; at < end; at += 1) if (Math.abs(samples[at]!) >= most / 4) return at;
  return from;
}

function isClipped(samples: Float32Array): boolean {
  let run = 0;
  for (const value of samples) {
    run = Math.abs(value) >= FULL ? run + 1 : 0;
    if (run >= CLIPPED_RUN) return true;
  }
  return false;
}

function hasSecond(levels: Float64Array, from: number, to: number, peak: number): boolean {
  for (let at = from; at < to; at += 1) {
    const before = Math.min(...levels.subarray(at - RISE_BLOCKS, at));
    if (levels[at]! > peak - SECOND_UNDER_DB && levels[at]! > before + OVER_BEFORE_DB) return true;
  }
  return false;
}

/** Loud before it, though not the shot's own rise. */
function isHandled(
  levels: Float64Array,
  rise: number,
  { roomDb, peak }: { readonly roomDb: number; readonly peak: number },
): boolean {
  const from = Math.max(0, rise - Math.round(CLIP_BEFORE_S / BLOCK_S));
  // The block before the rise may hold its very beginning.
  const before = levels.subarray(from, Math.max(from, rise - 1));
  const loud = [...before].filter((level) => level > roomDb + HANDLING_OVER_ROOM_DB).length;
  return loud >= 3 && Math.max(...before) > peak - 25;
}
