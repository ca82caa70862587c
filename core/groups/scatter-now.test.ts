import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { scatterNow, type SessionSquares } from './scatter-now.ts';

const WEEK_MS = 7 * 24 * 3_600_000;

/** A session a week of 18 shots in ends of six, with the scatter of each week. */
function weeks(scatterMm: readonly number[], seed: number): readonly SessionSquares[] {
  const normal = standardNormal(seededUniform(seed));
  return scatterMm.map((sdMm, week) => {
    const degrees = 15;
    let squares = 0;
    for (let shot = 0; shot < degrees; shot += 1) squares += (sdMm * normal()) ** 2;
    return { atMs: week * WEEK_MS, squares, degrees };
  });
}
const steady = (count: number, sdMm: number) => Array.from({ length: count }, () => sdMm);
const SEEDS = Array.from({ length: 200 }, (_, index) => 880_001 + index);
const sdNow = (sessions: readonly SessionSquares[], atMs: number) =>
  Math.sqrt(scatterNow(sessions, atMs)!.variance);

describe('the scatter an archer has now', () => {
  it('is that of the one session there is, as well known as its shots make it', () => {
    const one = scatterNow([{ atMs: 0, squares: 15 * 400, degrees: 15 }], 0)!;
    expect(Math.sqrt(one.variance)).toBeCloseTo(20, 0);
    expect(one.degrees).toBeGreaterThan(9);
    expect(one.degrees).toBeLessThan(15);
    expect(scatterNow([], 0)).toBeNull();
  });

  it('takes two sessions of one day for twice as much, with what days differ by: hand-worked', () => {
    const eight = { atMs: 0, squares: 8 * 400, degrees: 8 };
    // ln σ² of one is uncertain by ψ′(4) + 0.04 = 0.32382, of two by half of it: ψ′(ν/2) ≈ 2/ν + 2/ν².
    const degreesOf = (variance: number) => (1 + Math.sqrt(1 + 2 * variance)) / variance;
    expect(scatterNow([eight], 0)!.degrees).toBeCloseTo(degreesOf(0.32382), 3);
    expect(scatterNow([eight, eight], 0)!.degrees).toBeCloseTo(degreesOf(0.16191), 3);
  });

  it('is known better by every session while nothing changes', () => {
    const [few, many] = [4, 20].map((count) =>
      SEEDS.map((seed) => scatterNow(weeks(steady(count, 20), seed), count * WEEK_MS)!),
    );
    const meanDegrees = (all: typeof few) =>
      all!.reduce((sum, { degrees }) => sum + degrees, 0) / SEEDS.length;
    expect(meanDegrees(many)).toBeGreaterThan(1.4 * meanDegrees(few));
    const off = many!.map(({ variance }) => Math.abs(Math.sqrt(variance) / 20 - 1));
    expect(off.toSorted((a, b) => a - b)[Math.floor(0.9 * SEEDS.length)]).toBeLessThan(0.25);
  });

  it('follows an archer from 40 to 15 mm in ten weeks', () => {
    const learning = Array.from({ length: 11 }, (_, week) => 40 - 2.5 * week);
    const ratios = SEEDS.map((seed) => sdNow(weeks(learning, seed), 11 * WEEK_MS) / 15);
    const mean = ratios.reduce((sum, one) => sum + one, 0) / SEEDS.length;
    expect(mean).toBeLessThan(1.3);
    // All sessions alike, as if nothing had changed, would say nearly twice.
    const alike = Math.sqrt(learning.reduce((sum, one) => sum + one ** 2, 0) / learning.length);
    expect(alike / 15).toBeGreaterThan(1.9);
  });

  it('says less after a long pause', () => {
    const sessions = weeks(steady(8, 20), 5);
    const [soon, late] = [9, 60].map((week) => scatterNow(sessions, week * WEEK_MS)!);
    expect(late!.degrees).toBeLessThan(0.7 * soon!.degrees);
  });

  it('is in the unit of what was seen', () => {
    const sessions = weeks([20, 25, 18], 3);
    const doubled = sessions.map((one) => ({ ...one, squares: 4 * one.squares }));
    expect(sdNow(doubled, 4 * WEEK_MS)).toBeCloseTo(2 * sdNow(sessions, 4 * WEEK_MS), 9);
  });
});
