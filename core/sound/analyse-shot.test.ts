import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { analyseShot } from './analyse-shot.ts';
import { aWeighting, OCTAVES_HZ } from './spectrum.ts';

const RATES = [44_100, 48_000] as const;

/** A tone that begins after a quarter of a second and falls by 20 dB in `fallMs`; faint noise besides. */
function ringing(
  rateHz: number,
  { hz, fallMs, peak, noise = 0 }: { hz: number; fallMs: number; peak: number; noise?: number },
) {
  const onsetAt = Math.round(0.25 * rateHz);
  const normal = standardNormal(seededUniform(3));
  const samples = Float32Array.from({ length: Math.round(1.1 * rateHz) }, (_, at) => {
    const t = (at - onsetAt) / rateHz;
    const tone = t < 0 ? 0 : peak * 10 ** (-t / (fallMs / 1000)) * Math.sin(2 * Math.PI * hz * t);
    return tone + noise * normal();
  });
  return { recording: { samples, rateHz }, onsetAt };
}

const soundOf = ({ recording, onsetAt }: ReturnType<typeof ringing>) =>
  analyseShot(recording, onsetAt);

describe.each(RATES)('at %i Hz', (rateHz) => {
  it('a steady tone has its level: 1 kHz is not weighted, 125 Hz is by 16.1 dB', () => {
    for (const [hz, weightDb] of [
      [1000, 0],
      [125, -16.1],
      [4000, 1.0],
      [250, -8.6],
    ] as const) {
      const sound = soundOf(ringing(rateHz, { hz, fallMs: 1e9, peak: 0.25 }));
      // Mean square of a sine is half its peak's square; 395 of 400 ms of it, and the rumble filter's edge.
      const edge = -10 * Math.log10(1 + (80 / hz) ** 8);
      const expected = 10 * Math.log10((0.25 ** 2 / 2) * (395 / 400)) + weightDb + edge;
      expect(Math.abs(sound.levelDb - expected)).toBeLessThan(0.3);
    }
  });

  it('levels differ as the sounds do', () => {
    const loud = soundOf(ringing(rateHz, { hz: 700, fallMs: 150, peak: 0.5 }));
    for (const under of [1, 3, 6, 20]) {
      const peak = 0.5 * 10 ** (-under / 20);
      const quiet = soundOf(ringing(rateHz, { hz: 700, fallMs: 150, peak }));
      expect(Math.abs(loud.levelDb - quiet.levelDb - under)).toBeLessThan(0.3);
    }
  });

  it('how long it rings is found within 5 %, in noise too', () => {
    for (const fallMs of [60, 100, 180, 300])
      for (const noise of [0, 0.0008])
        for (const hz of [300, 900]) {
          const sound = soundOf(ringing(rateHz, { hz, fallMs, peak: 0.4, noise }));
          expect(Math.abs(sound.decayMs! / fallMs - 1), `${fallMs} ${noise} ${hz}`).toBeLessThan(
            0.05,
          );
        }
  });

  it('tones in two octaves have their energies there, and their middle between', () => {
    const one = ringing(rateHz, { hz: 250, fallMs: 1e9, peak: 0.2 });
    const other = ringing(rateHz, { hz: 2000, fallMs: 1e9, peak: 0.1 });
    const samples = one.recording.samples.map((v, at) => v + other.recording.samples[at]!);
    const sound = analyseShot({ samples, rateHz }, one.onsetAt);
    const level = (peak: number) => 10 * Math.log10((peak ** 2 / 2) * (395 / 400));
    const octave = (hz: number) => sound.octavesDb[OCTAVES_HZ.indexOf(hz as 250)]!;
    expect(Math.abs(octave(250) - level(0.2))).toBeLessThan(0.5);
    expect(Math.abs(octave(2000) - level(0.1))).toBeLessThan(0.5);
    expect(octave(8000)).toBeLessThan(octave(2000) - 15);
    // Four times the energy at 250: the middle is (4 · 250 + 2000) / 5.
    expect(Math.abs(sound.centroidHz - 600)).toBeLessThan(15);
  });

  it('white noise doubles from octave to octave', () => {
    const normal = standardNormal(seededUniform(11));
    const samples = Float32Array.from({ length: rateHz }, () => 0.05 * normal());
    const { octavesDb } = analyseShot({ samples, rateHz }, Math.round(0.3 * rateHz));
    for (const [at, db] of octavesDb.slice(3, 6).entries())
      expect(Math.abs(octavesDb[at + 4]! - db - 3.01)).toBeLessThan(0.5);
  });

  it('what lies under 80 Hz is not heard', () => {
    const quiet = soundOf(ringing(rateHz, { hz: 700, fallMs: 150, peak: 0.1 }));
    const shaken = ringing(rateHz, { hz: 700, fallMs: 150, peak: 0.1 });
    for (const [at, value] of shaken.recording.samples.entries())
      shaken.recording.samples[at] = value + 0.3 * Math.sin((2 * Math.PI * 25 * at) / rateHz) + 0.2;
    expect(Math.abs(soundOf(shaken).levelDb - quiet.levelDb)).toBeLessThan(0.3);
  });

  it('what never falls has no time of falling', () => {
    expect(soundOf(ringing(rateHz, { hz: 500, fallMs: 1e9, peak: 0.2 })).decayMs).toBeNull();
  });
});

it('the weighting is the standard’s at its octaves', () => {
  // IEC 61672-1, table 3, dB.
  const table = [-16.1, -8.6, -3.2, 0, 1.2, 1.0, -1.1];
  for (const [at, hz] of OCTAVES_HZ.entries())
    expect(Math.abs(20 * Math.log10(aWeighting(hz)) - table[at]!)).toBeLessThan(0.15);
});
