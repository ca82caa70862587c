import { describe, expect, it } from 'vitest';
import { seededUniform } from '../numeric/random.ts';
import { type BraceStanding, braceStanding, type HeightSteps } from './brace-decision.ts';
import type { HeightTried } from './noise-curve.ts';

const RANGE = { lowMm: 210, highMm: 222 };
const STEPS: HeightSteps = { twistMm: 0.8, touchedMm: null };
const sounded = (heightMm: number, levelDb: number): HeightTried => ({
  heightMm,
  levelsDb: [levelDb - 0.3, levelDb, levelDb + 0.3],
  heard: null,
});
const bowl = (heightMm: number) => 6 * ((heightMm - 217) / 6) ** 2;

/** Follows the search on a bow without a secret until it settles. */
function follow(noise: (heightMm: number) => number, steps = STEPS): readonly BraceStanding[] {
  const standings: BraceStanding[] = [];
  const tried: HeightTried[] = [];
  let height = 210.4;
  for (let round = 0; round < 12; round += 1) {
    tried.push(sounded(height, noise(height)));
    const standing = braceStanding(tried, RANGE, steps);
    standings.push(standing);
    if (standing.next.kind === 'settle') return standings;
    height = standing.next.heightMm;
  }
  throw new Error('it does not end');
}

describe('braceStanding', () => {
  it('finds the bottom of a bowl within half a twist or a quarter decibel, in few heights', () => {
    const standings = follow(bowl);
    const { next } = standings.at(-1)!;
    expect(next.kind).toBe('settle');
    expect(bowl(next.heightMm)).toBeLessThan(0.3);
    expect(standings.length).toBeLessThanOrEqual(5);
  });

  it('proposes whole twists inside the range only, whatever was heard', () => {
    const uniform = seededUniform(3);
    for (let run = 0; run < 25; run += 1) {
      const tried: HeightTried[] = [];
      let height = 210 + 12 * uniform();
      for (let n = 0; n < 4; n += 1) {
        tried.push(sounded(height, 8 * uniform()));
        const { next, best, curve } = braceStanding(tried, RANGE, STEPS);
        expect(curve.heightsMm[best]).toBeDefined();
        if (next.kind !== 'try') break;
        expect(Number.isInteger(next.twists) && next.twists !== 0).toBe(true);
        expect(next.heightMm).toBeCloseTo(height + 0.8 * next.twists, 9);
        expect(next.heightMm).toBeGreaterThanOrEqual(RANGE.lowMm);
        expect(next.heightMm).toBeLessThanOrEqual(RANGE.highMm);
        height = next.heightMm;
      }
    }
  });

  it('proposes nothing at or below a height that touched the arm', () => {
    const standings = follow((height) => bowl(height + 5), { ...STEPS, touchedMm: 214 });
    for (const { next } of standings) expect(next.heightMm).toBeGreaterThan(214 - 0.41);
    expect(standings.at(-1)!.next.heightMm).toBeGreaterThan(214);
  });

  it('never settles on two heights: what lies between them was not heard', () => {
    const { next } = braceStanding([sounded(211, 2), sounded(221, 2)], RANGE, STEPS);
    expect(next.kind).toBe('try');
  });

  it('says a flat curve is flat and takes the lowest', () => {
    const { next, alike } = follow(() => 3).at(-1)!;
    expect(next).toMatchObject({ kind: 'settle', flat: true });
    expect(next.heightMm).toBeCloseTo(210.4, 9);
    expect(alike.length).toBeGreaterThan(1);
  });

  it('names two valleys with a ridge between them, and one where there is none', () => {
    const two = [212, 217, 221.5, 217.4].map((mm) => sounded(mm, mm > 215 && mm < 219 ? 9 : 1));
    const { twoValleysMm } = braceStanding(two, RANGE, STEPS);
    const [low, high] = twoValleysMm ?? [0, 0];
    expect(low).toBeGreaterThan(209);
    expect(low).toBeLessThan(214);
    expect(high).toBeGreaterThan(220);
    expect(follow(bowl).at(-1)!.twoValleysMm).toBeNull();
  });

  it('says the same of the same search: it draws by its own seed', () => {
    const tried = [sounded(211, 4), sounded(216, 1)];
    const [one, other] = [1, 2].map(() => braceStanding(tried, RANGE, STEPS));
    expect(one!.next).toEqual(other!.next);
    expect(one!.regretDb).toBe(other!.regretDb);
  });
});
