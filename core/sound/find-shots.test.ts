import { describe, expect, it } from 'vitest';
import { drawSoundingBow, inOneRecording, loudnessDb, recordShot } from '../simulate/bow-sound.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { findShots } from './find-shots.ts';
import type { Recording } from './wav-samples.ts';

const BOW = { ...drawSoundingBow(7, 200, 230), neighbours: 0 };
const shot = (seed: number, mm = 215) => recordShot(BOW, mm, { seed });

/** Something done to a copy of a shot's samples. */
function spoiled(how: (samples: Float32Array, rateHz: number) => Float32Array): Recording {
  const { samples, rateHz } = shot(5);
  return { samples: how(samples.slice(), rateHz), rateHz };
}

describe('shots in a recording', () => {
  it('are found where they begin, in their order, with nothing against them', () => {
    for (const seed of [1, 20, 300]) {
      const shots = [0, 1, 2].map((n) => shot(seed + n));
      const found = findShots(inOneRecording(shots, 2));
      expect(found.map(({ faults }) => faults)).toEqual([[], [], []]);
      // A pause of 2 s, then 1.5 s each, of which the shot begins after 0.35 s.
      for (const [at, { atS }] of found.entries())
        expect(Math.abs(atS - (2 + at * 3.5 + 0.35))).toBeLessThan(0.01);
    }
  });

  it('sound as far apart as the bow is', () => {
    const quiet = { ...BOW, scatterDb: 0 };
    const level = (mm: number) => findShots(recordShot(quiet, mm, { seed: 9 }))[0]!.sound!.levelDb;
    for (const mm of [205, 210, 222, 228])
      expect(
        Math.abs(level(mm) - level(215) - (loudnessDb(quiet, mm) - loudnessDb(quiet, 215))),
      ).toBeLessThan(0.3);
  });

  it('are none where there is only a room', () => {
    const normal = standardNormal(seededUniform(4));
    const room = Float32Array.from({ length: 96_000 }, () => 0.003 * normal());
    expect(findShots({ samples: room, rateHz: 48_000 })).toEqual([]);
    expect(findShots({ samples: new Float32Array(96_000), rateHz: 48_000 })).toEqual([]);
    expect(findShots({ samples: new Float32Array(10), rateHz: 48_000 })).toEqual([]);
  });
});

describe('what speaks against a shot is named', () => {
  const faultsOf = (recording: Recording) => findShots(recording).map(({ faults }) => faults);

  it('clipped', () => {
    const clipped = spoiled((samples) => samples.map((v) => Math.max(-1, Math.min(1, v * 60))));
    expect(faultsOf(clipped)).toEqual([['clipped']]);
  });

  it('two events', () => {
    const both = spoiled((samples, rateHz) => {
      const other = shot(6).samples;
      const later = Math.round(0.15 * rateHz);
      return samples.map((v, at) => v + (at >= later ? other[at - later]! : 0));
    });
    expect(faultsOf(both)).toEqual([['twoEvents']]);
  });

  it('but not the arrow that hits the butt, far less loud', () => {
    const withHit = spoiled((samples, rateHz) => {
      const other = shot(6).samples;
      const later = Math.round(0.2 * rateHz);
      return samples.map((v, at) => v + (at >= later ? 0.1 * other[at - later]! : 0));
    });
    expect(faultsOf(withHit)).toEqual([[]]);
  });

  it('handling before it', () => {
    const handled = spoiled((samples, rateHz) => {
      const normal = standardNormal(seededUniform(2));
      const [from, to] = [Math.round(0.2 * rateHz), Math.round(0.3 * rateHz)];
      return samples.map((v, at) => v + (at > from && at < to ? 0.01 * normal() : 0));
    });
    expect(faultsOf(handled)).toEqual([['handling']]);
  });

  it('too short before or after, and then it has no figures', () => {
    const late = spoiled((samples, rateHz) => samples.slice(Math.round(0.3 * rateHz)));
    const cut = spoiled((samples, rateHz) => samples.slice(0, Math.round(0.7 * rateHz)));
    for (const recording of [late, cut]) {
      expect(faultsOf(recording)).toEqual([['tooShort']]);
      expect(findShots(recording)[0]?.sound).toBeNull();
    }
  });
});

it('a neighbour now and then is noticed in the stand-in’s own recordings', () => {
  const busy = { ...BOW, neighbours: 100 };
  const seeds = Array.from({ length: 20 }, (_, at) => 400 + at);
  const noticed = seeds.filter((seed) =>
    findShots(recordShot(busy, 215, { seed })).some(({ faults }) => faults.includes('twoEvents')),
  );
  expect(noticed.length).toBeGreaterThanOrEqual(18);
  const alone = seeds.filter((seed) =>
    findShots(shot(seed)).some(({ faults }) => faults.length > 0),
  );
  expect(alone).toEqual([]);
});
