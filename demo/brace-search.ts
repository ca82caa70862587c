import { v4 as uuidFrom } from 'uuid';
import type { BodyOf } from '#core/log/entry.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { drawSoundingBow, type SoundingBow } from '#core/simulate/bow-sound.ts';
import { HEARD_SHOTS } from './heard-shots.ts';
import type { LogWriter } from './log-writer.ts';

/** A search of the demo: the stand-in it was recorded with, and the heights it was recorded at. */
export interface RecordedSearch {
  readonly seed: number;
  readonly lowMm: number;
  readonly highMm: number;
  /** Where it is quiet; absent: where the seed has it. */
  readonly quietMm?: number;
  readonly heightsMm: readonly number[];
}

/** Shots at each height. */
export const RECORDED_SHOTS = 3;

/** The stand-in of a search, with nobody beside it. */
export function standInOf({ seed, lowMm, highMm, quietMm }: RecordedSearch): SoundingBow {
  const drawn = { ...drawSoundingBow(seed, lowMm, highMm), neighbours: 0 };
  return quietMm === undefined ? drawn : { ...drawn, quietMm };
}

/** By this seed a shot of a search is made. */
export function shotSeed({ seed }: RecordedSearch, height: number, shot: number): number {
  return 100 * seed + 10 * height + shot;
}

/** Writes the shots of one height, as they were heard when `heard-shots` was made. */
export function recordHeight(
  log: LogWriter,
  search: RecordedSearch,
  height: number,
  { searchId, source }: Pick<BodyOf<'shotHeard'>, 'searchId' | 'source'>,
): void {
  for (let shot = 0; shot < RECORDED_SHOTS; shot += 1) {
    const heard = HEARD_SHOTS[String(shotSeed(search, height, shot))];
    if (heard === undefined) throw new Error(`this shot was never heard: ${height}, ${shot}`);
    const [levelDb, decayMs, centroidHz, roomDb, ...octavesDb] = heard;
    log.add({
      kind: 'shotHeard',
      searchId,
      source,
      levelDb,
      decayMs,
      centroidHz,
      roomDb,
      octavesDb,
    });
  }
}

/** An id of the demo's own, from a seed. */
export function demoId(seed: number): string {
  const uniform = seededUniform(seed);
  return uuidFrom({ random: Uint8Array.from({ length: 16 }, () => Math.floor(uniform() * 256)) });
}
