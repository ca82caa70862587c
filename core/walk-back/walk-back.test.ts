import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { NO_SCATTER_PRIOR } from '../groups/offset-posterior.ts';
import { fitWalkBack } from './walk-back.ts';
import type { WalkEnd } from './walk-lines.ts';
import { cautiousScatterMm } from '../groups/scatter-history.ts';
import { fitWalkBackFlight } from './walk-back-flight.ts';
import { type PlannedDistance, planWalkBack, sightingInDistance } from './walk-back-plan.ts';

const DISTANCES = [10, 13, 16, 19, 22, 25];

interface Truth {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly scatterMm: number;
  /** Each end is aimed anew by this share of the scatter. */
  readonly wander: number;
}

/** Ends of three from near to far, x = a + b(d − m) + c(d − m)², m the middle. */
function walk(noise: () => number, truth: Truth): readonly WalkEnd[] {
  const { a, b, c, scatterMm, wander } = truth;
  return DISTANCES.map((distanceM, index): WalkEnd => {
    const scatter = (scatterMm * distanceM) / 18;
    const aim = wander * scatter * noise();
    const from = distanceM - 17.5;
    const hit = () => a + b * from + c * from ** 2 + aim + scatter * noise();
    return { ...END, distanceM, outwardMm: [hit(), hit(), hit()], index };
  });
}
const END = { line: 'l', epoch: 'e', reachTurns: 0, preloadTurns: 0 } as const;
const terms = (toleranceMm: number) => ({ toleranceMm, scatter: NO_SCATTER_PRIOR });

/** Student's t with 4 degrees. */
function heavyTailed(normal: () => number): () => number {
  return () => {
    const squares = Array.from({ length: 4 }, () => normal() ** 2);
    return normal() / Math.sqrt(squares.reduce((sum, one) => sum + one, 0) / 4);
  };
}

describe('the line of a walk-back', () => {
  it.each([
    // Whoever aims more evenly than most gets wider intervals than he needs.
    ['still aim', 0, false, 0.98],
    ['wandering aim', 0.5, false, 0.95],
    ['wandering aim and heavy tails', 0.5, true, 0.95],
  ])(
    'holds lean and bend in its 90 %% intervals, 9 times in 10: %s',
    { timeout: 120_000 },
    (name, wander, heavy, most) => {
      const uniform = seededUniform(41);
      const normal = standardNormal(uniform);
      const noise = heavy ? heavyTailed(normal) : normal;
      const held = { drift: 0, bend: 0 };
      const WALKS = 400;
      for (let i = 0; i < WALKS; i += 1) {
        const [b, c] = [3 * normal(), 0.15 * normal()];
        const scatterMm = 5 * 8 ** uniform();
        const hits = walk(noise, { a: 10 * normal(), b, c, scatterMm, wander });
        const fit = fitWalkBack(hits, terms(20))!;
        // Over the whole walk, 10 to 25 m; sagitta over its half. The middle of the walk is m.
        if (Math.abs(fit.drift.mm - 15 * b) <= fit.drift.plusMinusMm) held.drift += 1;
        if (Math.abs(fit.bend!.mm - c * 7.5 ** 2) <= fit.bend!.plusMinusMm) held.bend += 1;
      }
      console.log(
        `walk-back, ${name}: 90 % intervals hold lean ${(100 * held.drift) / WALKS} %, bend ${(100 * held.bend) / WALKS} %`,
      );
      for (const count of [held.drift, held.bend]) {
        expect(count / WALKS).toBeGreaterThanOrEqual(0.86);
        expect(count / WALKS).toBeLessThanOrEqual(most);
      }
    },
  );

  it('says leaning only of a line that leans: wrong at most 5 times in 100', () => {
    const normal = standardNormal(seededUniform(42));
    let wrong = 0;
    for (let i = 0; i < 400; i += 1) {
      const hits = walk(normal, { a: 0, b: 0, c: 0, scatterMm: 20, wander: 0.5 });
      const { drift } = fitWalkBack(hits, terms(20))!;
      if (drift.call === 'plus' || drift.call === 'minus') wrong += 1;
    }
    expect(wrong / 400).toBeLessThanOrEqual(0.05);
  });

  it('is straight only over two looks, and never by two distances', () => {
    const straight = { a: 0, b: 0.1, c: 0, scatterMm: 4, wander: 0.3 };
    const ends = walk(standardNormal(seededUniform(43)), straight);
    expect(fitWalkBack(ends, terms(30))!.straight).toBe(true);
    const near = ends.filter(({ distanceM }) => distanceM <= 13);
    expect(fitWalkBack(near, terms(300))).toMatchObject({ straight: false, bend: null });
  });

  it('takes this walk’s own scatter for what is good enough where it is the wider', () => {
    const poor = { a: 0, b: 0, c: 0, scatterMm: 60, wander: 0.5 };
    const { toleranceMm } = fitWalkBack(walk(standardNormal(seededUniform(44)), poor), terms(20))!;
    expect(toleranceMm).toBeGreaterThan(40);
    expect(toleranceMm).toBeLessThan(75);
  });

  it('learns what a turn does from all lines of one walk together, whatever sight they had', () => {
    const normal = standardNormal(seededUniform(45));
    const line = (turns: number, a: number): readonly WalkEnd[] =>
      walk(normal, { a, b: 4 + 3 * turns, c: 0, scatterMm: 10, wander: 0.5 }).map((end) => ({
        ...end,
        line: `l${turns}`,
        reachTurns: turns,
      }));
    const ends = [...line(0, 0), ...line(-0.5, 60), ...line(-1, -40)];
    const { reachGain, leanMmPerM } = fitWalkBack(ends, terms(20))!;
    expect(reachGain.changes).toBe(2);
    expect(Math.abs(reachGain.mean - 3)).toBeLessThan(2 * 1.645 * reachGain.sd);
    expect(reachGain.sd).toBeLessThan(1);
    expect(Math.abs(leanMmPerM.mean - 1)).toBeLessThan(2 * leanMmPerM.plusMinus);
  });

  it('mirrors, and moves with the mark without changing lean or curve', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -60, max: 60, noNaN: true }), { minLength: 12, maxLength: 12 }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (places, shift) => {
          const ends = (of: (mm: number) => number): readonly WalkEnd[] =>
            DISTANCES.map((distanceM, index) => ({
              ...END,
              distanceM,
              outwardMm: [of(places[index]!), of(places[index + 6]!)],
              index,
            }));
          const fit = fitWalkBack(
            ends((mm) => mm),
            terms(20),
          )!;
          const mirrored = fitWalkBack(
            ends((mm) => -mm),
            terms(20),
          )!;
          const shifted = fitWalkBack(
            ends((mm) => mm + shift),
            terms(20),
          )!;
          expect(mirrored.drift.mm).toBeCloseTo(-fit.drift.mm, 6);
          // The mark may lie anywhere within decimetres: a little is held against that.
          expect(Math.abs(shifted.drift.mm - fit.drift.mm)).toBeLessThan(1);
          expect(Math.abs(shifted.bend!.mm - fit.bend!.mm)).toBeLessThan(1);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('says nothing from one distance', () => {
    const one = { ...END, distanceM: 10, outwardMm: [3, 4], index: 0 };
    expect(fitWalkBack([one], terms(20))).toBeNull();
    expect(fitWalkBack([], terms(20))).toBeNull();
  });
});

