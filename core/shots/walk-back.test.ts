import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { NO_SCATTER_PRIOR } from './offset-posterior.ts';
import { fitWalkBack, type WalkBackHit } from './walk-back.ts';
import { dropFromSpeed, learnDrop, planWalkBack } from './walk-back-plan.ts';

const DISTANCES = [10, 13, 16, 19, 22, 25];

function walk(
  normal: () => number,
  { a, b, c, scatterMm }: { a: number; b: number; c: number; scatterMm: number },
): readonly WalkBackHit[] {
  return DISTANCES.flatMap((distanceM) =>
    Array.from({ length: 3 }, () => ({
      distanceM,
      outwardMm: a + b * distanceM + c * distanceM ** 2 + ((scatterMm * distanceM) / 18) * normal(),
    })),
  );
}

describe('the line of a walk-back', () => {
  it('recovers known lean and curve within its 90 % intervals, 9 times in 10', () => {
    const uniform = seededUniform(41);
    const normal = standardNormal(uniform);
    const held = { drift: 0, bow: 0 };
    const WALKS = 1000;
    for (let i = 0; i < WALKS; i += 1) {
      const [b, c] = [3 * normal(), 0.15 * normal()];
      const hits = walk(normal, { a: 10 * normal(), b, c, scatterMm: 5 * 8 ** uniform() });
      const fit = fitWalkBack(hits, 20, NO_SCATTER_PRIOR)!;
      // Slope in the middle of the walk, over the whole of it; sagitta over its half.
      const drift = (b + 2 * c * 17.5) * 15;
      if (Math.abs(fit.drift.mm - drift) <= fit.drift.plusMinusMm) held.drift += 1;
      if (Math.abs(fit.bow!.mm - c * 7.5 ** 2) <= fit.bow!.plusMinusMm) held.bow += 1;
    }
    console.log(
      `walk-back 90 % intervals hold: lean ${held.drift / 10} %, curve ${held.bow / 10} %`,
    );
    for (const count of [held.drift, held.bow]) {
      expect(count / WALKS).toBeGreaterThanOrEqual(0.87);
      expect(count / WALKS).toBeLessThanOrEqual(0.93);
    }
  });

  it('says leaning only of a line that leans: wrong at most 5 times in 100', () => {
    const normal = standardNormal(seededUniform(42));
    let wrong = 0;
    for (let i = 0; i < 1000; i += 1) {
      const hits = walk(normal, { a: 0, b: 0, c: 0, scatterMm: 20 });
      const { drift } = fitWalkBack(hits, 20, NO_SCATTER_PRIOR)!;
      if (drift.call === 'plus' || drift.call === 'minus') wrong += 1;
    }
    expect(wrong / 1000).toBeLessThanOrEqual(0.05);
  });

  it('mirrors, and moves with the mark without changing lean or curve', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -60, max: 60, noNaN: true }), { minLength: 12, maxLength: 12 }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (places, shift) => {
          const hits = places.map((outwardMm, i) => ({
            distanceM: DISTANCES[i % 6]!,
            outwardMm,
          }));
          const fit = fitWalkBack(hits, 20, NO_SCATTER_PRIOR)!;
          const mirrored = fitWalkBack(
            hits.map((hit) => ({ ...hit, outwardMm: -hit.outwardMm })),
            20,
            NO_SCATTER_PRIOR,
          )!;
          const shifted = fitWalkBack(
            hits.map((hit) => ({ ...hit, outwardMm: hit.outwardMm + shift })),
            20,
            NO_SCATTER_PRIOR,
          )!;
          expect(mirrored.drift.mm).toBeCloseTo(-fit.drift.mm, 6);
          expect(shifted.drift.mm).toBeCloseTo(fit.drift.mm, 6);
          expect(shifted.bow!.mm).toBeCloseTo(fit.bow!.mm, 6);
        },
      ),
    );
  });

  it('says nothing from one distance', () => {
    expect(fitWalkBack([{ distanceM: 10, outwardMm: 3 }], 20, { degrees: 6, sdMm: 10 })).toBeNull();
  });
});

describe('the distances of a walk-back', () => {
  const butt = { widthMm: 1220, heightMm: 1220, markBelowTopMm: 300 };
  const drop = dropFromSpeed(50, 0.15);

  it('keeps every safe hit a hand and three scatters on the butt, and stops at the first that is not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 35, max: 70, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 600, max: 2000, noNaN: true }),
        (speed, scatterMm, sizeMm) => {
          const plan = planWalkBack(10, dropFromSpeed(speed, 0.15), scatterMm, {
            widthMm: sizeMm,
            heightMm: sizeMm,
            markBelowTopMm: 300,
          });
          for (const one of plan.filter(({ refused }) => refused === null)) {
            const scatters = (3 * scatterMm * one.distanceM) / 18;
            expect(one.upMm - one.plusMinusMm - scatters - 100).toBeGreaterThanOrEqual(
              300 - sizeMm,
            );
            expect(one.upMm + one.plusMinusMm + scatters + 100).toBeLessThanOrEqual(300);
          }
          expect(plan.slice(0, -1).every(({ refused }) => refused === null)).toBe(true);
        },
      ),
    );
  });

  it('offers nothing like 40 m with the sight set for 10: the arrow falls 2 to 3 m', () => {
    const tall = { widthMm: 4000, heightMm: 20_000, markBelowTopMm: 1000 };
    const far = planWalkBack(10, drop, 10, tall).find(({ distanceM }) => distanceM === 40)!;
    expect(far.upMm).toBeLessThan(-1800);
    expect(far.upMm).toBeGreaterThan(-3200);
    const usual = planWalkBack(10, drop, 15, butt).filter(({ refused }) => refused === null);
    expect(usual.at(-1)!.distanceM).toBeLessThanOrEqual(28);
    expect(usual.length).toBeGreaterThanOrEqual(3);
  });

  it('learns the drop from the hits, and then reaches as far as it really can', () => {
    const truth = dropFromSpeed(60, 0.15);
    const normal = standardNormal(seededUniform(43));
    const hits = [10, 13, 16].flatMap((distanceM) =>
      Array.from({ length: 3 }, () => ({
        distanceM,
        upMm:
          110 * (distanceM / 10 - 1) -
          truth.perM * distanceM * (distanceM - 10) * 1000 +
          distanceM * normal() * 0.5,
      })),
    );
    const learned = learnDrop(drop, 10, hits, 9);
    expect(Math.abs(learned.perM - truth.perM)).toBeLessThan(2 * learned.sd);
    expect(learned.sd).toBeLessThan(drop.sd / 2);
    const reach = (with_: typeof drop) =>
      planWalkBack(10, with_, 9, butt).filter(({ refused }) => refused === null).length;
    expect(reach(learned)).toBeGreaterThan(reach(drop));
  });
});
