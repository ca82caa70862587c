import { expect, it } from 'vitest';
import { drawSoundingBow, recordShot } from '../simulate/bow-sound.ts';
import { findShots } from '../sound/find-shots.ts';
import type { HeardShot } from '../log/brace-searches.ts';
import { shotRefusals } from './shot-refusal.ts';

const BOW = { ...drawSoundingBow(3, 205, 225), neighbours: 0 };
const found = (gain: number) => {
  const { samples, rateHz } = recordShot(BOW, 215, { seed: 8 });
  return findShots({ samples: samples.map((value) => value * gain), rateHz })[0]!;
};
const before = (roomDb: number): HeardShot => ({
  id: 'before',
  at: '2026-01-05T09:00:00.000Z',
  index: 3,
  source: 'microphone',
  levelDb: -40,
  centroidHz: 600,
  octavesDb: [0, 0, 0, 0, 0, 0, 0],
  roomDb,
});

it('a microphone turned up or moved is noticed by the room, and nothing else is held against the shot', () => {
  const room = found(1).sound!.roomDb;
  const search = { shots: [before(room + 1), before(room - 1), before(room)] };
  expect(shotRefusals(search, found(1))).toEqual([]);
  expect(shotRefusals(search, found(2))).toEqual([]);
  expect(shotRefusals(search, found(4))).toEqual(['gainChanged']);
  expect(shotRefusals(search, found(0.25))).toEqual(['gainChanged']);
  // The first shot of a search has nothing to be held against.
  expect(shotRefusals({ shots: [] }, found(4))).toEqual([]);
});
