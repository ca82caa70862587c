import { describe, expect, it } from 'vitest';
import type { Aiming } from '../craft/aiming.ts';
import { GRAVITY_MPS2 } from '../flight/arrow-flight.ts';
import { divisionSlope, slopeOf, slopeSeen } from './marks-model.ts';

const FLIGHT = { speedMps: 55, dragPerM: 0 };
const SIGHT: Aiming = {
  kind: 'sight',
  eyeOverNockMm: 115,
  eyeToApertureMm: 850,
  mmPerUnit: 10,
  growsDown: true,
  division: 0.1,
};
const POINT: Aiming = { kind: 'point', eyeOverNockMm: 115, arrowMm: 760, division: 20 };
const CRAWL: Aiming = { kind: 'crawl', eyeOverNockMm: 115, arrowMm: 760, division: 3 };

describe('an aim as a slope', () => {
  it('with a sight and without drag is the parabola through a mark at eye level, by hand for 50 m', () => {
    // tan θ − g d (1 + tan² θ) / 2v² = h / d, solved for tan θ.
    const [d, h] = [50, 0.115];
    const a = (GRAVITY_MPS2 * d) / (2 * FLIGHT.speedMps ** 2);
    const tan = (1 - Math.sqrt(1 - 4 * a * (a + h / d))) / (2 * a);
    expect(slopeOf(SIGHT, FLIGHT, 50)!.base).toBeCloseTo(tan, 7);
  });

  it('with the point on the mark and without drag is the parabola along eye and point, by hand for 30 m', () => {
    const [d, tan] = [30, 115 / 760];
    const up = d * tan - (GRAVITY_MPS2 * d * d * (1 + tan * tan)) / (2 * FLIGHT.speedMps ** 2);
    expect(slopeOf(POINT, FLIGHT, d)!.base).toBeCloseTo((up - 0.115) / d, 7);
  });

  it.each([SIGHT, POINT, CRAWL])('gains by the eye what its row says, $kind', (aiming) => {
    const higher = { ...aiming, eyeOverNockMm: aiming.eyeOverNockMm + 2 };
    for (const distanceM of [10, 30, 60]) {
      const [one, other] = [aiming, higher].map(
        (either) => slopeOf(either, { speedMps: 52, dragPerM: 0.002 }, distanceM, 20)!,
      );
      const eye = aiming.kind === 'sight' ? 1 : 0;
      const gained = other!.base - one!.base;
      expect(Math.abs(gained - 2 * one!.row[eye]!)).toBeLessThan(0.004 * Math.abs(gained));
    }
  });

  it('is seen lower on a scale that grows down by a higher number, and by a shot that lands high less', () => {
    const end = { distanceM: 50, shots: 6, squaresMm2: 0, changesSince: 0 };
    const at = (set: number, upMm: number) => slopeSeen(SIGHT, { ...end, set, upMm });
    // A division of the bar is a millimetre in 850; 59 mm high at 50 m is as much.
    expect(at(4.1, 0) - at(4, 0)).toBeCloseTo(1 / 850, 9);
    expect(at(4, 0) - at(4, 50_000 / 850)).toBeCloseTo(1 / 850, 9);
    expect(divisionSlope(SIGHT, { distanceM: 50 })).toBeCloseTo(1 / 850, 9);
  });
});
