import { describe, expect, it } from 'vitest';
import type { Heard } from '../craft/search-terms.ts';
import { braceStanding } from './brace-decision.ts';
import { earBelief } from './ear-belief.ts';
import { isByEar, noiseBelief } from './noise-belief.ts';
import { fitNoiseCurve, type HeightTried } from './noise-curve.ts';

const RANGE = { lowMm: 210, highMm: 222 };
const said = (heightMm: number, heard: Heard | null, felt: Heard | null = null): HeightTried => ({
  heightMm,
  levelsDb: [],
  heard,
  felt,
});
const sounded = (heightMm: number): HeightTried => ({
  heightMm,
  levelsDb: [1, 1.2],
  heard: null,
});

/** How likely the quietest place of the grid lies in a stretch of the range. */
function quietIn(tried: readonly HeightTried[], lowMm: number, highMm: number): number {
  const { curve, draws } = earBelief(tried, RANGE);
  const grid = curve.heightsMm.slice(curve.tried);
  const inside = draws.filter((draw) => {
    const over = [...draw.slice(curve.tried)];
    const at = grid[over.indexOf(Math.min(...over))]!;
    return at >= lowMm && at <= highMm;
  });
  return inside.length / draws.length;
}

describe('what answers by ear say of the noise', () => {
  it('is even-handed before anything was heard', () => {
    const tried = [said(216, null)];
    const [low, high] = [quietIn(tried, 210, 215.9), quietIn(tried, 216.1, 222)];
    expect(low + high).toBeGreaterThan(0.9);
    expect(Math.abs(low - high)).toBeLessThan(0.12);
  });

  it('lies between a height that was quieter and one that was louder again', () => {
    const up = [said(211, null), said(216, 'quieter')];
    const back = [...up, said(221, 'louder')];
    expect(quietIn(up, 213.5, 222)).toBeGreaterThan(0.75);
    expect(quietIn(back, 213, 219)).toBeGreaterThan(0.6);
    expect(quietIn(back, 213, 219)).toBeGreaterThan(quietIn(up, 213, 219));
  });

  it('does not care which way the range is walked', () => {
    const up = [said(211, null), said(216, 'quieter'), said(221, 'louder')];
    const down = [said(221, null), said(216, 'quieter'), said(211, 'louder')];
    expect(quietIn(up, 213, 219)).toBeCloseTo(quietIn(down, 213, 219), 1);
  });

  it('believes no answer wholly: one in five has nothing to do with what sounded', () => {
    // Said again, it is believed more; the opposite takes it back.
    const once = [said(211, null), said(216, 'quieter')];
    const twice = [...once, said(211, 'louder'), said(216, 'quieter')];
    const taken = [...once, said(211, 'quieter'), said(216, 'louder')];
    const above = (tried: readonly HeightTried[]) => quietIn(tried, 213.5, 222);
    expect(above(once)).toBeLessThan(0.97);
    expect(above(twice)).toBeGreaterThan(above(once));
    expect(above(taken)).toBeLessThan(above(once));
    // The hand that holds the bow is asked beside the ear.
    expect(above([said(211, null), said(216, 'quieter', 'quieter')])).toBeGreaterThan(above(once));
  });

  it('has its curve’s mean and spread from the same curves', () => {
    const { curve, draws } = earBelief([said(211, null), said(216, 'quieter')], RANGE);
    const [{ mean, covariance }] = curve.parts as [(typeof curve.parts)[number]];
    const place = curve.tried + 20;
    const drawn = draws.map((draw) => draw[place]! - draw[1]!);
    const average = drawn.reduce((sum, one) => sum + one, 0) / drawn.length;
    expect(average).toBeCloseTo(mean[place]! - mean[1]!, 0);
    const variance =
      covariance.get(place, place) + covariance.get(1, 1) - 2 * covariance.get(place, 1);
    const spread = drawn.reduce((sum, one) => sum + (one - average) ** 2, 0) / drawn.length;
    expect(spread / variance).toBeGreaterThan(0.85);
    expect(spread / variance).toBeLessThan(1.15);
  });

  it('sees nothing to gain from hearing the same height again', () => {
    const { worthOf, curve } = earBelief([said(211, null), said(216, 'quieter')], RANGE);
    const all = curve.heightsMm.map((_, at) => at);
    const [same, other] = worthOf([1, curve.tried + 20], all, 'ear');
    expect(same!.worthDb).toBeCloseTo(0, 9);
    expect(other!.worthDb).toBeGreaterThan(0.02);
  });
});

describe('by ear or by sound', () => {
  it('one recorded height is enough to let the sound speak', () => {
    expect(isByEar([said(211, null), said(216, 'quieter')])).toBe(true);
    const mixed = [sounded(211), said(216, 'quieter')];
    expect(isByEar(mixed)).toBe(false);
    expect(noiseBelief(mixed, RANGE).curve.parts).toEqual(fitNoiseCurve(mixed, RANGE).parts);
  });

  it('ends by ear too, after eight heights at most, inside the range', () => {
    const tried = [said(210.5, null)];
    for (let round = 0; round < 12; round += 1) {
      const { next } = braceStanding(tried, RANGE, { twistMm: 0.8, touchedMm: null });
      expect(next.heightMm).toBeGreaterThanOrEqual(RANGE.lowMm);
      expect(next.heightMm).toBeLessThanOrEqual(RANGE.highMm);
      if (next.kind === 'settle') break;
      // A valley at 217, and an ear that never errs.
      const off = (mm: number) => (mm - 217) ** 2 / 6;
      const by = off(next.heightMm) - off(tried.at(-1)!.heightMm);
      tried.push(said(next.heightMm, by > 0.7 ? 'louder' : by < -0.7 ? 'quieter' : 'same'));
    }
    const { next } = braceStanding(tried, RANGE, { twistMm: 0.8, touchedMm: null });
    expect(next.kind).toBe('settle');
    expect(tried.length).toBeLessThanOrEqual(8);
    expect(Math.abs(next.heightMm - 217)).toBeLessThan(1.7);
  });
});
