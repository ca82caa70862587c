import { describe, expect, it } from 'vitest';
import { elevationFor, flightAt } from '../flight/arrow-flight.ts';
import { LOG_DRAG, LOG_SPEED } from '../priors/flight-priors.ts';
import { crawlFor, pointHits, pointOn, sightMark } from './marks-asked.ts';
import type { Aiming } from '../craft/aiming.ts';
import type { MarkShot } from './mark-shot.ts';
import { marksPosterior } from './marks-posterior.ts';

const FLIGHT = { speedMps: 56, dragPerM: 0.0021 };
const KNOWN = { logSpeed: LOG_SPEED, logDrag: LOG_DRAG, changes: [] };
const SIGHT: Aiming = {
  kind: 'sight',
  eyeOverNockMm: 115,
  eyeToApertureMm: 850,
  mmPerUnit: 10,
  growsDown: true,
  division: 0.1,
};
/** Hundreds of shots that all land alike: what is left of doubt is the model's. */
const shot = (distanceM: number, set: number, upMm = 0): MarkShot => ({
  distanceM,
  set,
  upMm,
  shots: 400,
  squaresMm2: 400 * (1e-3 * distanceM * 1000) ** 2,
  changesSince: 0,
});
/** Read off a bar whose zero stands at 2.0, by the parabola with drag alone. */
const truth = (distanceM: number, flight = FLIGHT) =>
  2 + (850 * Math.tan(elevationFor(flight, distanceM, 0.115)!)) / 10;

describe('marks of a sight', () => {
  const posterior = marksPosterior(
    SIGHT,
    [18, 30, 50].map((distanceM) => shot(distanceM, truth(distanceM))),
    KNOWN,
  );

  it('lie where the arrow that was shot wants them, at distances not shot', () => {
    for (const distanceM of [25, 40, 60, 70]) {
      const mark = sightMark(posterior, distanceM)!;
      expect(mark.low).toBeLessThan(truth(distanceM));
      expect(mark.high).toBeGreaterThan(truth(distanceM));
      expect(mark.high - mark.low).toBeLessThan(0.8);
    }
  });

  it('are known better between the distances shot than beyond them', () => {
    const width = (distanceM: number) => {
      const { low, high } = sightMark(posterior, distanceM)!;
      return high - low;
    };
    expect(width(40)).toBeLessThan(width(60));
    expect(width(60)).toBeLessThan(width(90));
  });

  it('chase the arrow: what landed high at a mark wants it higher on the bar', () => {
    const high = marksPosterior(
      SIGHT,
      [18, 30, 50].map((distanceM) => shot(distanceM, truth(distanceM), 4 * distanceM)),
      KNOWN,
    );
    // 4 mm a metre is 3.4 mm on the bar, 0.34 of a unit, everywhere.
    for (const distanceM of [25, 40])
      expect(sightMark(high, distanceM)!.middle).toBeCloseTo(
        sightMark(posterior, distanceM)!.middle - 0.34,
        2,
      );
  });

  it('turn round with the scale, and are the same on one with other units', () => {
    const inMm: Aiming = { ...SIGHT, mmPerUnit: 1, division: 1, growsDown: false };
    const turned = marksPosterior(
      inMm,
      [18, 30, 50].map((distanceM) => shot(distanceM, 100 - 10 * truth(distanceM))),
      KNOWN,
    );
    for (const distanceM of [25, 70])
      expect(sightMark(turned, distanceM)!.middle).toBeCloseTo(
        100 - 10 * sightMark(posterior, distanceM)!.middle,
        3,
      );
  });

  it('take a mark read off by a division for what it is, once others speak against it', () => {
    const marks = [12, 18, 25, 30, 40, 50].map((distanceM) => shot(distanceM, truth(distanceM)));
    const slipped = marks.map((mark, at) => (at === 3 ? { ...mark, set: mark.set + 0.4 } : mark));
    const coarse: Aiming = { ...SIGHT, division: 0.4 };
    const { parts } = marksPosterior(coarse, slipped, KNOWN);
    const by = parts.reduce((sum, one) => sum + (one.misread === 3 ? one.weight : 0), 0);
    expect(by).toBeGreaterThan(0.5);
  });

  it('before any shot are the rule of thumb, wide', () => {
    const { low, high } = pointHits(
      marksPosterior({ kind: 'point', eyeOverNockMm: 90, arrowMm: 740, division: 20 }, [], KNOWN),
      30,
    )!;
    expect(high - low).toBeGreaterThan(500);
  });
});

