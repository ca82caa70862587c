import { describe, expect, it } from 'vitest';
import { drawSoundingBow, inOneRecording, recordShot } from '#core/simulate/bow-sound.ts';
import { findShots } from '#core/sound/find-shots.ts';
import { writeWav } from '#core/sound/wav-samples.ts';
import { readRecording } from './read-recording.ts';

const BOW = { ...drawSoundingBow(4, 205, 225), neighbours: 0 };
const recording = inOneRecording(
  Array.from({ length: 8 }, (_, seed) => recordShot(BOW, 214, { seed })),
  1.5,
);
const file = new Blob([writeWav(recording)]);

describe('a recording read piece by piece', () => {
  it('is heard as it is in one piece, with how far it has come', async () => {
    const told: number[] = [];
    const heard = await readRecording(file, {
      progress: (share) => told.push(share),
      isCalledOff: () => false,
    });
    const whole = findShots(recording);
    expect(heard.ok && heard.shots.map(({ atS }) => atS)).toEqual(whole.map(({ atS }) => atS));
    expect(whole).toHaveLength(8);
    expect(told.length).toBeGreaterThan(2);
    expect(told).toEqual(told.toSorted((one, other) => one - other));
    expect(told.at(-1)).toBe(1);
  });

  it('stops between two pieces once it is called off', async () => {
    let pieces = 0;
    await readRecording(file, {
      progress: () => {
        pieces += 1;
      },
      isCalledOff: () => pieces >= 1,
    });
    // One piece, and the end of it.
    expect(pieces).toBe(2);
  });

  it('says by name what is no recording', async () => {
    const context = { progress: () => undefined, isCalledOff: () => false };
    expect(await readRecording(new Blob([]), context)).toEqual({ ok: false, fault: 'empty' });
    expect(await readRecording(new Blob(['brace 8 5/8']), context)).toEqual({
      ok: false,
      fault: 'notWav',
    });
    const silent = new Blob([writeWav({ samples: new Float32Array(96_000), rateHz: 48_000 })]);
    expect(await readRecording(silent, context)).toEqual({ ok: false, fault: 'noShot' });
  });
});