describe('the distances of a walk-back', () => {
  const butt = { widthMm: 1220, heightMm: 1220, markBelowTopMm: 300 };
  const prior = {
    nearestM: 10,
    speedMps: 52,
    speedShare: 0.15,
    scatterMm: 15,
    aimKnown: true,
  };
  /** g/(2·52²) is 1.814 mm/m²: from 16 m an arrow sighted for 10 drops 174 mm, less 69 for the eye. */
  const exact = (distanceM: number, eyeMm = 115, speedMps = 52) =>
    eyeMm * (distanceM / 10 - 1) - (9810 / (2 * speedMps ** 2)) * distanceM * (distanceM - 10);
  const onLine = (distances: readonly number[], off = { outwardMm: 0, upMm: 0 }, speed = 52) =>
    distances.flatMap((distanceM) =>
      Array.from({ length: 3 }, () => ({
        distanceM,
        outwardMm: (off.outwardMm * distanceM) / 10,
        upMm: exact(distanceM, 115, speed) + (off.upMm * distanceM) / 10,
        aim: 0,
      })),
    );
  const safe = (plan: readonly PlannedDistance[]) =>
    plan.filter(({ refused }) => refused === null).map(({ distanceM }) => distanceM);

  it('predicts the fall by hand: 105 mm low from 16 m, 218 from 19', () => {
    const flight = fitWalkBackFlight([], prior, 0);
    expect(flight.at(10).upMm).toBeCloseTo(0, 6);
    expect(flight.at(16).upMm).toBeCloseTo(-105.1, 0);
    expect(flight.at(19).upMm).toBeCloseTo(-206.7, 0);
    expect(flight.speedMps).toBeCloseTo(52, 1);
  });

  it('keeps every distance it offers a hand and three scatters on the butt, and stops at the first that is not', () => {
    fc.assert(
      fc.property(
        fc.record({
          outwardMm: fc.double({ min: -300, max: 300, noNaN: true }),
          upMm: fc.double({ min: -300, max: 300, noNaN: true }),
        }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 600, max: 2000, noNaN: true }),
        (off, scatterMm, sizeMm) => {
          const flight = fitWalkBackFlight(onLine([10], off), { ...prior, aimKnown: false }, 0);
          const plan = planWalkBack(10, flight, scatterMm, {
            widthMm: sizeMm,
            heightMm: sizeMm,
            markBelowTopMm: 300,
          });
          for (const { distanceM, refused } of plan) {
            if (refused !== null) continue;
            const room = 100 + (3 * scatterMm * distanceM) / 18;
            const [out, up] = [
              (off.outwardMm * distanceM) / 10,
              exact(distanceM) + (off.upMm * distanceM) / 10,
            ];
            expect(Math.abs(out) + room).toBeLessThanOrEqual(sizeMm / 2 + 12);
            expect(up + room).toBeLessThanOrEqual(300 + 12);
            expect(up - room).toBeGreaterThanOrEqual(300 - sizeMm - 12);
          }
          expect(plan.slice(0, -1).every(({ refused }) => refused === null)).toBe(true);
        },
      ),
    );
  });

  it('offers nothing like 40 m with the sight set for 10: the arrow falls 2 to 3 m', () => {
    const tall = { widthMm: 4000, heightMm: 20_000, markBelowTopMm: 1000 };
    const flight = fitWalkBackFlight([], prior, 0);
    const far = planWalkBack(10, flight, 10, tall).find(({ distanceM }) => distanceM === 40)!;
    expect(far.upMm).toBeLessThan(-1800);
    expect(far.upMm).toBeGreaterThan(-3200);
    expect(safe(planWalkBack(10, flight, 15, butt))).toEqual([10, 13, 16, 19, 22]);
  });

  it('takes a first end 29 cm high for a sight set wrongly, not for a fast arrow', () => {
    const high = fitWalkBackFlight(
      onLine([10], { outwardMm: 0, upMm: 290 }),
      { ...prior, aimKnown: false },
      0,
    );
    expect(high.speedMps).toBeCloseTo(52, 0);
    expect(planWalkBack(10, high, 15, butt)[0]!.refused).toBe('over');
    const aside = fitWalkBackFlight(
      onLine([10], { outwardMm: 250, upMm: 0 }),
      { ...prior, aimKnown: false },
      0,
    );
    expect(planWalkBack(10, aside, 15, { ...butt, widthMm: 800 })[1]!.refused).toBe('aside');
  });

  it('questions drops that no bow makes, and believes those of a fast one', () => {
    const climbing = [10, 13, 16].flatMap((distanceM) => [
      { distanceM, outwardMm: 0, upMm: 20 * (distanceM - 10), aim: 0 },
    ]);
    const flight = fitWalkBackFlight(climbing, { ...prior, scatterMm: 8 }, 0);
    expect(flight.questioned || flight.speedMps > 60).toBe(true);
    const odd = fitWalkBackFlight(
      [...onLine([10]), ...onLine([13, 16, 19], undefined, 150)],
      { ...prior, scatterMm: 6 },
      0,
    );
    expect(odd.questioned).toBe(true);
    const fast = fitWalkBackFlight(onLine([10, 13, 16], undefined, 62), prior, 0);
    expect(fast.questioned).toBe(false);
    expect(fast.speedMps).toBeGreaterThan(53);
  });

  it('learns the drop from the hits, and then reaches farther on a slow prior', () => {
    const slow = { ...prior, speedMps: 45, scatterMm: 9 };
    const before = fitWalkBackFlight([], slow, 0);
    const after = fitWalkBackFlight(onLine([10, 13, 16], undefined, 56), slow, 0);
    expect(after.speedMps).toBeGreaterThan(before.speedMps + 2);
    expect(after.at(22).upSdMm).toBeLessThan(before.at(22).upSdMm);
    const reach = (flight: typeof before) => safe(planWalkBack(10, flight, 9, butt)).length;
    expect(reach(after)).toBeGreaterThan(reach(before));
  });

  it('lets a new setting of the sight forget where the old one pointed', () => {
    const hits = onLine([10], { outwardMm: 200, upMm: 100 });
    const set = fitWalkBackFlight(hits, { ...prior, aimKnown: false }, 1);
    expect(set.at(10).outwardMm).toBeCloseTo(0, 6);
    expect(set.at(10).upMm).toBeCloseTo(0, 0);
  });

  it('begins nearer than the nearest while nobody knows where the sight points', () => {
    const blind = fitWalkBackFlight([], { ...prior, aimKnown: false }, 0);
    expect(sightingInDistance(10, blind, 30, butt)).toBe(4);
    expect(sightingInDistance(10, fitWalkBackFlight([], prior, 0), 30, butt)).toBe(10);
    expect(sightingInDistance(10, blind, 30, { ...butt, widthMm: 250, heightMm: 250 })).toBeNull();
  });
});

it('reckons with the larger of known and seen scatter, and never with less than 30 of a stranger', () => {
  const known = { degrees: 6, sdMm: 10 };
  expect(cautiousScatterMm(known, [])).toBeGreaterThan(10);
  expect(cautiousScatterMm(NO_SCATTER_PRIOR, [])).toBeGreaterThan(30);
  const wide = [[-60, 0, 60]];
  expect(cautiousScatterMm(known, wide)).toBeGreaterThanOrEqual(60);
  expect(cautiousScatterMm(NO_SCATTER_PRIOR, [[0, 1, 2]])).toBeGreaterThanOrEqual(30);
});
