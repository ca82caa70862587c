import type { Recording } from '#core/sound/wav-samples.ts';

/** The loudest of each of so many even pieces of a sound, 0 to 1. */
export function waveOutline({ samples }: Recording, pieces: number): readonly number[] {
  const size = samples.length / pieces;
  return Array.from({ length: pieces }, (_, piece) => {
    let most = 0;
    const end = Math.min(samples.length, Math.floor((piece + 1) * size));
    for (let at = Math.floor(piece * size); at < end; at += 1)
      most = Math.max(most, Math.abs(samples[at] ?? 0));
    return most;
  });
}
