import { describe, expect, it } from 'vitest';
import { GRAVITY_MPS2 } from '../flight/arrow-flight.ts';
import { apertureDropMm, hittingElevation, pointOnMarkHitsMm } from './aim-geometry.ts';

const FLIGHT = { speedMps: 55, dragPerM: 0 };
const AIM = { eyeOverNockMm: 115, crawlMm: 0 };

describe('the aperture', () => {
  it('stands lower the farther one shoots, and by the angle over its distance from the eye', () => {
    const drop = (distanceM: number) =>
      apertureDropMm(FLIGHT, AIM, { eyeToApertureMm: 850, distanceM })!;
    const drops = [18, 30, 50, 70].map(drop);
    expect(drops).toEqual(drops.toSorted((one, other) => one - other));
    // Without drag: tan θ − g d (1 + tan² θ) / 2v² = h / d, solved by hand for 50 m.
    const [d, h] = [50, 0.115];
    const a = (GRAVITY_MPS2 * d) / (2 * FLIGHT.speedMps ** 2);
    const tan = (1 - Math.sqrt(1 - 4 * a * (a + h / d))) / (2 * a);
    expect(drop(50)).toBeCloseTo(850 * tan, 2);
  });

  it('moves by less than a tenth where the eye stands a centimetre higher', () => {
    const higher = { ...AIM, eyeOverNockMm: 125 };
    const [one, other] = [AIM, higher].map((aim) => Math.tan(hittingElevation(FLIGHT, aim, 50)!));
    expect(other! - one!).toBeCloseTo(0.01 / 50, 5);
  });
});

describe('the point laid on the mark', () => {
  const hits = (distanceM: number, crawlMm = 0) =>
    pointOnMarkHitsMm(FLIGHT, { ...AIM, crawlMm }, { arrowMm: 760, distanceM })!;

  it('hits it at one distance: nearer it is high, farther it falls away', () => {
    expect(hits(10)).toBeGreaterThan(0);
    expect(hits(30)).toBeGreaterThan(hits(10));
    expect(hits(100)).toBeLessThan(0);
  });

  it('and nearer with a deeper crawl', () => {
    expect(hits(40, 60)).toBeLessThan(hits(40, 20));
    expect(hits(40, 20)).toBeLessThan(hits(40));
  });
});
