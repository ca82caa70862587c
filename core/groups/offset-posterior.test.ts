import { randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { seededUniform } from '../numeric/random.ts';
import { callOf } from './axis-verdict.ts';
import {
  axisSums,
  jointFactorOdds,
  NO_SCATTER_PRIOR,
  offsetHalfWidthMm,
  offsetPosterior,
  SCATTER_FACTOR_ODDS,
  SCATTER_FACTORS,
  toleranceOdds,
} from './offset-posterior.ts';

/** Draws k from its prior. */
function drawFactor(uniform: () => number): number {
  let left = uniform();
  for (const [index, odds] of SCATTER_FACTOR_ODDS.entries()) {
    left -= odds;
    if (left < 0) return SCATTER_FACTORS[index]!;
  }
  return 2.5;
}

function session(
  normal: () => number,
  { nf, nb, sd, k, offset }: { nf: number; nb: number; sd: number; k: number; offset: number },
) {
  const fletched = Array.from({ length: nf }, () => 7 + sd * normal());
  const bare = Array.from({ length: nb }, () => 7 + offset + k * sd * normal());
  return offsetPosterior(axisSums(fletched, bare), NO_SCATTER_PRIOR);
}

describe('offsetPosterior', () => {
  it('centres on the difference of means, whatever the scatter', () => {
    const posterior = offsetPosterior(axisSums([0, 10, 20], [30, 50]), NO_SCATTER_PRIOR);
    expect(posterior.centreMm).toBe(30);
    const odds = posterior.factorOdds.reduce((sum, share) => sum + share, 0);
    expect(odds).toBeCloseTo(1, 12);
  });

  it('is the textbook pooled t interval when k is surely 1: here as the least wide member', () => {
    const fletched = [-4, 0, 4];
    const bare = [16, 20, 24];
    const [first] = offsetPosterior(axisSums(fletched, bare), NO_SCATTER_PRIOR).mixture;
    // pooled s² = (32 + 32) / 4 = 16; standard error = 4 √(1/3 + 1/3)
    expect(first!.degrees).toBe(4);
    expect(first!.scale).toBeCloseTo(4 * Math.sqrt(2 / 3), 12);
  });

  it('agrees with integrating the likelihood by brute force', () => {
    const fletched = [-20, -10, 0, 5, 10, 15];
    const bare = [12, 55, 31];
    const posterior = offsetPosterior(axisSums(fletched, bare), NO_SCATTER_PRIOR);
    const odds = toleranceOdds(posterior, 25);
    const brute = bruteForce(fletched, bare, 25);
    expect(odds.plus).toBeCloseTo(brute.plus, 2);
    expect(odds.inside).toBeCloseTo(brute.inside, 2);
  });

  it('mirrors: turning every shot over turns the offset over and keeps its width', () => {
    const one = offsetPosterior(axisSums([-20, -10, 0, 5], [40, 60]), NO_SCATTER_PRIOR);
    const other = offsetPosterior(axisSums([20, 10, 0, -5], [-40, -60]), NO_SCATTER_PRIOR);
    expect(other.centreMm).toBe(-one.centreMm);
    expect(offsetHalfWidthMm(other)).toBeCloseTo(offsetHalfWidthMm(one), 10);
  });

  it('never claims certainty from identical plots', () => {
    const posterior = offsetPosterior(axisSums([0, 0, 0], [10, 10]), NO_SCATTER_PRIOR);
    expect(offsetHalfWidthMm(posterior)).toBeGreaterThan(0.3);
  });

  it('refuses to speak from one shot', () => {
    expect(() => axisSums([1, 2, 3], [4])).toThrow(/bare/);
  });

  it('covers the truth 88 to 92 times in 100 with the 90 % interval, both axes', () => {
    const SESSIONS = 2000;
    const uniform = seededUniform(11);
    const normal = randomNormal.source(uniform)();
    const covered = { outward: 0, up: 0 };
    for (let i = 0; i < SESSIONS; i += 1) {
      const k = drawFactor(uniform);
      const sd = 5 * 8 ** uniform();
      for (const axis of ['outward', 'up'] as const) {
        const offset = 60 * normal();
        const posterior = session(normal, { nf: 6, nb: 3, sd, k, offset });
        if (Math.abs(posterior.centreMm - offset) <= offsetHalfWidthMm(posterior))
          covered[axis] += 1;
      }
    }
    console.log(
      `90 % intervals, k from its prior: outward ${covered.outward / 20} %, up ${covered.up / 20} %`,
    );
    for (const axis of ['outward', 'up'] as const) {
      expect(covered[axis] / SESSIONS).toBeGreaterThanOrEqual(0.88);
      expect(covered[axis] / SESSIONS).toBeLessThanOrEqual(0.92);
    }
  });

  it('covers more at k = 1 and less at k = 2.5, as it must: printed, not hidden', () => {
    const at = (k: number) => {
      const normal = randomNormal.source(seededUniform(12))();
      let covered = 0;
      for (let i = 0; i < 2000; i += 1) {
        const posterior = session(normal, { nf: 6, nb: 3, sd: 15, k, offset: 20 });
        if (Math.abs(posterior.centreMm - 20) <= offsetHalfWidthMm(posterior)) covered += 1;
      }
      return covered / 2000;
    };
    const [low, high] = [at(1), at(2.5)];
    console.log(`90 % intervals at fixed k: k = 1 ${100 * low} %, k = 2.5 ${100 * high} %`);
    expect(low).toBeLessThanOrEqual(0.98);
    expect(high).toBeGreaterThanOrEqual(0.75);
  });

  it('says “out” of bows inside their tolerance at most 5 times in 100 at one look', () => {
    const uniform = seededUniform(13);
    const normal = randomNormal.source(uniform)();
    let wrong = 0;
    for (let i = 0; i < 2000; i += 1) {
      const sd = 5 * 8 ** uniform();
      const tolerance = Math.max(20, sd);
      const offset = (2 * uniform() - 1) * tolerance;
      const posterior = session(normal, { nf: 6, nb: 3, sd, k: drawFactor(uniform), offset });
      const call = callOf(toleranceOdds(posterior, tolerance));
      if (call === 'plus' || call === 'minus') wrong += 1;
    }
    console.log(`“out” said of bows inside: ${wrong / 20} %`);
    expect(wrong / 2000).toBeLessThanOrEqual(0.05);
  });

  it('adds what both axes know of the scatter factor', () => {
    const wide = offsetPosterior(axisSums([-1, 0, 1, 0, 1, -1], [-9, 8, 1, -7]), NO_SCATTER_PRIOR);
    const joint = jointFactorOdds(wide, wide);
    expect(joint.at(-1)!).toBeGreaterThan(wide.factorOdds.at(-1)!);
    expect(joint.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
  });
});

/** P(offset beyond / within ±tolerance) by summing the likelihood over offset, centre, σ and k. */
function bruteForce(fletched: readonly number[], bare: readonly number[], tolerance: number) {
  let plus = 0;
  let inside = 0;
  let total = 0;
  for (const [index, k] of SCATTER_FACTORS.entries()) {
    for (let logSd = 1; logSd < 6; logSd += 0.1) {
      const sd = Math.exp(logSd);
      for (let mu = -80; mu <= 80; mu += 4) {
        let base = SCATTER_FACTOR_ODDS[index]!;
        for (const x of fletched) base *= density(x, mu, sd);
        if (base < 1e-30) continue;
        for (let delta = -250; delta <= 320; delta += 2.5) {
          let likelihood = base;
          for (const x of bare) likelihood *= density(x, mu + delta, k * sd);
          total += likelihood;
          if (delta > tolerance) plus += likelihood;
          else if (delta === tolerance) plus += likelihood / 2;
          if (Math.abs(delta) < tolerance) inside += likelihood;
          else if (Math.abs(delta) === tolerance) inside += likelihood / 2;
        }
      }
    }
  }
  return { plus: plus / total, inside: inside / total };
}

function density(x: number, mean: number, sd: number): number {
  return Math.exp(-0.5 * ((x - mean) / sd) ** 2) / sd;
}
