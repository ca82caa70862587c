import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { BowFacts } from '../log/entry.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { shaftsToBuy, USUAL_PARTS } from './shafts-to-buy.ts';

function offered(pounds: number, facts: Partial<BowFacts> = {}, parts = USUAL_PARTS) {
  // Weighed on the hook; fingers hold a pound more.
  const log = new BowLog({ maker: {}, ...facts });
  log.read('drawWeight', (pounds - 1) * N_PER_LBF);
  log.read('drawLength', 700);
  const answer = shaftsToBuy(log.state, parts);
  if (answer.kind !== 'offers') throw new Error(answer.kind);
  return answer;
}

describe('which shaft to buy', () => {
  it('is not said before weight and draw are known, and which is missing is', () => {
    expect(shaftsToBuy(new BowLog({ maker: {} }).state)).toEqual({
      kind: 'unknown',
      missing: ['weight', 'draw'],
    });
    const weighed = new BowLog({ maker: {} });
    weighed.read('drawWeight', 150);
    expect(shaftsToBuy(weighed.state)).toEqual({ kind: 'unknown', missing: ['draw'] });
  });

  it('outside the table nothing is guessed', () => {
    const strong = new BowLog({ maker: {} });
    strong.read('drawWeight', 62 * N_PER_LBF);
    strong.read('drawLength', 700);
    expect(shaftsToBuy(strong.state)).toMatchObject({ kind: 'outsideTable' });
  });

  it('refuses what is more than two steps softer than the table, and does not rank it', () => {
    // 40 lb: 600 for 28.5 in and 125 gr. Left at 815 mm, 3.6 in longer, with a point of 125: 600 e^−0.36 = 419.
    const { offers, refused } = offered(40);
    const soft = offers.map(({ spine }) => spine);
    for (const spine of refused) expect(soft).not.toContain(spine);
    // 419 e^0.2 = 512 is the softest.
    expect(refused).toContain(550);
    expect(soft).toContain(500);
    for (const { stepsStiff } of offers) expect(stepsStiff).toBeGreaterThanOrEqual(-2);
  });

  it('recommends the stiffest of those that can be tuned as well, with its neighbours to be tried', () => {
    const { offers, recommended, testSet } = offered(40);
    const best = Math.max(...offers.map(({ chance }) => chance));
    const chosen = offers.find(({ spine }) => spine === recommended)!;
    expect(chosen.chance).toBeGreaterThanOrEqual(best - 0.05);
    for (const { spine, chance } of offers)
      if (spine < chosen.spine) expect(chance).toBeLessThan(best - 0.05);
    expect(testSet).toContain(recommended);
    expect(testSet).toEqual(testSet.toSorted((one, other) => one - other));
  });

  it('goes softer with less weight, and stiffer with more', () => {
    const spines = [28, 34, 40, 46, 52].map((pounds) => offered(pounds).recommended!);
    expect(spines).toEqual(spines.toSorted((one, other) => other - one));
    expect(spines[0]).toBeGreaterThan(spines.at(-1)!);
  });

  it('asks off the shelf how far the window is cut, and goes softer where it is short', () => {
    expect(offered(40).windowUnknown).toBe(false);
    expect(offered(40, { school: 'shelfHunting' }).windowUnknown).toBe(true);
    const at = (windowPastCentreMm: number) =>
      offered(40, { school: 'shelfHunting', windowPastCentreMm });
    expect(at(2).windowUnknown).toBe(false);
    const steps = (windowPastCentreMm: number) =>
      at(windowPastCentreMm).offers.find(({ spine }) => spine === 400)!.stepsStiff;
    // Three millimetres less: a step softer wanted, so the same shaft is a step stiffer.
    expect(steps(0) - steps(3)).toBeCloseTo(1, 6);
  });

  it('with fewer points there are fewer ways, and no shaft shorter than is safe', () => {
    const few = offered(40, {}, { ...USUAL_PARTS, pointsG: [100 * G_PER_GR] });
    const many = offered(40);
    const sum = (answer: typeof few) => answer.offers.reduce((all, { chance }) => all + chance, 0);
    expect(sum(few)).toBeLessThan(sum(many));
    expect(sum(offered(40, {}, { ...USUAL_PARTS, lengthMm: 715 }))).toBe(0);
    expect(offered(40, {}, { ...USUAL_PARTS, lengthMm: 715 }).recommended).toBeNull();
  });
});