describe('after a change of the tune', () => {
  const older = (changesSince: number) =>
    [18, 30, 50].map((distanceM) => ({ ...shot(distanceM, truth(distanceM)), changesSince }));
  const faster = { logSpeed: { mean: 0.03, sd: 0.01 }, zero: { mean: 0, sd: 0.0005 } };
  const changed = { ...KNOWN, changes: [faster] };

  it('marks move as a faster arrow wants, and are less sure', () => {
    const before = marksPosterior(SIGHT, older(0), KNOWN);
    const after = marksPosterior(SIGHT, older(1), changed);
    const wanted = truth(50, { ...FLIGHT, speedMps: FLIGHT.speedMps * Math.exp(0.03) });
    const [then, now] = [before, after].map((one) => sightMark(one, 50)!);
    expect(now!.middle - then!.middle).toBeCloseTo(wanted - truth(50), 1);
    expect(now!.high - now!.low).toBeGreaterThan(2 * (then!.high - then!.low));
  });

  it('one distance shot brings all of them back', () => {
    const quicker = { ...FLIGHT, speedMps: FLIGHT.speedMps * Math.exp(0.045) };
    const after = marksPosterior(SIGHT, [...older(1), shot(40, truth(40, quicker))], changed);
    for (const distanceM of [18, 25, 60]) {
      const { low, high } = sightMark(after, distanceM)!;
      expect(truth(distanceM, quicker)).toBeGreaterThan(low);
      expect(truth(distanceM, quicker)).toBeLessThan(high);
    }
  });
});

describe('without a sight', () => {
  const [eyeMm, arrowMm] = [88, 740];
  const hitMm = (distanceM: number, crawlMm = 0) => {
    const eye = eyeMm - crawlMm;
    const slower = { ...FLIGHT, speedMps: FLIGHT.speedMps * (1 - 0.0006 * crawlMm) };
    return flightAt(slower, Math.atan(eye / arrowMm), distanceM)!.upM * 1000 - eye;
  };
  const aiming = (kind: 'point' | 'crawl'): Aiming => ({
    kind,
    eyeOverNockMm: 90,
    arrowMm,
    division: kind === 'point' ? 20 : 3,
  });

  it('gaps and the point-on lie where the arrow flies', () => {
    const marks = [12, 25].map((distanceM) => shot(distanceM, 0, hitMm(distanceM)));
    const posterior = marksPosterior(aiming('point'), marks, KNOWN);
    for (const distanceM of [8, 18, 35]) {
      const { low, high } = pointHits(posterior, distanceM)!;
      expect(hitMm(distanceM)).toBeGreaterThan(low);
      expect(hitMm(distanceM)).toBeLessThan(high);
    }
    const on = pointOn(posterior)!;
    expect(hitMm(on.low)).toBeGreaterThan(0);
    expect(hitMm(on.high)).toBeLessThan(0);
  });

  it('crawls lay the point on the mark, deeper the nearer, none beyond the point-on', () => {
    const wanted = (distanceM: number) => {
      let [low, high] = [0, 85];
      for (let step = 0; step < 40; step += 1) {
        const middle = (low + high) / 2;
        if (hitMm(distanceM, middle) > 0) low = middle;
        else high = middle;
      }
      return low;
    };
    const marks = [15, 30].map((distanceM) => shot(distanceM, wanted(distanceM)));
    const posterior = marksPosterior(aiming('crawl'), marks, KNOWN);
    for (const distanceM of [10, 20, 25]) {
      const { low, high } = crawlFor(posterior, distanceM)!;
      expect(wanted(distanceM)).toBeGreaterThan(low - 0.05);
      expect(wanted(distanceM)).toBeLessThan(high + 0.05);
    }
    expect(crawlFor(posterior, 10)!.middle).toBeGreaterThan(crawlFor(posterior, 20)!.middle);
    expect(crawlFor(posterior, 100)!.middle).toBe(0);
  });
});
