import { writeFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { recordShot } from '#core/simulate/bow-sound.ts';
import { findShots } from '#core/sound/find-shots.ts';
import { RECORDED_SHOTS, type RecordedSearch, shotSeed, standInOf } from './brace-search.ts';
import { HEARD_SHOTS } from './heard-shots.ts';
import { HERON_SEARCH } from './heron.ts';
import { KIT_PRACTICE } from './kits.ts';

/** What is heard of the stand-in at every height of a search, by the seed of the shot. */
function hear(search: RecordedSearch): readonly (readonly [string, readonly number[]])[] {
  const bow = standInOf(search);
  return search.heightsMm.flatMap((heightMm, height) =>
    Array.from({ length: RECORDED_SHOTS }, (_, shot) => {
      const seed = shotSeed(search, height, shot);
      const [found] = findShots(recordShot(bow, heightMm, { seed }));
      const { levelDb, decayMs, centroidHz, roomDb, octavesDb } = found!.sound!;
      const tenths = [levelDb, decayMs!, centroidHz, roomDb, ...octavesDb].map(
        (value) => Math.round(value * 10) / 10,
      );
      return [String(seed), tenths] as const;
    }),
  );
}

it('the sounds of the demo are what is heard of the stand-in (KEEN_LIMB_GOLDEN=write writes them anew)', () => {
  const heard = Object.fromEntries([...hear(HERON_SEARCH), ...hear(KIT_PRACTICE)]);
  if (process.env['KEEN_LIMB_GOLDEN'] === 'write') {
    const rows = Object.entries(heard).map(([seed, row]) => `  '${seed}': ${JSON.stringify(row)},`);
    writeFileSync(
      'demo/heard-shots.ts',
      [
        '/** By the seed of the shot: level dB, decay ms, middle Hz, room dB, then octaves dB; made by its test. */',
        'export const HEARD_SHOTS: Readonly<',
        '  Record<string, readonly [number, number, number, number, ...number[]]>',
        '> = {',
        ...rows,
        '};',
        '',
      ].join('\n'),
    );
    return;
  }
  expect(HEARD_SHOTS).toEqual(heard);
});
