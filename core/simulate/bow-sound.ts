import { seededUniform, standardNormal, type Uniform } from '../numeric/random.ts';
import type { Recording } from '../sound/wav-samples.ts';

const RATE_HZ = 48_000;
const BEFORE_S = 0.35;
const AFTER_S = 1.15;
/** One mode that rings: its tone, how long until it is a tenth in amplitude, and its share. */
interface Mode {
  readonly hz: number;
  readonly fallsS: number;
  readonly share: number;
}
/** String, its overtones, limbs and riser of a made-up bow. */
const MODES: readonly Mode[] = [
  { hz: 96, fallsS: 0.22, share: 0.5 },
  { hz: 210, fallsS: 0.16, share: 1 },
  { hz: 430, fallsS: 0.12, share: 0.8 },
  { hz: 890, fallsS: 0.07, share: 0.6 },
  { hz: 1750, fallsS: 0.04, share: 0.4 },
];
/** The crack of the string, which falls fast. */
const CRACK_SHARE = 1.2;
const CRACK_FALLS_S = 0.012;
/** How loud it is at the microphone where nothing is said, peak of full scale about. */
const USUAL_DB = -24;
const ROOM_DB = -68;
/** Silencers take this much, dB. */
const SILENCED_DB = 3;

/** Where this bow is quiet, and how much louder away from there. */
export interface SoundingBow {
  readonly quietMm: number;
  /** Louder by so much a bow's width (10 mm) from there, dB. */
  readonly louderDbAt10Mm: number;
  /** A second, smaller wave over the range, dB. */
  readonly rippleDb: number;
  /** Shot to shot, one standard deviation, dB. */
  readonly scatterDb: number;
  /** Of a hundred shots so many have a neighbour's in them. */
  readonly neighbours: number;
}

/** A bow to practise on, drawn by a seed, quiet somewhere inside the range. */
export function drawSoundingBow(seed: number, lowMm: number, highMm: number): SoundingBow {
  const uniform = seededUniform(seed);
  return {
    quietMm: lowMm + (highMm - lowMm) * (0.15 + 0.7 * uniform()),
    louderDbAt10Mm: 2 + 3 * uniform(),
    rippleDb: 0.6 * uniform(),
    scatterDb: 0.5 + 0.4 * uniform(),
    neighbours: 4,
  };
}

/** How loud the bow is at a brace height, dB above its quietest. */
export function loudnessDb(bow: SoundingBow, braceHeightMm: number): number {
  const off = (braceHeightMm - bow.quietMm) / 10;
  // A valley, steep near its bottom and flatter far away.
  const valley = bow.louderDbAt10Mm * (2 * (Math.sqrt(1 + off * off) - 1)) * 1.207;
  return valley + bow.rippleDb * (1 - Math.cos(1.7 * off));
}

/**
 * A recording of one shot as a microphone near the bow might make it: string, limbs and riser ringing,
 * the room, now and then a neighbour.
 *
 * @param seed the same shot again for the same seed
 */
export function recordShot(
  bow: SoundingBow,
  braceHeightMm: number,
  { seed, silencers = false }: { readonly seed: number; readonly silencers?: boolean },
): Recording {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const loud =
    USUAL_DB +
    loudnessDb(bow, braceHeightMm) -
    (silencers ? SILENCED_DB : 0) +
    bow.scatterDb * normal();
  const samples = new Float32Array(Math.round((BEFORE_S + AFTER_S) * RATE_HZ));
  addRoom(samples, normal);
  addShot(samples, { atS: BEFORE_S, db: loud, uniform, normal });
  if (100 * uniform() < bow.neighbours)
    addShot(samples, { atS: BEFORE_S + 0.1 + 0.25 * uniform(), db: loud - 2, uniform, normal });
  return { samples, rateHz: RATE_HZ };
}

function addRoom(samples: Float32Array, normal: () => number): void {
  const level = 10 ** (ROOM_DB / 20);
  let slow = 0;
  for (let at = 0; at < samples.length; at += 1) {
    slow = 0.98 * slow + normal();
    samples[at]! += level * (0.4 * normal() + 0.15 * slow);
  }
}

function addShot(
  samples: Float32Array,
  shot: {
    readonly atS: number;
    readonly db: number;
    readonly uniform: Uniform;
    readonly normal: () => number;
  },
): void {
  const peak = 10 ** (shot.db / 20);
  const from = Math.round(shot.atS * RATE_HZ);
  const phases = MODES.map(() => 2 * Math.PI * shot.uniform());
  for (let at = from; at < samples.length; at += 1) {
    const t = (at - from) / RATE_HZ;
    const rises = 1 - Math.exp(-t / 0.0004);
    let value = CRACK_SHARE * 10 ** (-t / CRACK_FALLS_S) * shot.normal() * 0.5;
    for (const [mode, { hz, fallsS, share }] of MODES.entries())
      value += share * 10 ** (-t / fallsS) * Math.sin(2 * Math.PI * hz * t + phases[mode]!);
    samples[at]! += 0.35 * peak * rises * value;
  }
}

/** Shots one after another as one recording, for a file or a microphone that plays it. */
export function inOneRecording(shots: readonly Recording[], pauseS: number): Recording {
  const rateHz = shots[0]?.rateHz ?? RATE_HZ;
  const pause = Math.round(pauseS * rateHz);
  const total = shots.reduce((sum, { samples }) => sum + samples.length + pause, pause);
  const normal = standardNormal(seededUniform(shots.length));
  const samples = new Float32Array(total);
  addRoom(samples, normal);
  let at = pause;
  for (const shot of shots) {
    samples.set(shot.samples, at);
    at += shot.samples.length + pause;
  }
  return { samples, rateHz };
}
