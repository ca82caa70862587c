import { expect, it } from 'vitest';
import { waveOutline } from './wave-outline.ts';

it('each piece of a wave is as high as its loudest, whichever way it swings', () => {
  const samples = Float32Array.from([0, 0.2, -0.5, 0.1, 0, 0, 0.25, -0.1]);
  expect(waveOutline({ samples, rateHz: 8 }, 4)).toEqual([
    expect.closeTo(0.2, 6),
    expect.closeTo(0.5, 6),
    0,
    expect.closeTo(0.25, 6),
  ]);
});
